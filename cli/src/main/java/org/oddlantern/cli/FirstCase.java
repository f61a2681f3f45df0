package org.oddlantern.cli;

import java.net.URI;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.oddlantern.http.Reply;
import org.oddlantern.json.Json;
import org.oddlantern.json.Location;
import org.oddlantern.json.NotJson;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.Trees;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * A case for a new project.
 *
 * @param origin the address of the service
 * @param path what is asked there
 * @param title what the case says
 * @param checks what must hold, as code
 */
record FirstCase(String origin, String path, String title, List<String> checks) {

  static final FirstCase OF_THE_BEEYARD = new FirstCase(
      "http://127.0.0.1:7411",
      "/api/season",
      "the season has a name",
      List.of("status(200)", "at(\"$.name\", \"Heather\")"));

  private static final int MOST_FIELDS = 6;

  /** From what came: its status, its type, and what kinds of values its fields have. */
  static FirstCase of(URI address, Reply reply) {
    List<String> checks = new ArrayList<>(List.of("status(" + reply.status() + ")"));
    String type = reply.headers().first("Content-Type").orElse("");
    if (!type.isEmpty()) {
      checks.add("contentType(" + quoted(type.replaceFirst(";.*", "").strip()) + ")");
    }
    try {
      checks.addAll(fields(Trees.of(reply.json())));
    } catch (NotJson e) {
      // then status and type say enough for a beginning
    }
    return new FirstCase(
        origin(address), path(address), "GET " + address.getPath() + " is answered", checks);
  }

  private static List<String> fields(JsonNode body) {
    if (body.isArray()) {
      return List.of("body(anyValue())");
    }
    List<String> checks = new ArrayList<>();
    for (Map.Entry<String, JsonNode> member : body.properties()) {
      if (checks.size() < MOST_FIELDS && !member.getValue().isNull()) {
        String path = Location.ROOT.child(member.getKey()).toString();
        checks.add("at(" + quoted(path) + ", " + shape(member.getValue()) + ")");
      }
    }
    return checks;
  }

  private static String shape(JsonNode value) {
    return switch (value.getNodeType()) {
      case STRING -> "anyText()";
      case NUMBER -> "number()";
      case BOOLEAN -> "trueOrFalse()";
      default -> "anyValue()";
    };
  }

  /** As Java writes it, which is how JSON does. */
  private static String quoted(String text) {
    return JsonMapping.standard().write(Json.of(text)).replace("\u007f", "\\u007f");
  }

  static String origin(URI address) {
    return address.getScheme() + "://" + address.getRawAuthority();
  }

  static String path(URI address) {
    String path = address.getRawPath();
    String query = address.getRawQuery();
    return (path == null || path.isEmpty() ? "/" : path) + (query == null ? "" : "?" + query);
  }

  /** The suite that holds it. */
  String source() {
    return """
        package api;

        import static org.oddlantern.check.Checks.*;

        import org.oddlantern.config.Environment;
        import org.oddlantern.http.Call;
        import org.oddlantern.http.Service;
        import org.oddlantern.suite.Case;

        public class FirstTest {

          private final Service api;

          FirstTest(Environment environment) {
            api = environment.service("api");
          }

          @Case(%s)
          void answered() {
            api.send(Call.get(%s))
                .must(
                    %s);
          }
        }
        """.formatted(quoted(title), quoted(path), String.join(",\n            ", checks));
  }

  /** The settings that say where it is. */
  String settings(String schema) {
    return """
        # yaml-language-server: $schema=%s
        environment: local
        environments:
          local:
            services:
              api: { url: "%s", timeout: 10s }
        """.formatted(schema, origin);
  }
}
