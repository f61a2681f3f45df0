package org.oddlantern.check;

import java.util.List;
import java.util.function.Predicate;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;
import org.oddlantern.json.internal.NodeShape;
import org.oddlantern.json.internal.Words;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** A shape that one question about the value decides. */
record KindShape(String words, Predicate<JsonNode> question) implements NodeShape {

  @Override
  public List<Finding> differences(Location where, JsonNode value) {
    return question.test(value)
        ? List.of()
        : List.of(Finding.of(where, words, Words.withKind(value)));
  }
}
