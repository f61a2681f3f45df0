package org.oddlantern.json;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotSame;
import static org.junit.jupiter.api.Assertions.assertSame;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.oddlantern.internal.CurrentCase;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.path.DeadEnd;
import org.oddlantern.json.internal.path.KnownPaths;
import org.oddlantern.json.internal.path.TreePath;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

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
        TreePath.of(path).find(DOCUMENT).stream()
            .map(one -> one.value().toString())
            .toList());
    assertEquals(wanted, found);
  }

  @Test
  void tellsPlacesAsNormalizedPaths() {
    var found = TreePath.of("$['a b']['\\''].*").find(DOCUMENT).get(0);
    assertEquals("$['a b']['\\'']['\\\\']", found.where().normalized());
    assertEquals(
        "$.hives[2]", TreePath.of("$.hives[-1]").find(DOCUMENT).get(0).where().toString());
    assertEquals(
        "$['hives'][2]",
        TreePath.of("$.hives[-1]").find(DOCUMENT).get(0).where().normalized());
  }

  @Test
  void knowsFromItsWritingWhetherItLeadsToOnePlace() {
    assertTrue(TreePath.of("$.hives[0]['id']").isSingular());
    assertTrue(!TreePath.of("$.hives[*]").isSingular());
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
    assertThrows(BadPath.class, () -> TreePath.of(path));
  }

  @Test
  void showsWhereReadingAPathStopped() {
    String message =
        assertThrows(BadPath.class, () -> TreePath.of("$.hives[01].id")).getMessage();
    assertEquals("""
        the path cannot be read: wanted a whole number without leading zeros at character 9
          $.hives[01].id
                  ^""", message);
  }

  @Test
  void saysHowFarADeadPathLeadsAndWhatIsNear() {
    DeadEnd end = TreePath.of("$.hives[0].lable").end(DOCUMENT);
    assertEquals("the path ends at $.hives[0], which is an object with id, label", end.stopped());
    assertEquals("did you mean 'label'?", end.hint());
    assertEquals(
        "the path ends at $.hives, which is a list of 3",
        TreePath.of("$.hives[7].id").end(DOCUMENT).stopped());
    assertEquals(
        "the path ends at $.count, which is 3 (number)",
        TreePath.of("$.count.x").end(DOCUMENT).stopped());
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '`',
      value = {
        "$.hives[*].lable | none of 3 places has .lable; the first, $.hives[0], is an object with id, label | did you mean 'label'?",
        "$.hives[?@.id > 7].label | the path ends at $.hives, which is a list of 3, and nothing in it meets [?@.id > 7] | the first in it is {\"id\":1,\"label\":\"Foxglove\"}",
        "$.label | the path ends at $, which is an object with hives, a b, , ☃, count | there is 'label' at $.hives[0].label",
        "$.hives.label | the path ends at $.hives, which is a list of 3 | there is 'label' at $.hives[0].label",
        "$[0] | the path ends at $, which is an object with hives, a b, , ☃, count | an index looks into lists only; a field wants its name",
        "$.hives[1:1] | the path ends at $.hives, which is a list of 3 | ``",
        "$..queen | the path ends at $, which is an object with hives, a b, , ☃, count | ``",
        "$.hives[1].label.x | the path ends at $.hives[1].label, which is null | ``",
      })
  void saysOfEveryDeadPathWhereItEndsAndWhatMayHaveBeenMeant(
      String path, String stopped, String hint) {
    assertEquals(new DeadEnd(stopped, hint), TreePath.of(path).end(DOCUMENT));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '`',
      value = {
        "$.hives[?@.id = 1] | '==' to compare two values | 15",
        "$[?'a'] | a comparison, since a value alone is no condition, | 7",
        "$[?@.*  == 1] | a path that leads to one place, since several values cannot be compared, | 4",
        "$[?length(@)] | a comparison with what this function gives, since it is no condition, | 4",
        "$[?!@.a == 1] | '(' after '!': a comparison is negated as !(...), here | 5",
        "$[?match(@, 'a') == true] | a value to compare; match and search are conditions by themselves, | 4",
        "$[?count(1) > 1] | a path, which is what count takes, | 10",
        "$[?size(@) > 1] | one of the functions length, count, match, search and value | 4",
        "$[?@.a == x] | true, false, null, a quoted text, a number, '@' or '$' | 11",
        "$[?(@.a] | `')', '&&' or '||'` | 8",
        "$.a.. | a name, '*' or '[' | 6",
        "$[1:2:3:4] | ',' or ']' | 8",
        "$[9007199254740992] | a number between -(2^53)+1 and (2^53)-1 | 3",
        "$a | '.', '[' or the end of the path | 2",
      })
  void saysWhatIsWantedWhereReadingStops(String path, String wanted, int at) {
    String message = assertThrows(BadPath.class, () -> TreePath.of(path)).getMessage();
    assertEquals(
        "the path cannot be read: wanted " + wanted + " at character " + at + "\n  " + path + "\n  "
            + " ".repeat(at - 1) + "^",
        message);
  }

  @Test
  void showsOfAVeryLongPathWhatIsAroundTheCaret() {
    String path = "$" + ".hives".repeat(100) + "[01]" + ".hives".repeat(100);
    String[] lines =
        assertThrows(BadPath.class, () -> TreePath.of(path)).getMessage().split("\n", -1);
    assertEquals("[01]", lines[1].substring(lines[2].length() - 2, lines[2].length() + 2));
    assertTrue(lines[1].length() < 180, lines[1]);
  }

  @Test
  void readsEachPathOnceWhereTheKnownOnesAreKept() {
    KnownPaths known = new KnownPaths();
    assertSame(known.query("$.hives[*]"), known.query("$.hives[*]"));
    assertNotSame(known.query("$.hives[*]"), known.query("$.hives[0]"));
    JsonNode tree = JsonMapping.standard().parse("{\"hives\": [7]}");
    try (CurrentCase.Binding run = CurrentCase.adding(known)) {
      assertEquals("7", found("$.hives[*]", tree));
    }
  }

  @Test
  void comparesNumbersExactlyAndTextsByCodePoints() {
    JsonNode numbers = JsonMapping.standard()
        .parse("[9007199254740993, 9007199254740992, 1e2, 100, \"\\ufffd\", \"\\ud83d\\udc1d\"]");
    assertEquals("9007199254740993", found("$[?@ > 9007199254740992]", numbers));
    assertEquals("1e2 100", found("$[?@ == 100.0]", numbers).replace("1E+2", "1e2"));
    assertEquals("\"\ud83d\udc1d\"", found("$[?@ > '\\ufffd']", numbers));
  }

  private static String found(String path, JsonNode root) {
    return String.join(
        " ", TreePath.of(path).values(root).stream().map(JsonNode::toString).toList());
  }
}
