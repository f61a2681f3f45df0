package org.oddlantern.json;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/** Facts from RFC 9535, sections 2.2, 2.3 and 2.7. */
class JsonPathTest {

  private static final JsonNode DOCUMENT = JsonMapping.standard().parse("""
              {"hives": [{"id": 1, "label": "Foxglove"}, {"id": 2, "label": null}, {"id": 3}],
               "a b": {"'": {"\\\\": 7}}, "": 8, "\\u2603": 9, "count": 3}
              """);

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '`',
      value = {
        "$.hives[0].label | \"Foxglove\"",
        "$['hives'][-1]['id'] | 3",
        "$ [ 'hives' ] [ 1 ] .id | 2",
        "$.hives[*].id | 1 2 3",
        "$.hives[*].label | \"Foxglove\" null",
        "$['a b']['\\''][\"\\\\\"] | 7",
        "$[''] | 8",
        "$.☃ | 9",
        "$[\"\\u2603\"] | 9",
        "$.hives[3] | ``",
        "$.hives[-4] | ``",
        "$.count[0] | ``",
        "$.count.* | ``",
        "$['0'] | ``",
        "$.hives[1].label | null",
      })
  void findsWhatThePathSelects(String path, String wanted) {
    String found = String.join(
        " ",
        JsonPath.of(path).find(DOCUMENT).stream()
            .map(one -> one.value().toString())
            .toList());
    assertEquals(wanted, found);
  }

  @Test
  void tellsPlacesAsNormalizedPaths() {
    var found = JsonPath.of("$['a b']['\\''].*").find(DOCUMENT).get(0);
    assertEquals("$['a b']['\\'']['\\\\']", found.where().normalized());
    assertEquals(
        "$.hives[2]", JsonPath.of("$.hives[-1]").find(DOCUMENT).get(0).where().toString());
    assertEquals(
        "$['hives'][2]",
        JsonPath.of("$.hives[-1]").find(DOCUMENT).get(0).where().normalized());
  }

  @Test
  void knowsFromItsWritingWhetherItLeadsToOnePlace() {
    assertTrue(JsonPath.of("$.hives[0]['id']").isSingular());
    assertTrue(!JsonPath.of("$.hives[*]").isSingular());
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "",
        "hives",
        " $",
        "$ ",
        "$.",
        "$.1a",
        "$.a-b",
        "$[",
        "$[]",
        "$['a",
        "$[01]",
        "$[-0]",
        "$['a\\x']",
        "$[1.5]",
        "$['\\ud83d']",
        "$[99999999999999999999]",
        "$.hives[0",
        "$['a' 'b']",
        "$.'a'"
      })
  void refusesWhatIsNoPath(String path) {
    assertThrows(BadPath.class, () -> JsonPath.of(path));
  }

  @Test
  void showsWhereReadingAPathStopped() {
    String message =
        assertThrows(BadPath.class, () -> JsonPath.of("$.hives[01].id")).getMessage();
    assertEquals("""
        the path cannot be read: wanted a whole number without leading zeros at character 9
          $.hives[01].id
                  ^""", message);
  }

  @Test
  void saysHowFarADeadPathLeadsAndWhatIsNear() {
    JsonPath.Dead end = JsonPath.of("$.hives[0].lable").end(DOCUMENT);
    assertEquals("the path ends at $.hives[0], which is an object with id, label", end.stopped());
    assertEquals("did you mean 'label'?", end.hint());
    assertEquals(
        "the path ends at $.hives, which is a list of 3",
        JsonPath.of("$.hives[7].id").end(DOCUMENT).stopped());
    assertEquals(
        "the path ends at $.count, which is 3 (number)",
        JsonPath.of("$.count.x").end(DOCUMENT).stopped());
  }
}
