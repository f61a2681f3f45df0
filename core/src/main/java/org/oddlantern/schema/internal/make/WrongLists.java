package org.oddlantern.schema.internal.make;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.oddlantern.schema.internal.SchemaView;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.ArrayNode;
import org.oddlantern.shaded.tools.jackson.databind.node.JsonNodeFactory;

/**
 * The ways in which the items of a list can be wrong.
 *
 * @param place where it is
 */
record WrongLists(Place place) {

  private static final JsonNodeFactory MAKE = JsonNodeFactory.instance;
  private static final int MOST_ITEMS = 1_000;
  private static final int TRIES = 10;

  void find() {
    int least = (int) place.least("minItems");
    if (least > 0) {
      place.add(
          "has one item too few",
          "too few items",
          now -> place.sized(now, Math.min(now.size(), least - 1)));
    }
    if (place.has("maxItems")) {
      longer("has one item too many", "too many items", place.most("maxItems"));
    }
    boolean unique =
        place.layers().stream().anyMatch(layer -> layer.path("uniqueItems").asBoolean(false));
    if (unique && !place.here().isEmpty()) {
      place.add("has an item twice", "doubled", WrongLists::doubled);
    }
    place.schema().wanted().forEach(this::wanted);
  }

  private void longer(String words, String rule, long most) {
    if (most < MOST_ITEMS) {
      place.add(words, rule, now -> place.sized(now, (int) most + 1));
    } else {
      place.leftOut(words, "that would be " + (most + 1) + " items");
    }
  }

  /** One in the stead of the last, so that there are as many. */
  private static JsonNode doubled(JsonNode list) {
    ArrayNode copy = MAKE.arrayNode();
    list.forEach(copy::add);
    if (copy.size() > 1) {
      copy.set(copy.size() - 1, copy.get(0));
    } else if (!copy.isEmpty()) {
      copy.add(copy.get(0));
    }
    return copy;
  }

  private void wanted(SchemaView.Wanted wanted) {
    if (wanted.least() > 0) {
      place.add(
          wanted.least() == 1 ? "has no item as it must" : "has one such item too few",
          "missing item",
          now -> without(now, wanted));
    }
    if (wanted.most() < MOST_ITEMS) {
      place.add("has one such item too many", "surplus item", now -> with(now, wanted));
    }
  }

  /** As many items, of which too few are as they must be. */
  private JsonNode without(JsonNode now, SchemaView.Wanted wanted) {
    ArrayNode copy = MAKE.arrayNode();
    long kept = 0;
    for (int i = 0; i < now.size(); i++) {
      boolean counts = wanted.item().accepts(now.get(i));
      kept += counts ? 1 : 0;
      JsonNode other = counts && kept >= wanted.least() ? other(wanted.item(), i, copy) : null;
      copy.add(other == null ? now.get(i) : other);
    }
    return copy;
  }

  /** An item that may stand there, but is not one of the wanted; null if none was found. */
  private @Nullable JsonNode other(SchemaView wanted, int index, ArrayNode before) {
    SchemaView item = place.schema().item(index);
    List<JsonNode> tried = new ArrayList<>(Place.ofEachKind());
    for (int i = 0; i < TRIES; i++) {
      place.made(item).ifPresent(tried::add);
    }
    return tried.stream()
        .filter(one -> (item == null || item.accepts(one)) && !wanted.accepts(one))
        .filter(one -> before.valueStream().noneMatch(one::equals))
        .findFirst()
        .orElse(null);
  }

  private JsonNode with(JsonNode now, SchemaView.Wanted wanted) {
    ArrayNode copy = MAKE.arrayNode();
    now.forEach(copy::add);
    long found = now.valueStream().filter(wanted.item()::accepts).count();
    while (found <= wanted.most()) {
      Optional<JsonNode> made = place.made(wanted.item());
      if (made.isEmpty()) {
        return copy;
      }
      copy.add(made.get());
      found++;
    }
    return copy;
  }
}
