package org.oddlantern.json.internal;

import java.util.Iterator;
import java.util.Map;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** Writes compact JSON up to a limit, without writing the rest of a large value at all. */
final class ShortJson {

  private static final int LONGEST_NAME = 80;

  private final StringBuilder text = new StringBuilder();
  private final int limit;

  private ShortJson(int limit) {
    this.limit = limit;
  }

  static String of(JsonNode node, int limit) {
    ShortJson writer = new ShortJson(limit);
    writer.write(node);
    if (writer.text.length() <= limit) {
      return writer.text.toString();
    }
    int end = Character.isHighSurrogate(writer.text.charAt(limit - 1)) ? limit - 1 : limit;
    return writer.text.substring(0, end) + "... (" + whole(node) + ")";
  }

  private static String whole(JsonNode node) {
    return node.isArray()
        ? "a list of " + node.size()
        : "an object with " + node.size() + (node.size() == 1 ? " field" : " fields");
  }

  private void write(JsonNode node) {
    if (node.isPojo()) {
      text.append(Embedded.shape(node).words());
    } else if (node.isObject()) {
      object(node);
    } else if (node.isArray()) {
      list(node);
    } else if (node.isString() && node.stringValue().length() > limit) {
      text.append(Visible.of(JsonMapping.standard().write(node.stringValue().substring(0, limit))));
    } else {
      text.append(Words.of(node));
    }
  }

  private void object(JsonNode node) {
    text.append('{');
    String comma = "";
    for (Map.Entry<String, JsonNode> member : node.properties()) {
      if (isFull()) {
        return;
      }
      String name = member.getKey();
      String shown = name.length() > LONGEST_NAME ? name.substring(0, LONGEST_NAME) : name;
      text.append(comma).append(Visible.of(JsonMapping.standard().write(shown))).append(':');
      write(member.getValue());
      comma = ",";
    }
    text.append('}');
  }

  private void list(JsonNode node) {
    text.append('[');
    for (Iterator<JsonNode> items = node.iterator(); items.hasNext() && !isFull(); ) {
      write(items.next());
      text.append(items.hasNext() ? "," : "");
    }
    text.append(']');
  }

  private boolean isFull() {
    return text.length() > limit;
  }
}
