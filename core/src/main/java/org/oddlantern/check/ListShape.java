package org.oddlantern.check;

import java.util.List;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;
import org.oddlantern.json.internal.ComposedShape;
import org.oddlantern.json.internal.UntypedText;
import org.oddlantern.json.internal.Words;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** A shape of lists alone. */
interface ListShape extends ComposedShape {

  /** Everything about a list that is not as wanted. */
  List<Finding> ofList(Location where, JsonNode list);

  @Override
  default boolean asksAboutLists() {
    return true;
  }

  @Override
  default List<Finding> differences(Location where, JsonNode there) {
    JsonNode value = UntypedText.asList(there);
    return value.isArray()
        ? ofList(where, value)
        : List.of(Finding.of(where, words(), Words.withKind(value)));
  }
}
