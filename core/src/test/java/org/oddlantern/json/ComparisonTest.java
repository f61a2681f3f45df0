package org.oddlantern.json;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

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
    assertEquals("", told(Comparison.EXACTLY, wanted, got));
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
        "[1,2] | [1] | $: a list of 2 / a list of 1; $[1]: 2 / nothing: the list ends before",
        "[1] | [2,3] | $: a list of 1 / a list of 2; $[0]: 1 / 2 (1 too much); $[1]: no such item / 3",
        "\"Fox\" | \"fox\" | $: \"Fox\" / \"fox\" (only upper and lower case differ)",
        "\"a b\" | \"a  b \" | $: \"a b\" / \"a  b \" (only white space differs)",
        "{\"a\":{}} | {\"a\":[]} | $.a: {} (object) / [] (list of 0)",
        "true | false | $: true / false",
      })
  void tellsPlaceWantedGotAndTheKindOfDifference(String wanted, String got, String told) {
    assertEquals(told, told(Comparison.EXACTLY, wanted, got));
  }

  @Test
  void includingWantsAtLeastTheFieldsAtEveryDepthButListsOfTheSameLength() {
    String got = "{\"a\":{\"b\":1,\"more\":2},\"l\":[{\"c\":3,\"more\":4}],\"more\":5}";
    assertEquals("", told(Comparison.INCLUDING, "{\"a\":{\"b\":1},\"l\":[{\"c\":3}]}", got));
    assertEquals(
        "$.l: a list of 0 / a list of 1; $.l[0]: no such item / {\"c\":3,\"more\":4}",
        told(Comparison.INCLUDING, "{\"l\":[]}", got));
  }

  @Test
  void tellsWhereLongTextsBeginToDiffer() {
    String same = "the bees of the north slope ";
    assertEquals(
        "the texts differ from character 29 on: wanted \"...rth slope are calm\", got \"...rth slope swarm\"",
        hint(same + "are calm", same + "swarm"));
  }

  @Test
  void survivesTreesAsDeepAsTheReaderAllows() {
    String deep = "[".repeat(900) + "1" + "]".repeat(900);
    assertEquals("", told(Comparison.EXACTLY, deep, deep));
  }

  private static String hint(String wanted, String got) {
    var mapping = JsonMapping.standard();
    List<Finding> findings =
        Comparison.EXACTLY.differences(Location.ROOT, mapping.tree(wanted), mapping.tree(got));
    return findings.get(0).hints().get(0);
  }

  private static String told(Comparison comparison, String wanted, String got) {
    var mapping = JsonMapping.standard();
    return comparison.differences(Location.ROOT, mapping.parse(wanted), mapping.parse(got)).stream()
        .map(finding -> finding.where() + ": " + finding.wanted() + " / " + finding.got()
            + (finding.hints().isEmpty() ? "" : " (" + String.join(", ", finding.hints()) + ")"))
        .collect(Collectors.joining("; "));
  }
}
