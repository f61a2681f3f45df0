package org.oddlantern.json.internal.path;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.oddlantern.json.Location;
import org.oddlantern.json.NotJson;
import org.oddlantern.json.internal.FoundNode;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.NearestMatch;
import org.oddlantern.json.internal.Words;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** Tells how far a path that finds nothing leads, what stands there, and what may have been meant. */
public final class FurthestReach {

  private FurthestReach() {}

  /** Why the query finds nothing. */
  public static DeadEnd of(Query query, Search search) {
    List<FoundNode> reached = List.of(new FoundNode(Location.ROOT, search.root()));
    for (Segment segment : query.segments()) {
      List<FoundNode> next = segment.follow(reached, search);
      if (next.isEmpty()) {
        return dead(reached, segment);
      }
      reached = next;
    }
    throw new IllegalStateException("the path does not end before its last value");
  }

  private static DeadEnd dead(List<FoundNode> reached, Segment segment) {
    FoundNode last = reached.get(0);
    String stopped =
        "the path ends at " + last.where() + ", which is " + Words.contents(last.value());
    if (reached.size() > 1) {
      stopped = String.format(
          Locale.ROOT,
          "none of %,d places has %s; the first, %s, is %s",
          reached.size(),
          segment.text(),
          last.where(),
          Words.contents(last.value()));
    }
    if (segment.selectors().get(0) instanceof Selector.Filter && last.value().isContainer()) {
      return new DeadEnd(
          stopped + ", and nothing in it meets " + segment.text(),
          last.value().isEmpty() ? "" : "the first in it is " + first(last.value()));
    }
    return new DeadEnd(stopped, hint(last, segment));
  }

  private static String first(JsonNode container) {
    return Words.of(container.iterator().next());
  }

  private static String hint(FoundNode last, Segment segment) {
    if (last.value().isString()) {
      return inText(last, segment);
    }
    Selector selector = segment.selectors().get(0);
    if (selector instanceof Selector.Index && last.value().isObject()) {
      return "an index looks into lists only; a field wants its name";
    }
    if (!(selector instanceof Selector.Name name)) {
      return "";
    }
    if (last.value().isObject() && last.value().has(name.name())) {
      return ""; // it is there, but not everywhere
    }
    String near = NearestMatch.hint(name.name(), last.value().propertyNames());
    return near.isEmpty() ? elsewhere(last, name.name()).orElse("") : near;
  }

  /** A text that holds JSON was encoded twice. */
  private static String inText(FoundNode last, Segment segment) {
    String text = last.value().stringValue().strip();
    if (!text.startsWith("{") && !text.startsWith("[")) {
      return "";
    }
    try {
      JsonNode inner = JsonMapping.standard().parse(text);
      String name = segment.selectors().get(0) instanceof Selector.Name known ? known.name() : "";
      return (last.where().steps().isEmpty() ? "the body" : last.where().toString())
          + " is a text that holds JSON, so it was encoded twice"
          + Deeper.first(new FoundNode(Location.ROOT, inner), name)
              .map(place -> "; in it there is '" + name + "' at " + place)
              .orElse("");
    } catch (NotJson e) {
      return ""; // it only begins like it
    }
  }

  /** The same name deeper down, which is where many a path forgets a step. */
  private static Optional<String> elsewhere(FoundNode last, String name) {
    return Deeper.first(last, name).map(found -> "there is '" + name + "' at " + found);
  }
}
