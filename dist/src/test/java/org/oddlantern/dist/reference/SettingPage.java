package org.oddlantern.dist.reference;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.oddlantern.config.internal.SettingsSchema;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** Every setting, from the schema by which editors complete them. */
final class SettingPage {

  private final List<String> unexplained = new ArrayList<>();
  private final StringBuilder page = new StringBuilder("""
      # Settings

      Every key of `odd-lantern.yaml`: what it takes, what holds if it is not set, an example. Timeouts, base URLs, headers, authentication, proxies and TLS are keys of a service. Written by a test from the code.

      [In the settings](../calls.md#in-the-settings) shows a whole file; `odd-lantern settings` prints what is in force and where each value comes from. Each value may hold `${NAME}`, an environment variable, or be `{ file: path }`, which reads a file. What is the same in every environment may be set once, below `services.NAME` at the top of the file: every key of a service but `url`.
      """);

  /** The page. */
  String text() {
    JsonNode root = JsonMapping.standard().parse(SettingsSchema.text());
    JsonNode environment = root.at("/properties/environments/additionalProperties");
    table("At the top of the file", root);
    table("An environment: `environments.NAME`", environment);
    table(
        "A service: `environments.NAME.services.NAME`",
        environment.at("/properties/services/additionalProperties"));
    table(
        "A database: `environments.NAME.databases.NAME`",
        environment.at("/properties/databases/additionalProperties"));
    return page.toString();
  }

  /** Keys without a meaning. */
  List<String> unexplained() {
    return unexplained;
  }

  private void table(String heading, JsonNode object) {
    page.append("\n## ").append(heading).append("\n\n");
    page.append("| key | takes | if not set | example | meaning |\n|---|---|---|---|---|\n");
    rows("", object);
  }

  private void rows(String above, JsonNode object) {
    for (Map.Entry<String, JsonNode> one : object.path("properties").properties()) {
      String key = above + one.getKey();
      JsonNode value = one.getValue();
      if (value.path("description").isMissingNode()) {
        unexplained.add(key);
      }
      page.append("| `").append(key).append("` | ").append(takes(value)).append(" | ");
      page.append(code(value.path("default").asString(""))).append(" | ");
      page.append(code(value.at("/examples/0").asString(""))).append(" | ");
      page.append(value.path("description").asString("")).append(" |\n");
      JsonNode group = value.path("anyOf").isMissingNode() ? value : value.at("/anyOf/1");
      if (!group.path("properties").has("file")) {
        rows(key + ".", group);
      }
    }
  }

  private static String takes(JsonNode value) {
    if (value.has("enum")) {
      List<String> words = new ArrayList<>();
      value.path("enum").forEach(one -> words.add("`" + one.asString() + "`"));
      return String.join(", ", words.stream().distinct().toList());
    }
    if (value.path("type").asString("").equals("array")) {
      return "list";
    }
    if (value.path("type").asString("").equals("object")) {
      return value.has("properties") ? "keys below" : "names";
    }
    JsonNode second = value.at("/anyOf/1/properties");
    return second.isMissingNode() || second.has("file") ? "text" : "text, or keys below";
  }

  private static String code(String text) {
    return text.isEmpty() ? "" : "`" + text.replace("|", "\\|") + "`";
  }
}
