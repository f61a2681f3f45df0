package org.oddlantern.conformance;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.oddlantern.internal.Resources;
import org.oddlantern.internal.description.ApiDocument;
import org.oddlantern.internal.description.DescriptionProblem;
import org.oddlantern.json.Json;
import org.oddlantern.json.Location;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.schema.Draft;
import org.oddlantern.schema.Schema;
import org.oddlantern.schema.SchemaReader;
import org.oddlantern.schema.internal.Document;
import org.oddlantern.schema.internal.DocumentText;
import org.oddlantern.schema.internal.KnownSources;
import org.oddlantern.schema.internal.MetaSchemas;
import org.oddlantern.schema.internal.ReadingRules;
import org.oddlantern.schema.internal.Side;
import org.oddlantern.schema.internal.text.KnownFormats;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.JsonNodeFactory;
import org.oddlantern.shaded.tools.jackson.databind.node.ObjectNode;

/**
 * Whether we refuse what the published JSON Schemas of OpenAPI 3.0 and 3.1 refuse, and take what they take:
 * of a description that says a bit of everything, each field is taken away, made another kind, and another
 * field is put beside it. Fetched by {@code conformance/fetch-openapi-schemas.sh}.
 */
class OpenApiConformanceTest {

  private static final JsonNodeFactory MAKE = JsonNodeFactory.instance;
  private static final List<JsonNode> KINDS = List.of(MAKE.numberNode(7), MAKE.objectNode());

  /** What we take though the standard refuses it, and why. */
  private static final Map<String, String> LENIENT = Map.of(
      ".* surplus", "what nobody knows changes nothing; what is nearly known is refused",
      ".*/(info|externalDocs|tags|summary|description)( .*|/.*)", "it is for people",
      ".*/(callbacks|links|encoding/photo/headers)( .*|/.*)", "nothing is held against it",
      ".*/responses(/\\d+)? missing", "an operation without answers is told when it is called",
      ".*/responses/4XX/\\$ref missing", "an answer may say nothing",
      ".*/parameters/0/required missing", "a variable of a path is always there",
      "/security/0/key another kind", "scopes cannot be seen in a call",
      "/servers/0/variables/region.*", "a variable without values takes any",
      "/components/securitySchemes/open/scheme .*", "what is sent as Authorization counts");

  /** What we refuse though the standard's schema takes it, and why. */
  private static final Map<String, String> STRICT = Map.of(
      "/components.* missing", "something refers to it, which that schema cannot see",
      "/servers/0/variables(/region)? missing", "the address has such a variable",
      ".*/parameters/\\w+/name missing", "the text demands it, the schema of 3.1 forgets it",
      ".*/parameters/1/content/application/json missing", "the text: it has just one entry",
      ".*/headers/Total/schema missing", "the text: it has a schema or a content",
      ".*/(schema|schemas)/.*",
          "schemas are held against their own meta-schema, which it leaves out");

  private final ReadingRules rules = new ReadingRules(
      Draft.DRAFT_2020_12,
      true,
      KnownFormats.all(),
      new KnownSources(new Resources(getClass().getClassLoader(), null), Map.of(), Set.of()),
      new MetaSchemas(),
      true,
      Side.ANY);
  private final Set<String> needed = new HashSet<>();
  private final List<String> apart = new ArrayList<>();
  private ObjectNode whole = MAKE.objectNode();
  private Schema standard = Schema.text("{}");
  private int refused;

  @Test
  void weAgreeWithThePublishedSchemas() throws IOException {
    for (String version : List.of("3.0", "3.1")) {
      String schema = Files.readString(Fetched.file("openapi/" + version + ".json"));
      // that of 3.1 says 'uri' where the text says 'URI reference'
      standard = SchemaReader.standard().assertingFormats(false).text(schema);
      whole = (ObjectNode) JsonMapping.standard()
          .parse(Files.readString(Path.of("src/test/resources/whole-description.json")));
      whole.put("openapi", version + ".1");
      assertTrue(standard.accepts(Json.of(whole)));
      assertEquals("", problem());
      change(whole, "");
    }
    assertEquals(List.of(), apart);
    assertEquals(
        List.of(),
        Stream.of(LENIENT, STRICT)
            .flatMap(list -> list.keySet().stream())
            .filter(pattern -> !needed.contains(pattern))
            .toList(),
        "what is listed and does not happen");
    assertTrue(refused > 300, refused + " refused by both");
  }

  /** The description of the demo, which says what people say. */
  @Test
  void theDescriptionOfTheBeeyardIsOne() throws IOException {
    String schema = Files.readString(Fetched.file("openapi/3.0.json"));
    standard = SchemaReader.standard().assertingFormats(false).text(schema);
    String text = Files.readString(Path.of("../demo/src/test/resources/beeyard.yaml"));
    JsonNode beeyard = DocumentText.tree("beeyard.yaml", text);
    assertEquals(List.of(), standard.differences(Location.ROOT, Json.of(beeyard)));
  }

  private void change(JsonNode node, String place) {
    if (node instanceof ObjectNode object) {
      for (String name : List.copyOf(object.propertyNames())) {
        JsonNode before = object.get(name);
        String own = place + "/" + name;
        object.remove(name);
        judge(own + " missing");
        for (JsonNode other : KINDS) {
          if (other.getNodeType() != before.getNodeType()) {
            object.set(name, other);
            judge(own + " another kind");
          }
        }
        object.set(name, before);
        change(before, own);
      }
      object.put("surplus", 1);
      judge(place + " surplus");
      object.remove("surplus");
    }
    for (int i = 0; node.isArray() && i < node.size(); i++) {
      change(node.get(i), place + "/" + i);
    }
  }

  private void judge(String what) {
    boolean takes = standard.accepts(Json.of(whole));
    String problem = problem();
    if (takes == problem.isEmpty()) {
      refused += takes ? 0 : 1;
    } else {
      Optional<String> known =
          (takes ? STRICT : LENIENT).keySet().stream().filter(what::matches).findFirst();
      known.ifPresentOrElse(
          needed::add,
          () ->
              apart.add(what + (takes ? ": only we refuse it: " + problem : ": only we take it")));
    }
  }

  /** What we say of it; empty if we can use it. */
  private String problem() {
    try {
      Document document = new Document("yard.json", "code:/yard.json", whole);
      ApiDocument.read(document, true, true, rules);
      return "";
    } catch (DescriptionProblem e) {
      return String.valueOf(e.getMessage());
    }
  }
}
