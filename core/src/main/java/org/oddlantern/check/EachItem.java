package org.oddlantern.check;

import java.util.List;
import java.util.function.Function;
import org.oddlantern.internal.Needed;
import org.oddlantern.json.ComposedShape;
import org.oddlantern.json.Finding;
import org.oddlantern.json.JsonPath;
import org.oddlantern.json.Location;
import org.oddlantern.json.Shape;
import org.oddlantern.json.internal.Identity;
import org.oddlantern.json.internal.UntypedText;
import org.oddlantern.json.internal.Words;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * A list whose every item has a shape; over no item at all it does not hold. Every bad item is told, by
 * its index and by what it is known by. Made by {@link Shapes#eachItem(Object)}. Immutable and
 * thread-safe.
 *
 * <pre>{@code
 * at("$.inspections", eachItem(including(Map.of("frames", atLeast(1)))).identifiedBy("$.madeOn"))
 * }</pre>
 */
public final class EachItem implements ComposedShape {

  private final Shape item;
  private final Function<JsonNode, String> identity;

  EachItem(Shape item) {
    this(item, Identity::of);
  }

  private EachItem(Shape item, Function<JsonNode, String> identity) {
    this.item = item;
    this.identity = identity;
  }

  /**
   * The same, the items known by what stands at a path of each, where no {@code id} or the like does.
   *
   * @param path a path to one place, from the item: {@code $.tag}
   * @return the shape
   * @throws IllegalArgumentException if it is no path, or leads to many places
   */
  public EachItem identifiedBy(String path) {
    Needed.of(path, "identifiedBy(path): path");
    JsonPath parsed = JsonPath.of(path);
    parsed.steps();
    return new EachItem(item, value -> Identity.of(value, parsed));
  }

  @Override
  public String words() {
    return "a list whose every item is " + item.words();
  }

  @Override
  public boolean asksAboutLists() {
    return true;
  }

  @Override
  public List<Finding> differences(Location where, JsonNode there) {
    JsonNode value = UntypedText.asList(there);
    if (!value.isArray()) {
      return List.of(Finding.of(where, words(), Words.withKind(value)));
    }
    if (value.isEmpty()) {
      return List.of(Finding.of(where, words(), "an empty list")
          .hint("over no item at all this proves nothing; size(0) wants an empty list"));
    }
    BadItems bad = null;
    for (int i = 0; i < value.size(); i++) {
      if (!item.examine(where, value.get(i)).isEmpty()) {
        bad = bad == null ? new BadItems(where, value.size()) : bad;
        Location place = where.child(i);
        bad.add(BadItem.of(
            i, place.knownAs(identity.apply(value.get(i))), item.examine(place, value.get(i))));
      }
    }
    return bad == null ? List.of() : bad.findings();
  }
}
