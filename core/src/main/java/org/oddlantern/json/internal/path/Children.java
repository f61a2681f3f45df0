package org.oddlantern.json.internal.path;

import java.util.Map;
import org.oddlantern.json.internal.FoundNode;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** The children of a value, in document order. */
final class Children {

  private Children() {}

  static void of(FoundNode parent, Selector.Sink sink) {
    JsonNode value = parent.value();
    if (value.isArray()) {
      for (int i = 0; i < value.size(); i++) {
        sink.accept(parent.where().child(i), value.get(i));
      }
    } else if (value.isObject()) {
      for (Map.Entry<String, JsonNode> member : value.properties()) {
        sink.accept(parent.where().child(member.getKey()), member.getValue());
      }
    }
  }
}
