package org.oddlantern.json;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.oddlantern.check.Checks.*;

import java.time.Duration;
import java.util.List;
import java.util.function.Supplier;
import org.junit.jupiter.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.oddlantern.json.internal.ComparisonMode;
import org.oddlantern.json.internal.FoundNode;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.path.TreePath;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.ArrayNode;
import org.oddlantern.shaded.tools.jackson.databind.node.JsonNodeFactory;
import org.oddlantern.shaded.tools.jackson.databind.node.ObjectNode;

/** Documents and paths made to exhaust whoever reads them end in a result or a clear refusal. */
class HostileDocumentTest {

  private static final JsonNodeFactory NODES = JsonNodeFactory.instance;

  @Test
  void nestingIsFollowedByPathsAndRefusedElsewhere() {
    JsonNode deep = NODES.numberNode(1);
    for (int i = 0; i < 100_000; i++) {
      deep = i % 2 == 0 ? NODES.arrayNode().add(deep) : NODES.objectNode().set("a", deep);
    }
    JsonNode tree = deep;
    assertEquals(100_000, inTime(() -> TreePath.of("$..*").find(tree)).size());
    List<FoundNode> numbers = inTime(() -> TreePath.of("$..[?@ == 1]").find(tree));
    assertTrue(numbers.get(0).where().normalized().length() > 300_000);
    assertTrue(assertThrows(IllegalArgumentException.class, () -> exactly(tree))
        .getMessage()
        .startsWith("the tree is nested deeper than 1000 levels"));
    JsonNode allowed = JsonMapping.standard().parse("[".repeat(999) + "1" + "]".repeat(999));
    JsonNode other = JsonMapping.standard().parse("[".repeat(999) + "2" + "]".repeat(999));
    assertEquals(
        1,
        inTime(() -> ComparisonMode.EXACTLY.differences(Location.ROOT, allowed, other))
            .size());
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "$..*..*..*..*..*",
        "$..[?count($..*) > count(@..*)]",
        "$[1][*,*,*,*,*,*,*,*][*,*,*,*,*,*,*,*][*,*,*,*,*,*,*,*][*,*,*,*,*,*,*,*]",
      })
  void aPathThatNeverEndsIsGivenUp(String path) {
    StringBuilder text = new StringBuilder("1");
    for (int i = 0; i < 4; i++) {
      text = new StringBuilder("[" + (text + ",").repeat(9) + text + "]");
    }
    String wide = text.toString();
    String deep = "[1,".repeat(300) + "1" + "]".repeat(300);
    JsonNode tree = JsonMapping.standard().parse("[" + deep + "," + wide + "]");
    String message = assertThrows(
            CostlyPath.class, () -> inTime(() -> TreePath.of(path).find(tree)))
        .getMessage();
    assertTrue(
        message.startsWith("the path " + path + " was given up after looking at 50,000,000"));
  }

  @Test
  void expressionsThatMakeOthersTryForYearsEndAtOnce() {
    ArrayNode texts = NODES.arrayNode().add("a".repeat(20_000)).add("a".repeat(20_000) + "b");
    assertEquals(
        1, inTime(() -> TreePath.of("$[?match(@, '(a*)*b')]").find(texts)).size());
    assertEquals(
        1, inTime(() -> TreePath.of("$[?search(@, '(a|aa)+b')]").find(texts)).size());
    assertTrue(assertThrows(
            IllegalArgumentException.class,
            () -> TreePath.of("$[?match(@, '((a{1000}){1000}){1000}')]").find(texts))
        .getMessage()
        .contains("grows beyond 50000 steps"));
  }

  @ParameterizedTest
  @ValueSource(strings = {"(", "!(", "@[?", "length(", "$.a["})
  void pathsNestedWithoutEndAreRefused(String piece) {
    String path = "$[?" + piece.repeat(100_000) + "1";
    assertTrue(assertThrows(BadPath.class, () -> TreePath.of(path)).getMessage().length() < 600);
  }

  @Test
  void aVeryLongPathIsFollowed() {
    assertEquals(
        List.of(), inTime(() -> TreePath.of("$" + "[0]".repeat(100_000)).find(NODES.arrayNode())));
  }

  @Test
  void hundredsOfThousandsOfBadItemsAreToldInAFewLines() {
    ArrayNode list = NODES.arrayNode();
    for (int i = 0; i < 300_000; i++) {
      list.add(i % 2);
    }
    List<Finding> findings =
        inTime(() -> eachItem(anyText()).differences(Location.ROOT, Json.of(list)));
    assertEquals(1, findings.size());
    assertTrue(findings.get(0).got().startsWith("300,000 of 300,000 items are not:\n"));
    assertTrue(findings.get(0).got().length() < 500);
  }

  @Test
  void aListWithoutAnythingInCommonIsComparedInTime() {
    ArrayNode wanted = NODES.arrayNode();
    ArrayNode got = NODES.arrayNode();
    for (int i = 0; i < 60_000; i++) {
      wanted.add(hive(i, "a"));
      got.add(hive(999_999 - i, "b"));
    }
    assertEquals(
        41,
        inTime(() -> ComparisonMode.EXACTLY.differences(Location.ROOT, wanted, got))
            .size());
    assertEquals(
        41,
        inTime(() -> ComparisonMode.INCLUDING.differences(Location.ROOT, wanted, got))
            .size());
  }

  @Test
  void longTextsAreComparedInTimeAndShownInPart() {
    String text = "bees ".repeat(200_000);
    JsonNode wanted = NODES.stringNode(text + "x" + text);
    JsonNode got = NODES.stringNode(text + "y" + text);
    Finding finding = inTime(() -> ComparisonMode.EXACTLY.differences(Location.ROOT, wanted, got))
        .get(0);
    assertEquals(
        "they differ from character 1000001 on: wanted \"xbees\", got \"ybees\"",
        finding.hints().get(0));
    assertTrue(finding.got().length() < 300);
  }

  private static ObjectNode hive(int id, String label) {
    return NODES.objectNode().put("id", id).put("label", label + id);
  }

  /** Far more than it takes, and far less than a hang. */
  private static <T> T inTime(Supplier<T> work) {
    return Assertions.assertTimeoutPreemptively(Duration.ofSeconds(60), work::get);
  }
}
