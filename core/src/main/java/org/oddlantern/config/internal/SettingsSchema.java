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

  private static final Map<String, String> WORDS = Map.ofEntries(
      Map.entry("environment", "The environment in use where none is named by --env."),
      Map.entry("environments", "Environments by name: where services and databases are."),
      Map.entry("services", "Services by name."),
      Map.entry("databases", "Databases by name."),
      Map.entry("readOnly", "true refuses every call that may change something."),
      Map.entry("mask", "Headers, and places in JSON bodies, whose values are hidden everywhere."),
      Map.entry("schemas", "How JSON Schemas are read."),
      Map.entry("schemas.hosts", "Hosts from which schemas may be fetched."),
      Map.entry("schemas.formats", "assert refuses texts that are not written in their format."),
      Map.entry("schemas.draft", "The draft of schemas that name none."),
      Map.entry("history", "Where runs are kept for comparing, and how many."),
      Map.entry("history.folder", "The folder in which short journals of runs are kept."),
      Map.entry("history.keep", "How many runs, like 50, or of how many days, like 90d."),
      Map.entry("promises", "strict wants a case for every promise, and a promise for every case."),
      Map.entry(
          "unwatched", "Places of replies that no case need watch, like GET /status $.asked."),
      Map.entry("url", "The address, with its base path."),
      Map.entry("timeout", "The limit for an exchange, like 3s, 500ms or 1m."),
      Map.entry("connectTimeout", "The limit for a connection, like 3s, 500ms or 1m."),
      Map.entry("bodyLimit", "The limit for a reply's body, like 64MiB."),
      Map.entry("redirects", "How many redirects to follow; 0 unless set."),
      Map.entry("headers", "Headers of every call."),
      Map.entry("bearer", "A bearer token."),
      Map.entry("basic", "Basic credentials."),
      Map.entry("keyInHeader", "A key in a header."),
      Map.entry("keyInQuery", "A key in the query of the address."),
      Map.entry(
          "signIn", "A token fetched by a call: where to, what with, where it is in the reply."),
      Map.entry("clientCredentials", "A token by OAuth 2, client credentials."),
      Map.entry("clientCertificate", "A client certificate: PEM files, or a PKCS #12 file."),
      Map.entry("trust", "A PEM file, or any for test environments."),
      Map.entry("proxy", "An HTTP proxy."),
      Map.entry("caseHeader", "The header that names run and case; none sends none."),
      Map.entry("trace", "off sends no header traceparent (W3C Trace Context)."),
      Map.entry("traces", "Where a trace can be looked at: an address with {id} in its place."),
      Map.entry("log", "The file into which the service writes its log, for what fails."),
      Map.entry(
          "description",
          "Its description (OpenAPI): a file, or a path of the service like /openapi.json."),
      Map.entry("ready", "Waits before the first case until this path is answered."));

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
        group, described(group, ServiceKeys.mayBeText(group) ? orText(group(keys)) : group(keys))));
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
    ObjectNode database = group(DatabaseSettings.KEYS);
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

  private static ObjectNode group(List<String> keys) {
    ObjectNode properties = NODES.objectNode();
    keys.forEach(key -> properties.set(key, leaf()));
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
    ObjectNode file = group(List.of());
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
    String words = WORDS.get(key);
    if (words == null) {
      return schema;
    }
    ObjectNode described = NODES.objectNode();
    described.put("description", words);
    described.setAll(schema);
    return described;
  }
}
