package org.oddlantern.json;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.oddlantern.json.internal.Identity;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.NearestMatch;
import org.oddlantern.json.internal.Words;
import org.oddlantern.json.internal.path.TreePath;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.MissingNode;

/** How values and items are told. */
class WordsTest {

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '`',
      value = {
        "1e2 | 100",
        "1.50 | 1.50",
        "1e300000 | 1E+300000",
        "`\"a\\u00a0b\"` | `\"a\\u00a0b\"`",
        "`\"\\u0935\\u093f\"` | `\"\u0935\u093f\"`",
        "`\"tab\\there\"` | `\"tab\\there\"`",
        "`{\"a\": [1, {\"b\": null}]}` | `{\"a\":[1,{\"b\":null}]}`",
        "[] | []",
      })
  void tellAValueAsJsonThatCanBeSeen(String json, String words) {
    assertEquals(words, Words.of(JsonMapping.standard().parse(json)));
  }

  @Test
  void cutLongValuesAndSayWhatTheyWere() {
    assertEquals("nothing", Words.of(MissingNode.getInstance()));
    String list = "[" + "1,".repeat(5_000) + "1]";
    assertEquals(
        "[" + "1,".repeat(99) + "1... (a list of 5001)",
        Words.of(JsonMapping.standard().parse(list)));
    String object = "{\"" + "x".repeat(5_000) + "\":1}";
    assertTrue(Words.of(JsonMapping.standard().parse(object)).length() < 120);
    String text = "\"" + "\ud83d\udc1d".repeat(300) + "\"";
    String cut = Words.of(JsonMapping.standard().parse(text));
    assertTrue(cut.endsWith("... (602 characters in all)"), cut);
    assertEquals(-1, cut.indexOf('?'));
  }

  @Test
  void areCutAtTheirLimitsAndNotBefore() {
    assertEquals("\"" + "x".repeat(199) + "\"", Words.quoted("x".repeat(199)));
    assertEquals(
        "\"" + "x".repeat(199) + "... (202 characters in all)", Words.quoted("x".repeat(200)));
    for (String visible : List.of(" ", "~", "\u00fc", "\u00a1", "\ud83d\udc1d")) {
      assertEquals("\"" + visible + "\"", Words.quoted(visible));
    }
    for (String hidden : List.of("\u007f", "\u00a0", "\u00ad", "\ue000", "\u2028")) {
      assertEquals(String.format("\"\\u%04x\"", (int) hidden.charAt(0)), Words.quoted(hidden));
    }
    assertEquals("\"\\\"\\\\\"", Words.quoted("\"\\"));
    List<String> names = IntStream.rangeClosed(1, 13).mapToObj(i -> "n" + i).toList();
    assertEquals(String.join(", ", names.subList(0, 12)), Words.names(names.subList(0, 12)));
    assertEquals(String.join(", ", names.subList(0, 12)) + " and 1 more", Words.names(names));
    assertEquals("a".repeat(200), Words.cut("a".repeat(200)));
    assertEquals("a".repeat(200) + "... (201 characters in all)", Words.cut("a".repeat(201)));
    assertEquals(
        "a".repeat(199) + "... (202 characters in all)",
        Words.cut("a".repeat(199) + "\ud83d\udc1da"));
    assertTrue(Words.of(JsonMapping.standard().parse("1e-200")).startsWith("0.000"));
    assertEquals("1E-201", Words.of(JsonMapping.standard().parse("1e-201")));
  }

  @ParameterizedTest
  @CsvSource(delimiter = '|', textBlock = """
          ab           | ba                     | ba
          a            | b                      | b
          a            | bc                     | -
          abcdef       | abcdxy                 | abcdxy
          abcdef       | abcxyz                 | -
          abcdef       | abcdefgh               | abcdefgh
          abcdef       | abcdefghi              | -
          abcdef       | cdef                   | cdef
          abcdef       | def                    | -
          abcdef       | badcef                 | badcef
          abcdef       | badcfe                 | -
          hive_name    | hiveName               | hiveName
          hive-name    | hivename               | hivename
          hivename     | hive_nmae              | hive_nmae
          label        | lable labels           | lable
          labels       | labxxs labxls labelx   | labxls
          label        | swarm queen            | -
          """)
  void aNameIsNearIfAThirdOfItsLettersOrOneIsWrong(String name, String known, String nearest) {
    assertEquals(
        nearest.equals("-") ? "" : "did you mean '" + nearest + "'?",
        NearestMatch.hint(name, List.of(known.split(" "))));
  }

  @Test
  void aNameIsNotComparedWithoutEnd() {
    assertEquals("", NearestMatch.hint("x".repeat(101), List.of("x".repeat(100))));
    assertEquals(
        "x".repeat(99),
        NearestMatch.among("x".repeat(100), List.of("x".repeat(99))).orElse(""));
    List<String> many = new ArrayList<>(Collections.nCopies(9_999, "swarm"));
    many.add("label");
    assertEquals("label", NearestMatch.among("lable", many).orElse(""));
    many.add(0, "swarm");
    assertEquals("", NearestMatch.among("lable", many).orElse(""));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '`',
      value = {
        "{\"name\":\"Foxglove\",\"id\":7} | id 7",
        "{\"label\":\"Old Straw\",\"x\":1} | label \"Old Straw\"",
        "{\"hiveId\":4,\"mood\":\"calm\"} | hiveId 4",
        "{\"id\":null,\"code\":\"B-17\"} | code B-17",
        "{\"id\":{\"n\":1},\"mood\":\"calm\"} | ``",
        "{\"mood\":\"calm\"} | ``",
        "[1] | ``",
      })
  void knowItemsByTheirIdOrAFieldLikeIt(String item, String identity) {
    assertEquals(identity, Identity.of(JsonMapping.standard().parse(item)));
  }

  @Test
  void knowWhatStandsAroundAPlace() {
    JsonNode root = JsonMapping.standard()
        .parse("{\"hives\":[{\"id\":1,\"frames\":[{\"side\":\"a\"},{\"side\":\"b\"}]}]}");
    Location place = TreePath.of("$.hives[0].frames[1].side").findOne(root).where();
    assertEquals("id 1", Identity.around(root, place));
    assertEquals("", Identity.around(root, Location.ROOT));
    assertEquals(
        "frames[0].side a", Identity.of(root.at("/hives/0"), TreePath.of("$.frames[0].side")));
  }

  @Test
  void gatheredPlacesAreWhereTheirItemsWereFound() {
    Location first = Location.ROOT.child("hives").child(0).child("id").knownAs("id 1");
    Location gathered = Location.gathered("$.hives[*].id", List.of(first));
    assertEquals("$.hives[*].id", gathered.toString());
    assertEquals("$.hives[0].id", gathered.child(0).toString());
    assertEquals("id 1", gathered.child(0).child("x").item());
    assertEquals("$.hives[*].id[1]", gathered.child(1).toString());
  }

  @Test
  void aFindingIsToldInLinesAndNeverBlank() {
    Finding finding = Finding.of(Location.ROOT.child(3).knownAs("id 9"), "4", "5\nand 6")
        .hint("")
        .hint("why");
    assertEquals(
        List.of("at      $[3] of id 9", "wanted  4", "got     5", "        and 6", "hint    why"),
        finding.lines());
    assertThrows(IllegalArgumentException.class, () -> Finding.of("$", " ", "x"));
  }
}
