package org.oddlantern.schema.internal;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.oddlantern.config.SettingsProblem;
import org.oddlantern.config.internal.Settings;
import org.oddlantern.config.internal.SettingsFile;
import org.oddlantern.config.internal.SettingsSchema;
import org.oddlantern.json.Json;
import org.oddlantern.json.Location;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.schema.Schema;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.ObjectNode;

/** The schema of the settings takes what their reader takes, and nothing else. */
class SettingsSchemaTest {

  private static final String ALL_OF_A_SERVICE = """
      "timeout": "3s", "connectTimeout": "500ms", "bodyLimit": "1MiB", "redirects": 3,
      "bearer": "b", "trust": "any", "proxy": "http://p.example:1", "caseHeader": "none",
      "basic": {"user": "u", "password": "p"},
      "keyInHeader": {"name": "n", "key": "k"}, "keyInQuery": {"name": "n", "key": "k"},
      "signIn": {"post": "/x", "json": "{}", "token": "$.t"},
      "clientCredentials": {"tokenUrl": "/t", "clientId": "i", "clientSecret": "s", "scopes": "a"},
      "clientCertificate": {"certificate": "c", "key": "k", "store": "s", "password": "p"},
      "ready": {"path": "/h", "within": "3s"},
      "headers": {"X-Plot": "orchard"}
      """;

  private static final String ALL = """
      {"environment": "a", "mask": ["X-Key"],
       "schemas": {"hosts": ["h.example"], "formats": "assert", "draft": "2019-09"},
       "history": {"folder": "runs", "keep": "90d"},
       "services": {"b": {%1$s}},
       "environments": {"a": {"readOnly": true, "services": {"b": {"url": "http://x", %1$s}},
         "databases": {"d": {"url": "jdbc:x", "user": "u", "password": "", "timeout": "3s"}}}}}
      """.formatted(ALL_OF_A_SERVICE);

  @TempDir
  private Path folder;

  private final Schema schema = Schema.text(SettingsSchema.text());

  @Test
  void everyChangeIsRefusedByBothOrByNeither() throws IOException {
    JsonNode all = JsonMapping.standard().parse(ALL);
    assertTrue(refusal(all.toString()).isEmpty() && fits(all), () -> findings(all));
    List<JsonNode> changed = new ArrayList<>();
    for (String pointer : objects(all, "")) {
      ObjectNode here = (ObjectNode) all.at(pointer);
      changed.add(with(all, pointer, "nobodyReadsThis", "\"x\""));
      for (String name : here.propertyNames()) {
        changed.add(with(all, pointer, name, ""));
        for (String other : List.of("[1]", "{\"file\": \"f\"}", "{\"other\": \"f\"}", "{}")) {
          changed.add(with(all, pointer, name, other));
        }
      }
    }
    assertTrue(changed.size() > 300);
    // what one place says of another, and how a value is written, no schema of keys can know
    Pattern beyond = Pattern.compile("no environment has the service|; write it like ");
    changed.removeIf(one -> beyond.matcher(refusal(one.toString())).find());
    for (JsonNode one : changed) {
      assertEquals(
          refusal(one.toString()).isEmpty(),
          fits(one),
          () -> refusal(one.toString()) + "\n" + findings(one) + one);
    }
  }

  @Test
  void everySettingsFileOfDocumentsAndTestsFits() throws IOException {
    List<String> texts = new ArrayList<>();
    for (String file : List.of(
        "../demo/src/test/resources/odd-lantern.yaml", "src/test/resources/odd-lantern.yaml")) {
      texts.add(Files.readString(Path.of(file)));
    }
    try (Stream<Path> documents = Files.list(Path.of("../docs"))) {
      List<Path> all = new ArrayList<>(documents.filter(Files::isRegularFile).toList());
      all.add(Path.of("../README.md"));
      for (Path document : all) {
        Matcher blocks =
            Pattern.compile("(?s)```yaml\n(.*?)```").matcher(Files.readString(document));
        while (blocks.find()) {
          texts.add(blocks.group(1));
        }
      }
    }
    List<String> settings = texts.stream()
        .filter(text -> Pattern.compile("(?m)^(environments|services|schemas|history|mask):")
            .matcher(text)
            .find())
        .filter(text -> !text.contains("runs-on") && !text.contains("image:"))
        .toList();
    assertTrue(settings.size() > 5, settings::toString);
    for (String text : settings) {
      JsonNode tree = YamlTree.of("settings", text);
      assertTrue(fits(tree), () -> text + "\n" + findings(tree));
    }
  }

  private boolean fits(JsonNode tree) {
    return schema.differences(Location.ROOT, Json.of(tree)).isEmpty();
  }

  private String findings(JsonNode tree) {
    return schema.differences(Location.ROOT, Json.of(tree)).toString();
  }

  private String refusal(String text) {
    try {
      Files.writeString(folder.resolve(Settings.FILE), text);
    } catch (IOException e) {
      throw new java.io.UncheckedIOException(e);
    }
    try {
      SettingsFile.find(folder, ClassLoader.getPlatformClassLoader());
      return "";
    } catch (SettingsProblem e) {
      return String.valueOf(e.getMessage());
    }
  }

  private static List<String> objects(JsonNode node, String pointer) {
    List<String> objects = new ArrayList<>();
    if (node.isObject()) {
      objects.add(pointer);
      node.properties()
          .forEach(one -> objects.addAll(objects(one.getValue(), pointer + "/" + one.getKey())));
    }
    return objects;
  }

  /** With another member; without it if there is none. */
  private static JsonNode with(JsonNode all, String pointer, String name, String json) {
    JsonNode copy = all.deepCopy();
    ObjectNode here = (ObjectNode) copy.at(pointer);
    if (json.isEmpty()) {
      here.remove(name);
    } else {
      here.set(name, JsonMapping.standard().parse(json));
    }
    return copy;
  }
}
