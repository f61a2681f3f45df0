package org.oddlantern.schema.internal;

import org.jspecify.annotations.Nullable;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** The schema {@code false}: nothing fits. */
final class Never extends Keyword {

  Never() {
    super("", Kind.ALL);
  }

  @Override
  boolean holds(JsonNode value, Evaluation run, @Nullable Covered covered) {
    return false;
  }

  @Override
  String wanted() {
    return "nothing here: the schema is false";
  }
}
