package org.oddlantern.schema;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTimeoutPreemptively;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Duration;
import java.util.List;
import java.util.function.Supplier;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Json;
import org.oddlantern.json.Location;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.StringNode;

/** Schemas and values that would hang, exhaust or crash a checker that trusts them. */
class HostileSchemaTest {

  @Test
  void aPatternThatExplodesIsGivenUp() {
    JsonNode text = StringNode.valueOf("a".repeat(50_000) + "!");
    for (String pattern : List.of("(a+)+$", "(a|aa)+$", "(.*a){20}$", "^(a|b|ab)*c")) {
      Schema schema = Schema.text("{\"not\":{\"pattern\":\"" + pattern + "\"}}");
      List<Finding> findings = soon(() -> schema.differences(Location.ROOT, Json.of(text)));
      assertEquals("undecided", findings.get(0).got(), pattern);
      assertTrue(
          findings.get(0).hints().get(0).contains("was given up on a text of 50,001 characters"),
          findings.toString());
      assertFalse(
          soon(() -> schema.accepts(Json.of(text))),
          "undecided must not pass, not even inside 'not'");
      assertFalse(schema
          .output(OutputForm.DETAILED, Json.of(text))
          .at("$.valid")
          .orElseThrow()
          .as(boolean.class));
    }
  }

  @Test
  void aLongTextIsNoReasonToGiveUp() {
    JsonNode text = StringNode.valueOf("ab".repeat(500_000));
    assertTrue(soon(() -> Schema.text("{\"pattern\":\"^[a-c]+$\"}").accepts(Json.of(text))));
    assertFalse(soon(() -> Schema.text("{\"pattern\":\"^[a-c]+d\"}").accepts(Json.of(text))));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '`',
      value = {
        "{'$ref':'#'} | # -> ",
        "{'allOf':[{'$ref':'#'}]} | # -> ",
        "{'anyOf':[{'type':'string'},{'$ref':'#'}]} | # -> ",
        "{'properties':{'a':{'not':{'$ref':'#/properties/a'}}}} | #/properties/a -> ",
        "{'$ref':'#/$defs/a','$defs':{'a':{'if':{'$ref':'#/$defs/b'}},'b':{'$ref':'#/$defs/a'}}}"
            + " | #/$defs/a -> "
      })
  void aSchemaThatRefersToItselfWithoutEndIsRefused(String schema, String round) {
    SchemaProblem problem =
        assertThrows(SchemaProblem.class, () -> Schema.text(schema.replace('\'', '"')));
    assertTrue(
        problem.getMessage().contains("it refers to itself without end: ")
            && problem.getMessage().contains(round),
        problem.getMessage());
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "{'properties':{'a':{'$ref':'#'}},'items':{'$ref':'#'}}",
        "{'$defs':{'a':{'allOf':[{'$ref':'#/$defs/b'},{'$ref':'#/$defs/b'}]},'b':{}},'$ref':'#/$defs/a'}",
        "{'$defs':{'unused':{'$ref':'#/$defs/unused'}}}"
      })
  void aSchemaThatGoesIntoTheValueIsRead(String schema) {
    assertTrue(Schema.text(schema.replace('\'', '"')).accepts(Json.of(json("{\"a\":[{}]}"))));
  }

  @Test
  void aDynamicReferenceThatNeverEndsIsUndecided() {
    Schema endless = Schema.text("{\"$dynamicAnchor\":\"a\",\"not\":{\"$dynamicRef\":\"#a\"}}");
    List<Finding> findings = soon(() -> endless.differences(Location.ROOT, Json.of(json("1"))));
    assertEquals("undecided", findings.get(0).got());
    assertTrue(findings.get(0).hints().get(0).contains("without coming to an end"));
  }

  @Test
  void whatIsNestedAsDeepAsJsonIsReadIsJudged() {
    String deep = "{\"next\":".repeat(999) + "7" + "}".repeat(999);
    Schema chain = Schema.text(
        "{\"$ref\":\"#/$defs/link\",\"$defs\":{\"link\":{\"anyOf\":[{\"type\":\"integer\"},{\"allOf\":[{\"type\":\"object\",\"properties\":{\"next\":{\"$ref\":\"#/$defs/link\"}},\"required\":[\"next\"]}]}]}}}");
    assertTrue(soon(() -> chain.accepts(Json.of(json(deep)))));
    assertFalse(soon(() -> chain.accepts(Json.of(json(deep.replace("7", "\"7\""))))));
    assertFalse(soon(() ->
            chain.differences(Location.ROOT, Json.of(json(deep.replace("7", "\"7\"")))))
        .isEmpty());
  }

  @Test
  void subschemasThatMultiplyAreGivenUp() {
    StringBuilder schema = new StringBuilder("{\"$defs\":{\"s0\":{\"type\":\"integer\"}");
    for (int i = 1; i < 60; i++) {
      String before = "{\"$ref\":\"#/$defs/s" + (i - 1) + "\"}";
      schema.append(",\"s").append(i).append("\":{\"allOf\":[" + before + "," + before + "]}");
    }
    Schema multiplied = Schema.text(schema + "},\"$ref\":\"#/$defs/s59\"}");
    List<Finding> findings = soon(() -> multiplied.differences(Location.ROOT, Json.of(json("1"))));
    assertTrue(findings.get(0).hints().get(0).contains("multiply"), findings.toString());
  }

  @Test
  void hugeNumbersCostNoMoreThanSmallOnes() {
    Schema schema = Schema.text("{\"multipleOf\":3e-9,\"minimum\":-1e999999,\"type\":\"integer\"}");
    assertTrue(soon(() -> schema.accepts(Json.of(json("3e999999")))));
    assertFalse(soon(() -> schema.accepts(Json.of(json("1e999999")))));
    assertTrue(soon(() -> Schema.text("{\"uniqueItems\":true,\"maxLength\":1e999999}")
        .accepts(Json.of(json("[1e999999, 1e999998]")))));
  }

  @Test
  void aThousandItemsThatMustDifferAreComparedOnce() {
    StringBuilder list = new StringBuilder("[0");
    for (int i = 1; i < 100_000; i++) {
      list.append(",{\"n\":").append(i).append('}');
    }
    Schema unique = Schema.text("{\"uniqueItems\":true}");
    assertTrue(soon(() -> unique.accepts(Json.of(json(list + "]")))));
    assertFalse(soon(() -> unique.accepts(Json.of(json(list + ",{\"n\":4711}]")))));
  }

  @Test
  void aliasesThatMultiplyAreRefused() {
    StringBuilder yaml = new StringBuilder("a0: &a0 [x]\n");
    for (int i = 1; i < 40; i++) {
      yaml.append("a%d: &a%d [*a%d, *a%d]%n".formatted(i, i, i - 1, i - 1));
    }
    assertThrows(SchemaProblem.class, () -> soon(() -> Schema.text(yaml.toString())));
  }

  private static <T> T soon(Supplier<T> work) {
    return assertTimeoutPreemptively(Duration.ofSeconds(60), work::get);
  }

  private static JsonNode json(String text) {
    return JsonMapping.standard().parse(text);
  }
}
