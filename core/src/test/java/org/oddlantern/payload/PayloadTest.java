package org.oddlantern.payload;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class PayloadTest {

  @Test
  void addsToAListOrSaysWhatStandsThere() {
    Payload payload = Payload.json("{\"tags\":[1],\"label\":\"x\"}");
    assertEquals(
        "{\"tags\":[1,{\"a\":2}],\"label\":\"x\"}",
        payload.adding("$.tags", Map.of("a", 2)).toString());
    assertEquals(
        "the payload cannot be changed at $.label: there is no list to add an item to; $.label is \"x\" (text)",
        assertThrows(
                IllegalArgumentException.class,
                () -> payload.adding("$.label", 1).toString())
            .getMessage());
    assertTrue(assertThrows(
            IllegalArgumentException.class, () -> payload.adding("$.tag", 1).toString())
        .getMessage()
        .contains("the path ends at $, which is an object with tags, label"));
  }

  record Hive(String label, LocalDate since, List<Integer> frames) {}

  private final Payload hive =
      Payload.of(new Hive("Foxglove", LocalDate.of(2026, 3, 1), List.of(1, 2, 3)));

  @Test
  void changesByPathAndStaysAsItWas() {
    Payload changed = hive.with("$.label", "Clover")
        .with("$.frames[-1]", Map.of("n", 3))
        .with("$.plot", null)
        .without("$.since")
        .without("$.frames[0]");
    assertEquals(
        "{\"label\":\"Clover\",\"frames\":[2,{\"n\":3}],\"plot\":null}", changed.toString());
    assertEquals(
        "{\"label\":\"Foxglove\",\"since\":\"2026-03-01\",\"frames\":[1,2,3]}", hive.toString());
    assertEquals("7", hive.with("$", 7).toString());
    assertEquals(
        "{\"in\":{\"label\":\"x\"}}",
        Payload.of(Map.of("in", Payload.json("{\"label\":\"x\"}"))).toString());
  }

  @Test
  void saysWhatIsWrongWithAChange() {
    assertEquals(
        "the payload cannot be changed at $.lable.x: there is no field 'lable'; $ is an object with label, since, frames (did you mean 'label'?)",
        problem(hive.with("$.lable.x", 1)));
    assertEquals(
        "the payload cannot be changed at $.plot: there is no field 'plot' to remove; $ is an object with label, since, frames",
        problem(hive.without("$.plot")));
    assertEquals(
        "the payload cannot be changed at $.frames[3]: there is no item 3; $.frames is a list of 3",
        problem(hive.with("$.frames[3]", 1)));
    assertEquals(
        "the payload cannot be changed at $.label.x: a field 'x' has no place there; $.label is \"Foxglove\" (text)",
        problem(hive.with("$.label.x", 1)));
    assertEquals(
        "the path $.frames[*] leads to many places; one place is wanted here",
        assertThrows(IllegalArgumentException.class, () -> hive.with("$.frames[*]", 1))
            .getMessage());
  }

  @Test
  void saysWhereAFileWasLookedForAndWhatIsWrongInIt() {
    assertEquals("{\"label\":\"Foxglove\"}", Payload.file("payloads/good.json").toString());
    assertEquals(
        "there is no file 'payloads/none.json': looked on the class path of the suites (there is no settings file whose folder could hold it). Put it beside the suites (in a Maven project: src/test/resources/payloads/none.json)",
        problem(Payload.file("payloads/none.json")));
    assertEquals(
        "the file 'payloads/bad.json' is not JSON: line 2, column 14: a comma or } is wanted after a member, not 'k'",
        problem(Payload.file("payloads/bad.json")));
  }

  @Test
  void freshTextsAreNewForEveryAskerAndTheSameAgainFromTheSeed() {
    Fresh fresh = Fresh.seeded("seed", "A#a");
    String first = fresh.text("hive-");
    assertEquals(first, Fresh.seeded("seed", "A#a").text("hive-"));
    assertEquals(15, first.length());
    assertNotEquals(first, fresh.text("hive-"));
    assertNotEquals(first, Fresh.seeded("seed", "A#b").text("hive-"));
    assertNotEquals(first, Fresh.seeded("other", "A#a").text("hive-"));
  }

  private static String problem(Payload payload) {
    return assertThrows(IllegalArgumentException.class, payload::toString).getMessage();
  }
}
