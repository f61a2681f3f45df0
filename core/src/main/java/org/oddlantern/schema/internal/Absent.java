package org.oddlantern.schema.internal;

import org.jspecify.annotations.Nullable;
import org.oddlantern.json.internal.NearestMatch;
import org.oddlantern.json.internal.Words;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** One required field that is not there, with the name of the keyword that asks for it. */
final class Absent extends Keyword {

  private final String field;
  private final String why;

  Absent(String name, String field, String why) {
    super(name, Kind.OBJECT);
    this.field = field;
    this.why = why;
  }

  @Override
  boolean holds(JsonNode value, Evaluation run, @Nullable Covered covered) {
    return value.get(field) != null;
  }

  @Override
  String wanted() {
    return "the field '" + field + "'" + why;
  }

  @Override
  String got(JsonNode value) {
    return Words.contents(value);
  }

  @Override
  String hint(JsonNode value) {
    return NearestMatch.among(field, value.propertyNames())
        .map(near -> "is '" + near + "' meant to be it?")
        .orElse("");
  }
}
