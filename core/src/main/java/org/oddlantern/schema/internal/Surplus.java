package org.oddlantern.schema.internal;

import java.util.Collection;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.internal.NearestMatch;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** A field or an item that the schema leaves no room for, with the name of the keyword that says so. */
final class Surplus extends Keyword {

  private final String what;
  private final String name;
  private final Collection<String> absent;
  private final Collection<String> known;

  Surplus(String keyword, String what) {
    this(keyword, what, "", List.of(), List.of());
  }

  /** A surplus field of which no more is known than its name. */
  static Surplus field(String keyword, String field) {
    return new Surplus(keyword, "field", field, List.of(), List.of());
  }

  /**
   * A surplus field.
   *
   * @param keyword the keyword that forbids it
   * @param what field or item
   * @param name its name; empty for an item
   * @param absent fields that are known and not there
   * @param known fields that are known
   */
  Surplus(
      String keyword,
      String what,
      String name,
      Collection<String> absent,
      Collection<String> known) {
    super(keyword, Kind.ALL);
    this.what = what;
    this.name = name;
    this.absent = absent;
    this.known = known;
  }

  @Override
  boolean holds(JsonNode value, Evaluation run, @Nullable Covered covered) {
    return false;
  }

  @Override
  String wanted() {
    return name.isEmpty() ? "no " + what + " here" : "no field '" + name + "'";
  }

  @Override
  String hint(JsonNode value) {
    String near = NearestMatch.hint(name, absent);
    return near.isEmpty() && !name.isEmpty()
        ? NearestMatch.among(name, known)
            .map(other -> "the schema knows '" + other + "', which is there too")
            .orElse("")
        : near;
  }
}
