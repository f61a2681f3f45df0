package org.oddlantern.schema;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.oddlantern.check.Checks.eachItem;
import static org.oddlantern.check.Checks.fields;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Json;
import org.oddlantern.json.Location;
import org.oddlantern.json.Shape;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.Trees;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** How a violation explains itself. */
class ExplanationTest {

  private static final String FORMS = """
      { "oneOf": [
        { "title": "brood", "required": ["of", "frames"],
          "properties": { "of": { "const": "brood" }, "frames": { "type": "integer" } } },
        { "title": "stores", "required": ["of", "kilograms"],
          "properties": { "of": { "const": "stores" }, "kilograms": { "type": "number" } } },
        { "type": "null" } ] }
      """;

  @Test
  void aViolationTellsPlaceValueAndWhereTheSchemaAsks() {
    Finding finding = only(
        "{\"properties\":{\"items\":{\"items\":{\"properties\":{\"a/b\":{\"maximum\":12}}}}}}",
        "{\"items\":[{},{\"a/b\":14}]}");
    assertEquals("$.items[1]['a/b']", finding.where());
    assertEquals(
        "at most 12, says the schema#/properties/items/items/properties/a~1b/maximum",
        finding.wanted());
    assertEquals("14", finding.got());
  }

  @Test
  void everyViolationIsTold() {
    List<Finding> findings = findings(
        "{\"required\":[\"a\"],\"minProperties\":3,\"properties\":{\"b\":{\"type\":\"string\",\"enum\":[\"x\"]}}}",
        "{\"b\":1}");
    assertEquals(
        List.of("$", "$", "$.b", "$.b"),
        findings.stream().map(Finding::where).sorted().toList());
  }

  @ParameterizedTest
  @CsvSource(delimiter = '|', textBlock = """
          {"type":"integer"} | "17" | the number is in quotes
          {"type":"boolean"} | "true" | the true is in quotes
          {"type":"string"} | 17 | it is there without quotes
          {"type":"integer"} | 1.5 | it has a fraction
          {"type":"object"} | "{}" | it looks like JSON that was written into a text
          {"type":"array"} | {} | it is there by itself, not in a list
          {"type":"string"} | null | the schema allows no null here; a field that may be null has "null" among its types
          {"enum":["calm","busy"]} | "clam" | did you mean 'calm'?
          {"enum":["7","8"]} | 7 | it is there without quotes
          {"required":["queenSeen"]} | {"queenseen":1} | is 'queenseen' meant to be it?
          {"properties":{"ab":{}},"additionalProperties":false} | {"AB":1} | did you mean 'ab'?
          {"format":"date"} | "13.05.2026" | write it as 2026-05-13
          {"format":"date"} | "2026/5/13" | write it as 2026-05-13
          {"format":"date"} | "2026-02-30" | there is no such day
          {"format":"date"} | "05/13/2026" | write it as year-month-day, like 2026-05-13: with slashes it is unclear which is the day and which the month
          {"format":"date"} | "2026-05-13T08:00:00Z" | the date is there with a time; the schema wants 2026-05-13
          {"format":"date-time"} | "2026-05-13" | the time is missing, like 2026-05-13T08:30:00Z
          {"format":"date-time"} | "2026-05-13T08:30:00" | the offset from UTC is missing: Z, or one like +02:00
          {"format":"date-time"} | "2026-05-13 08:30:00Z" | a T is missing between date and time
          {"format":"date-time"} | "1778661000" | if it counts from 1970, write it as 2026-05-13T08:30:00Z
          {"format":"uri"} | "/hives/4" | it has no scheme, like https:, so it is a reference only
      """)
  void theNearestFixIsNamed(String schema, String value, String hint) {
    assertEquals(List.of(hint), only(schema, value).hints());
  }

  @Test
  void ofSeveralFormsTheOneThatComesClosestIsExplained() {
    Finding finding = only(FORMS, "{\"of\":\"stores\",\"kilograms\":\"8\"}");
    assertEquals("$.kilograms", finding.where());
    assertTrue(finding.wanted().endsWith("#/oneOf/1/properties/kilograms/type"), finding.wanted());
    assertEquals(
        "none of the 3 forms of the schema#/oneOf fits; form 2 (stores) comes closest",
        finding.hints().get(1));
    assertEquals("$.frames", only(FORMS, "{\"of\":\"brood\",\"frames\":1.5}").where());
  }

  @Test
  void twoFormsWhereOnlyOneMayFitAreNamed() {
    Finding finding =
        only("{\"oneOf\":[{\"title\":\"even\",\"multipleOf\":2},{\"multipleOf\":3}]}", "6");
    assertEquals("a value that fits 2 of them: 1 (even), 2", finding.got());
  }

