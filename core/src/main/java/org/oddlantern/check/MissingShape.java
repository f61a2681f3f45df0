package org.oddlantern.check;

import java.util.List;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;
import org.oddlantern.json.internal.GatheredValues;
import org.oddlantern.json.internal.NodeShape;
import org.oddlantern.json.internal.Words;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** The only shape that holds where nothing is. */
record MissingShape() implements NodeShape {

  @Override
  public String words() {
    return "nothing: no such value";
  }

  @Override
  public List<Finding> examine(Location where, JsonNode value) {
    return value.isMissingNode() || GatheredValues.isNothing(value)
        ? List.of()
        : differences(where, value);
  }

  @Override
  public List<Finding> differences(Location where, JsonNode value) {
    return List.of(Finding.of(where, words(), Words.withKind(value)));
  }
}
