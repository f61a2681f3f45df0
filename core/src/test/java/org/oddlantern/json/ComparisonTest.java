package org.oddlantern.json;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.oddlantern.json.internal.ComparisonMode;
import org.oddlantern.json.internal.JsonMapping;

class ComparisonTest {

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '`',
      value = {
        "1 | 1.0",
        "100 | 1e2",
        "0 | -0.0",
        "0.1234567890123456789012345 | 0.12345678901234567890123450",
        "12345678901234567890 | 12345678901234567890.0",
        "{\"a\":1,\"b\":[null]} | {\"b\":[null],\"a\":1}",
        "\"\\u00e9\" | \"é\"",
      })
  void takesForEqualWhatIsEqualOnTheWire(String wanted, String got) {
    assertEquals("", told(ComparisonMode.EXACTLY, wanted, got));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '`',
      value = {
        "0.1234567890123456789012345 | 0.1234567890123456789012346 | $: 0.1234567890123456789012345 / 0.1234567890123456789012346 (0.0000000000000000000000001 too much)",
        "4 | \"4\" | $: 4 (number) / \"4\" (text) (the same value, but sent as another kind)",
        "{\"a\":null} | {} | $.a: null / nothing: the field is missing from an object without fields",
        "{\"label\":1} | {\"lable\":1} | $.label: 1 / nothing: the field is missing from an object with lable (did you mean 'lable'?); $.lable: no such field / 1 (did you mean 'label'?)",
        "[1,2] | [1] | $: a list of 2 / a list of 1; $[1]: 2 / nothing: the item is missing, the list ends before",
        "[1] | [2,3] | $: a list of 1 / a list of 2; $[0]: 1 / nothing: the item is missing from the list; $[0]: no such item / 2; $[1]: no such item / 3",
        "\"Fox\" | \"fox\" | $: \"Fox\" / \"fox\" (only upper and lower case differ)",
        "\"a b\" | \"a  b \" | $: \"a b\" / \"a  b \" (only white space differs: at character 3 there is U+0020 SPACE too many)",
        "{\"a\":{}} | {\"a\":[]} | $.a: {} (object) / [] (list of 0)",
        "true | false | $: true / false",
      })
  void tellsPlaceWantedGotAndTheKindOfDifference(String wanted, String got, String told) {
    assertEquals(told, told(ComparisonMode.EXACTLY, wanted, got));
  }

  @Test
  void includingWantsAtLeastTheFieldsAtEveryDepthButListsOfTheSameLength() {
    String got = "{\"a\":{\"b\":1,\"more\":2},\"l\":[{\"c\":3,\"more\":4}],\"more\":5}";
    assertEquals("", told(ComparisonMode.INCLUDING, "{\"a\":{\"b\":1},\"l\":[{\"c\":3}]}", got));
    assertEquals(
        "$.l: a list of 0 / a list of 1; $.l[0]: no such item / {\"c\":3,\"more\":4}",
        told(ComparisonMode.INCLUDING, "{\"l\":[]}", got));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '`',
      value = {
        "Foxglove | Foxgl\u043eve | at character 6 wanted 'o' (U+006F LATIN SMALL LETTER O), got '\u043e' (U+043E CYRILLIC SMALL LETTER O), which may look alike",
        "north slope | north\u00a0slope | only white space differs: at character 6 wanted U+0020 SPACE, got U+00A0 NO-BREAK SPACE",
        "Foxglove | `Foxglove  ` | only white space differs: there is 2 times U+0020 SPACE at the end",
        "F\u00f6hre | Fo\u0308hre | the same text in another Unicode normal form (NFC is wanted, NFD came): letter and mark apart, or together",
        "F\u00f6hre | F\u00c3\u00b6hre | it is the text wanted, its UTF-8 read as ISO-8859-1",
        "Wren & Alder | Wren &amp; Alder | it is the text wanted, escaped for HTML",
        "the whole text | the whole | it is cut off after character 9; 14 characters are wanted",
        "calm | \"calm\" | it is the text wanted, in quotes of its own",
        "12.50 | 12.5 | the same number, written in another way",
        "2026-03-12 | 2026-03-11 | 1 day earlier; a time zone may have shifted it",
        "2026-03-01T06:00:00Z | 2026-03-01T08:00:00Z | 2 hours later; a time zone may have been mistaken",
        "2026-03-01T06:00:00Z | 2026-03-01T07:00:00+01:00 | the same moment, written in another way; near(moment, Duration.ZERO) compares moments",
        "2026-03-01T06:00:00Z | 2026-03-02T08:00:00Z | 1 day 2 hours later; a time zone may have been mistaken",
        "2026-03-01T06:00:00Z | 2026-03-02T08:15:00Z | 1 day 2 hours 15 minutes later",
        "2026-03-01T06:00:00Z | 2026-03-01T05:45:00Z | 15 minutes earlier; a time zone may have been mistaken",
        "2026-03-01T06:00:00Z | 2026-03-01T06:00:00.000000001Z | 1 nanosecond later",
        "2026-03-01T06:00:00Z | 2026-03-01T06:00:02.5Z | 2 seconds 500000000 nanoseconds later",
        "2026-03-01T06:00:00Z | 2026-03-02T06:00:00.5Z | 1 day later",
        "06:00 | 07:00 | 1 hour later; summer time may have been mistaken",
        "2026-03-12 | 2026-03-10 | 2 days earlier",
        "abcdefghij klmnopqrs | abcdefghij klxnopqrs | ``",
        "abcdefghij klmnopqrst | abcdefghij klxnopqrst | they differ from character 14 on: wanted \"klmnopqrst\", got \"klxnopqrst\"",
        "abc-defghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ0 | abc-defghijklmnopqrstuvwxyzABCDEFGHIJKLM!OPQRSTUVWXYZ0 | they differ from character 41 on: wanted \"tuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ0\", got \"tuvwxyzABCDEFGHIJKLM!OPQRSTUVWXYZ0\"",
        "2026-03-01T06:00:00 | 2026-03-03T06:00:01 | 2 days 1 second later",
        "the bees of the north slope are calm | the bees of the north slope swarm | they differ from character 29 on: wanted \"are calm\", got \"swarm\" (36 characters wanted, 33 received)",
        "clover, thyme and heather in bloom | clover, rhyme and heather in bloom | they differ from character 9 on: wanted \"thyme\", got \"rhyme\"",
      })
  void namesHowTwoTextsDiffer(String wanted, String got, String hint) {
    assertEquals(hint, hint(wanted, got));
  }

  @ParameterizedTest
  @CsvSource({
    "-4.5, 4.5, only the sign differs",
    "9007199254740993, 9007199254740992, precision lost: it is what a double makes of the number wanted",
    "1234.567890123456789, 1234.567890123456789012, ''",
    "1234.567890123456789, 1234.567890123457, precision lost: it is what a double makes of the number wanted",
    "12.5, 1250, it is 100 times the number wanted",
    "12.5, 12, the fraction is cut off",
    "1e400, 1, ''",
    "7, 7e9, it is 1000000000 times the number wanted",
    "7, 7e10, ''",
    "7e9, 7, the number wanted is 1000000000 times it",
    "0, 10, ''",
    "0, -0.5, ''",
    "1000000000, 1000003600, as moments they are an hour apart: summer time may have been mistaken",
    "999999999, 1000003599, ''",
    "1773310530, 1773404130, as moments they are 26 hours apart: a time zone may have been mistaken",
    "1773310530, 1773407730, ''",
  })
  void namesHowTwoNumbersDiffer(String wanted, String got, String hint) {
    JsonMapping mapping = JsonMapping.standard();
    List<String> hints = ComparisonMode.EXACTLY
        .differences(Location.ROOT, mapping.parse(wanted), mapping.parse(got))
        .get(0)
        .hints();
    assertEquals(hint, hints.size() > 1 ? hints.get(1) : "");
  }

  @Test
  void showsWhatNoEyeCanSeeAsAnEscape() {
    assertEquals(
        "$: \"ab\" / \"a\\u200bb\" (only white space differs: at character 2 there is U+200B ZERO WIDTH SPACE too many)",
        told(ComparisonMode.EXACTLY, "\"ab\"", "\"a\\u200bb\""));
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '`',
      value = {
        "1,2,3,4 | 1,3,2,4 | $[2]: 3 / 2 (moved: the items [1] and [2] have changed places)",
        "1,2,3,4 | 2,3,4,1 | $[3]: 4 / 1 (moved: it is wanted at [0] and is at [3])",
        "1,2,3 | 1,2,2,3 | $: a list of 3 / a list of 4; $[2]: no such item / 2 (surplus: it is equal to [1])",
        "1,2,3 | 1,3 | $: a list of 3 / a list of 2; $[1]: 2 / nothing: the item is missing from the list",
        "1,2,3 | 1,9,3 | $[1]: 2 / 9 (7 too much)",
        "{\"id\":1,\"a\":1},{\"id\":2,\"a\":1} | {\"id\":2,\"a\":1},{\"id\":1,\"a\":5} | $[1].a of id 1: 1 / 5 (4 too much)",
        "{\"id\":1},{\"id\":2} | {\"id\":1},{\"id\":3} | $[1] of id 2: {\"id\":2} / nothing: the item is missing from the list; $[1] of id 3: no such item / {\"id\":3}",
      })
  void tellsWhatHappenedToTheItemsOfAList(String wanted, String got, String told) {
    assertEquals(told, told(ComparisonMode.EXACTLY, "[" + wanted + "]", "[" + got + "]"));
  }

  @Test
  void recognisesItemsThatMovedAlsoWhereOnlySomeFieldsAreAskedFor() {
    assertEquals(
        "$[1] of id 1: {\"id\":2} / {\"id\":1,\"more\":0} (moved: the items [0] and [1] have changed places)",
        told(
            ComparisonMode.INCLUDING,
            "[{\"id\":1},{\"id\":2}]",
            "[{\"id\":2,\"more\":0},{\"id\":1,\"more\":0}]"));
  }

  @Test
  void tellsAnotherOrderOnceAndManyDifferencesUpToACap() {
    String up = IntStream.range(0, 30).mapToObj(String::valueOf).collect(Collectors.joining(","));
    String down = IntStream.range(0, 30)
        .mapToObj(i -> String.valueOf(29 - i))
        .collect(Collectors.joining(","));
    String told = told(ComparisonMode.EXACTLY, "[" + up + "]", "[" + down + "]");
    assertTrue(
        told.startsWith("$: the items in the order wanted / 29 of 30 items in other places"), told);
    assertTrue(told.contains("in reverse order"), told);
    String many = told(ComparisonMode.EXACTLY, numbered("a", 100), numbered("b", 100));
    assertTrue(
        many.endsWith("$: nothing else that differs / 160 more differences (200 in all)"), many);
  }

  private static String numbered(String name, int count) {
    return IntStream.range(0, count)
        .mapToObj(i -> "\"" + name + i + "\":" + (i + 1000 * name.codePointAt(0)))
        .collect(Collectors.joining(",", "{", "}"));
  }

  @Test
  void survivesTreesAsDeepAsTheReaderAllows() {
    String deep = "[".repeat(900) + "1" + "]".repeat(900);
    assertEquals("", told(ComparisonMode.EXACTLY, deep, deep));
  }

  private static String hint(String wanted, String got) {
    var mapping = JsonMapping.standard();
    List<Finding> findings =
        ComparisonMode.EXACTLY.differences(Location.ROOT, mapping.tree(wanted), mapping.tree(got));
    List<String> hints = findings.get(0).hints();
    return hints.isEmpty() ? "" : hints.get(0);
  }

  private static String told(ComparisonMode comparison, String wanted, String got) {
    var mapping = JsonMapping.standard();
    return comparison.differences(Location.ROOT, mapping.parse(wanted), mapping.parse(got)).stream()
        .map(finding -> finding.where() + (finding.item().isEmpty() ? "" : " of " + finding.item())
            + ": " + finding.wanted() + " / " + finding.got()
            + (finding.hints().isEmpty() ? "" : " (" + String.join(", ", finding.hints()) + ")"))
        .collect(Collectors.joining("; "));
  }
}
