package org.oddlantern.demo.beeyard;

import io.javalin.http.Context;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Reads the JSON object a request carries. */
final class RequestBody {

  private RequestBody() {}

  static JsonNode of(Context context) {
    try {
      JsonNode body = JsonMapper.shared().readTree(context.body());
      if (body.isObject()) {
        return body;
      }
      throw Refusal.notJson("the body must be a JSON object");
    } catch (JacksonException e) {
      throw Refusal.notJson("the body is not JSON: " + e.getOriginalMessage());
    }
  }
}
