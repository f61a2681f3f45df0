package org.oddlantern.http;

import org.oddlantern.http.internal.EventReading;
import org.oddlantern.json.NotJson;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.ArrayNode;
import org.oddlantern.shaded.tools.jackson.databind.node.JsonNodeFactory;
import org.oddlantern.shaded.tools.jackson.databind.node.ObjectNode;

/** Tells the events of a stream as a list. */
final class EventList {

  private EventList() {}

  /**
   * The events.
   *
   * @throws NotJson if a document of them is none
   */
  static ArrayNode of(String contentType, byte[] body, JsonMapping mapping) {
    EventReading reading = new EventReading(contentType);
    reading.read(body, body.length, Integer.MAX_VALUE);
    ArrayNode list = JsonNodeFactory.instance.arrayNode();
    for (EventReading.Event event : reading.ended()) {
      if (!reading.isServerSent()) {
        list.add(mapping.parse(event.data()));
        continue;
      }
      ObjectNode told = list.addObject();
      told.put("event", event.type());
      if (event.id() != null) {
        told.put("id", event.id());
      }
      told.set("data", data(event.data(), mapping));
    }
    return list;
  }

  /** JSON as its value, anything else as text. */
  private static JsonNode data(String text, JsonMapping mapping) {
    try {
      return mapping.parse(text);
    } catch (NotJson e) {
      return JsonNodeFactory.instance.stringNode(text);
    }
  }
}
