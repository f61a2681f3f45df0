package org.oddlantern.json.internal;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.List;
import org.junit.jupiter.api.Test;

/** Where two texts differ: what eyes may not see is named, short texts speak for themselves. */
class DifferingPartTest {

  @Test
  void whatIsPlainAndShortSpeaksForItself() {
    for (List<String> pair : List.of(
        List.of("ab", "abc"),
        List.of("abc", "ab"),
        List.of("a\u00e9b c", "a\u00e8b d"),
        List.of("a~b", "axb"),
        List.of("axb", "a~b"),
        List.of("a!b", "axb"),
        List.of("axb", "a!b"),
        List.of("abcdefghij0123456789", "abcdefghij01234567xy"))) {
      assertEquals("", DifferingPart.explained(pair.get(0), pair.get(1)), pair.toString());
    }
  }

  @Test
  void oneCharacterForAnotherIsNamedWhereItIsNotPlain() {
    String x = "'x' (U+0078 LATIN SMALL LETTER X)";
    String acute = "'\u00e9' (U+00E9 LATIN SMALL LETTER E WITH ACUTE)";
    String one = "'1' (U+0031 DIGIT ONE)";
    told("a b", "axb", "at character 2 wanted U+0020 SPACE, got " + x);
    told("axb", "a b", "at character 2 wanted " + x + ", got U+0020 SPACE");
    told("a\u007fb", "axb", "at character 2 wanted U+007F DELETE, got " + x);
    told("axb", "a\u007fb", "at character 2 wanted " + x + ", got U+007F DELETE");
    told("a\u00e9b", "a1b", "at character 2 wanted " + acute + ", got " + one);
    told("a1b", "a\u00e9b", "at character 2 wanted " + one + ", got " + acute);
    told(
        "a\u00e9b",
        "a\u00e8b",
        "at character 2 wanted " + acute
            + ", got '\u00e8' (U+00E8 LATIN SMALL LETTER E WITH GRAVE)");
    told(
        "hive",
        "h\u0456ve",
        "at character 2 wanted 'i' (U+0069 LATIN SMALL LETTER I), got '\u0456' (U+0456 CYRILLIC SMALL LETTER BYELORUSSIAN-UKRAINIAN I), which may look alike");
  }

  @Test
  void ofLongTextsTheWordsAreToldInWhichTheyDiffer() {
    part(
        20,
        "abcdefghij01234567890",
        "abcdefghij012345678xy",
        "\"abcdefghij01234567890\"",
        "\"abcdefghij012345678xy\"");
    part(
        20,
        "hive hive hive hive hive",
        "hive hive hive hive",
        "\"hive hive\"",
        "\"hive\" (24 characters wanted, 19 received)");
    part(
        20,
        "hive hive hive hive",
        "hive hive hive hive hive",
        "\"hive\"",
        "\"hive hive\" (19 characters wanted, 24 received)");
    part(
        22,
        "the yard on the hill is shut",
        "the yard on the hill and is shut",
        "\"is\"",
        "\"and is\" (28 characters wanted, 32 received)");
    String run = "x".repeat(30);
    part(
        31,
        run + "abc",
        run + "xyz",
        "\"" + "x".repeat(20) + "abc\"",
        "\"" + "x".repeat(20) + "xyz\"");
    part(
        1,
        "ab" + run + " ",
        "cd" + run + " ",
        "\"ab" + "x".repeat(20) + "\"",
        "\"cd" + "x".repeat(20) + "\"");
    part(
        10,
        "the yard is  shut on mondays",
        "the yard  shut on mondays",
        "\"is \"",
        "nothing (28 characters wanted, 25 received)");
  }

  @Test
  void whatIsTooLongIsCutAndNeverInsideACharacter() {
    String z = "z".repeat(58);
    part(1, "- " + z, "+ " + "y".repeat(58), "\"- " + z + "\"", "\"+ " + "y".repeat(58) + "\"");
    part(
        1,
        "- " + z + "z",
        "+ " + "y".repeat(59),
        "\"- " + z + "\"...",
        "\"+ " + "y".repeat(58) + "\"...");
    part(
        1,
        z + "z\ud83d\udc1d",
        "-",
        "\"" + z + "z\"...",
        "\"-\" (60 characters wanted, 1 received)");
    part(
        1,
        z + "\ud83d\udc1d",
        "-",
        "\"" + z + "\ud83d\udc1d\"",
        "\"-\" (59 characters wanted, 1 received)");
  }

  private static void part(int from, String wanted, String got, String one, String other) {
    told(
        wanted,
        got,
        "they differ from character " + from + " on: wanted " + one + ", got " + other);
  }

  private static void told(String wanted, String got, String explained) {
    assertEquals(explained, DifferingPart.explained(wanted, got));
  }
}
