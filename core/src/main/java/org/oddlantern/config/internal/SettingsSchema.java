package org.oddlantern.config.internal;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.ArrayNode;
import org.oddlantern.shaded.tools.jackson.databind.node.JsonNodeFactory;
import org.oddlantern.shaded.tools.jackson.databind.node.ObjectNode;

/**
 * A JSON Schema (draft 7, which editors know best) of the settings: by it an editor completes keys and
 * marks those that nobody reads.
 */
public final class SettingsSchema {

  /** The name of its file, beside the settings. */
  public static final String FILE = "odd-lantern.schema.json";

  private static final JsonNodeFactory NODES = JsonNodeFactory.instance;

  private SettingsSchema() {}

  /**
   * The schema.
   *
   * @return it, in lines
   */
  public static String text() {
    ObjectNode root = object(Map.of(
        "environments", mapping(environment()),
        "services", mapping(service(false)),
        "schemas", schemas(),
        "history", history(),
        "environment", scalar(),
        "mask", list(scalar()),
        "promises", words("strict"),
        "unwatched", list(scalar())));
    ObjectNode schema = NODES.objectNode();
    schema.put("$schema", "http://json-schema.org/draft-07/schema#");
    schema.put("title", "Settings of Odd Lantern");
    schema.setAll(root);
    return JsonMapping.standard().writeIndented(schema) + "\n";
  }

  private static ObjectNode environment() {
    return object(Map.of(
        "services", mapping(service(true)),
        "databases", mapping(database()),
        "readOnly", scalar()));
  }

  private static ObjectNode service(boolean whole) {
    ObjectNode properties = NODES.objectNode();
    for (String key : ServiceKeys.SINGLE) {
      if (whole || !key.equals("url")) {
        properties.set(key, described(key, leaf()));
      }
    }
    ServiceKeys.GROUPS.forEach((group, keys) -> properties.set(
        group,
        described(
            group,
            ServiceKeys.mayBeText(group)
                ? orText(group(group + ".", keys))
                : group(group + ".", keys))));
    properties.set("headers", described("headers", mapping(leaf())));
    ObjectNode service = closed(properties);
    if (whole) {
      service.putArray("required").add("url");
    }
    return service;
  }

  private static ObjectNode orText(ObjectNode group) {
    ObjectNode either = NODES.objectNode();
    either.putArray("anyOf").add(scalar()).add(group);
    return either;
  }

  private static ObjectNode database() {
    ObjectNode database = group("database.", DatabaseSettings.KEYS);
    database.putArray("required").add("url");
    return database;
  }

  private static ObjectNode schemas() {
    ObjectNode formats = words("assert", "annotate");
    ObjectNode draft = NODES.objectNode();
    draft
        .putArray("enum")
        .add(4)
        .add(6)
        .add(7)
        .add("4")
        .add("6")
        .add("7")
        .add("2019-09")
        .add("2020-12");
    return object("schemas.", Map.of("hosts", list(scalar()), "formats", formats, "draft", draft));
  }

  private static ObjectNode words(String... words) {
    ObjectNode one = NODES.objectNode();
    ArrayNode all = one.putArray("enum");
    List.of(words).forEach(all::add);
    return one;
  }

  private static ObjectNode history() {
    ObjectNode history = object("history.", Map.of("folder", scalar(), "keep", scalar()));
    history.putArray("required").add("folder");
    return history;
  }

  private static ObjectNode group(String above, List<String> keys) {
    ObjectNode properties = NODES.objectNode();
    keys.forEach(key -> properties.set(key, described(above + key, leaf())));
    return closed(properties);
  }

  private static ObjectNode object(Map<String, ObjectNode> members) {
    return object("", members);
  }

  private static ObjectNode object(String above, Map<String, ObjectNode> members) {
    ObjectNode properties = NODES.objectNode();
    new TreeMap<>(members)
        .forEach((key, schema) -> properties.set(key, described(above + key, schema)));
    return closed(properties);
  }

  private static ObjectNode closed(ObjectNode properties) {
    ObjectNode object = NODES.objectNode();
    object.put("type", "object");
    object.set("properties", properties);
    object.put("additionalProperties", false);
    return object;
  }

  private static ObjectNode mapping(JsonNode value) {
    ObjectNode mapping = NODES.objectNode();
    mapping.put("type", "object");
    mapping.set("additionalProperties", value);
    return mapping;
  }

  private static ObjectNode list(JsonNode item) {
    ObjectNode list = NODES.objectNode();
    list.put("type", "array");
    list.set("items", item);
    return list;
  }

  /** A text, or what is in a file. */
  private static ObjectNode leaf() {
    ObjectNode file = group("", List.of());
    ((ObjectNode) file.get("properties")).set("file", scalar());
    file.putArray("required").add("file");
    ObjectNode leaf = NODES.objectNode();
    leaf.putArray("anyOf").add(scalar()).add(file);
    return leaf;
  }

  /** What is written without quotes may look like a number or a truth to an editor. */
  private static ObjectNode scalar() {
    ObjectNode scalar = NODES.objectNode();
    scalar.putArray("type").add("string").add("number").add("boolean");
    return scalar;
  }

  private static ObjectNode described(String key, ObjectNode schema) {
    SettingWords words = SettingWords.ALL.get(key);
    if (words == null) {
      return schema;
    }
    ObjectNode described = NODES.objectNode();
    described.put("description", words.text());
    if (!words.standard().isEmpty()) {
      described.put("default", words.standard());
    }
    if (!words.example().isEmpty()) {
      described.putArray("examples").add(words.example());
    }
    described.setAll(schema);
    return described;
  }
}