  @Test
  void whatHoldsOnAConditionSaysWhy() {
    Finding finding = only(
        "{\"if\":{\"properties\":{\"kind\":{\"const\":\"straw\"}}},\"then\":{\"required\":[\"woven\"]}}",
        "{\"kind\":\"straw\"}");
    assertEquals("the field 'woven', says the schema#/then/required", finding.wanted());
    assertTrue(
        finding.hints().get(0).startsWith("asked because the value fits the 'if': {\"properties\""),
        finding.toString());
  }

  @Test
  void aListWithoutAnItemThatFitsTellsWhichCameClosest() {
    Finding finding = only(
        "{\"contains\":{\"required\":[\"a\"],\"properties\":{\"a\":{\"minimum\":5}}}}",
        "[{}, {\"a\":4}]");
    assertEquals("none in a list of 2", finding.got());
    assertTrue(finding.hints().get(0).startsWith("item "), finding.toString());
  }

  @Test
  void whatAnUnfitFormKnowsIsNotCalledUnknownToo() {
    List<Finding> findings = findings(
        "{\"anyOf\":[{\"properties\":{\"a\":{\"type\":\"integer\"}},\"required\":[\"a\"]}],\"unevaluatedProperties\":false}",
        "{\"a\":\"x\",\"z\":1}");
    assertEquals(List.of("$.a", "$.z"), findings.stream().map(Finding::where).toList());
  }

  @Test
  void manyViolationsAreCapped() {
    String many = "[" + "1,".repeat(999) + "1]";
    List<Finding> findings = findings("{\"items\":{\"type\":\"string\"}}", many);
    assertEquals(41, findings.size());
    assertEquals("960 more differences (1,000 in all)", findings.get(40).got());
  }

  @Test
  void aSchemaStandsWhereverAShapeMay() {
    Schema hive = Schema.text("{\"required\":[\"id\"]}");
    Shape page = fields().with("items", eachItem(hive)).with("first", hive.and(Map.of("id", 1)));
    assertEquals(
        List.of(),
        page.differences(
            Location.ROOT, Json.of(json("{\"items\":[{\"id\":2}],\"first\":{\"id\":1}}"))));
    assertEquals(
        "$.items[1]",
        page.differences(
                Location.ROOT, Json.of(json("{\"items\":[{\"id\":2},{}],\"first\":{\"id\":1}}")))
            .get(0)
            .where());
    Schema copy = Schema.of(hive.json());
    assertEquals("a value that fits the schema", copy.words());
  }

  @Test
  void theOutcomeAsDataIsWhatTheSpecificationShows() {
    // 2020-12 core, section 12.4.4: points of a polygon, one with a z that nobody knows, two, not
    // three
    Schema polygon = Schema.text("""
        { "$id": "https://fennelhill.example/polygon",
          "$defs": { "point": { "type": "object", "properties": { "x": { "type": "number" },
            "y": { "type": "number" } }, "additionalProperties": false, "required": ["x", "y"] } },
          "type": "array", "items": { "$ref": "#/$defs/point" }, "minItems": 3 }
        """);
    JsonNode value = json("[{\"x\":2.5,\"y\":1.3},{\"x\":1,\"z\":6.7}]");
    assertEquals(Json.parse("{\"valid\":false}"), polygon.output(OutputForm.FLAG, Json.of(value)));
    assertEquals(
        Json.parse("{\"valid\":true}"),
        polygon.output(
            OutputForm.BASIC,
            Json.of(json("[{\"x\":1,\"y\":1},{\"x\":1,\"y\":1},{\"x\":1,\"y\":1}]"))));
    JsonNode basic = Trees.of(polygon.output(OutputForm.BASIC, Json.of(value))).path("errors");
    assertEquals(
        List.of("/items/$ref/additionalProperties", "/items/$ref/required", "/minItems"),
        texts(basic, "keywordLocation"));
    assertEquals(List.of("", "/1", "/1/z"), texts(basic, "instanceLocation"));
    assertTrue(
        texts(basic, "absoluteKeywordLocation")
            .contains("https://fennelhill.example/polygon#/$defs/point/required"),
        basic.toString());
    JsonNode detailed = Trees.of(polygon.output(OutputForm.DETAILED, Json.of(value)));
    assertEquals("", detailed.path("keywordLocation").stringValue());
    JsonNode nested = detailed.path("errors").get(1);
    assertEquals("/items/$ref", nested.path("keywordLocation").stringValue());
    assertEquals("/1", nested.path("instanceLocation").stringValue());
    assertEquals(2, nested.path("errors").size());
  }

  private static List<String> texts(JsonNode units, String name) {
    return units.values().stream()
        .map(unit -> unit.path(name).stringValue())
        .sorted()
        .toList();
  }

  private static Finding only(String schema, String value) {
    List<Finding> findings = findings(schema, value);
    assertEquals(1, findings.size(), findings.toString());
    return findings.get(0);
  }

  private static List<Finding> findings(String schema, String value) {
    return Schema.of(Json.of(json(schema))).differences(Location.ROOT, Json.of(json(value)));
  }

  private static JsonNode json(String text) {
    return JsonMapping.standard().parse(text);
  }
}
