package org.oddlantern.check;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.oddlantern.check.Checks.between;
import static org.oddlantern.check.Checks.exactly;
import static org.oddlantern.check.Checks.fields;
import static org.oddlantern.check.Checks.items;
import static org.oddlantern.check.Checks.near;
import static org.oddlantern.check.Checks.size;
import static org.oddlantern.check.Checks.sorted;
import static org.oddlantern.check.Checks.status;
import static org.oddlantern.check.Checks.wholeNumber;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.oddlantern.http.Call;
import org.oddlantern.http.Reply;
import org.oddlantern.http.Service;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Json;
import org.oddlantern.json.Location;
import org.oddlantern.json.Shape;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.testing.TestService;

/** What a hint says when it is right, and that it stays silent where it only nearly is. */
class NearMissTest {

  @ParameterizedTest
  @CsvSource(delimiter = '|', textBlock = """
      {"label": 1}            | {"lable": 1}                 | did you mean 'lable'?
      {"label": 1}            | {"la_bel": 2}                | did you mean 'la_bel'?
      {"label": 1}            | {"swarm": 2}                 | -
      {"label": 1}            | {"kind": 2, "frames": 3}     | -
      {"id": 1}               | {"on": 2}                    | -
      {"label": "Foxglove"}   | {"words": "Foxglove"}        | 'words' holds that value
      {"label": "Foxglove"}   | {"words": "Foxgloves"}       | -
      {"fed": true}           | {"wintered": true}           | -
      {"fed": null}           | {"wintered": null}           | -
      {"a": 7, "words": 7}    | {"words": 7}                 | -
      """)
  void aFieldThatIsMissing(String wanted, String got, String hint) {
    assertHint(hint, missing(exactly(json(wanted)), got));
  }

  @ParameterizedTest
  @CsvSource(delimiter = '|', textBlock = """
      [1,2,3]             | [3,2,1]             | moved: the items [0] and [2] have changed places
      [1,2,3,4,5,6]       | [6,5,4,3,2,1]       | the whole list is in reverse order
      [1,2,3,4,5,6]       | [6,5,4,3,1,2]       | -
      [1,2,3]             | [2,1,3]             | -
      [1,2,3,4]           | [4,2,3,1]           | -
      ["a","B","c"]       | ["B","a","c"]       | they are sorted by code points, where upper case comes before lower case, and letters with marks after z
      ["a","B","c"]       | ["c","a","B"]       | -
      [10,20,30,40]       | [11,21,31,41]       | each number is 1 too much
      [10,20,30,40]       | [11,21,31,42]       | -
      [10,20,30,40]       | [20,30,40,50]       | each number is 10 too much
      [2,4,8,16]          | [1,2,4,8]           | shifted by one: it begins with 1, and 16 at the end is missing
      [2,4,8,16]          | [1,2,4,9]           | -
      [1,2,4,8]           | [2,4,8,16]          | shifted by one: 1 at the beginning is missing, and it ends with 16
      """)
  void anOrderThatIsAnother(String wanted, String got, String hint) {
    List<String> hints =
        exactly(json(wanted)).differences(Location.ROOT, Json.of(json(got))).stream()
            .flatMap(finding -> finding.hints().stream())
            .filter(one -> !one.startsWith("if the order does not matter"))
            .toList();
    if (hint.equals("-")) {
      assertFalse(
          hints.toString().matches(".*(reverse|sorted by|each number is|shifted by one).*"),
          hints.toString());
    } else {
      assertTrue(hints.contains(hint), hints.toString());
    }
  }

  @ParameterizedTest
  @CsvSource(delimiter = '|', textBlock = """
      [3,2,1]        | it is sorted the other way round
      [3,1,2]        | -
      ["a","B","c"]  | it is sorted without regard to upper and lower case; here texts go by code points
      ["c","B","d"]  | -
      ["c","b","a"]  | it is sorted the other way round
      """)
  void aListThatIsNotSorted(String got, String hint) {
    assertHint(
        hint, sorted().differences(Location.ROOT, Json.of(json(got))).get(0).hints());
  }

  @Test
  void numbersAskedForInDescendingOrderKnowNothingOfCase() {
    Shape descending = sorted().descending();
    assertHint("it is sorted the other way round", hints(descending, "[1,2,3]"));
    assertHint("-", hints(descending, "[1,3,2]"));
    assertEquals(List.of(), descending.differences(Location.ROOT, Json.of(json("[3,2,2,1]"))));
  }

  @ParameterizedTest
  @CsvSource(delimiter = '|', textBlock = """
      "12.50"  | "12.5"   | the same number, written in another way
      "12.50"  | "12.51"  | -
      "Heather"| "heather"| only upper and lower case differ
      "Heather"| "heathen"| -
      "a b"    | "a  b"   | only white space differs: at character 3 there is U+0020 SPACE too many
      "a b"    | "ab c"   | -
      "a&b"    | "a&amp;b"| it is the text wanted, escaped for HTML
      "a"      | "\\"a\\""| it is the text wanted, in quotes of its own
      "2026-05-13" | "2026-05-14" | 1 day later; a time zone may have shifted it
      "2026-05-13" | "2026-05-11" | 2 days earlier
      "2026-05-13T10:00:00Z" | "2026-05-13T12:00:00+02:00" | the same moment, written in another way; near(moment, Duration.ZERO) compares moments
      "2026-05-13T10:00:00Z" | "2026-05-13T11:00:00Z" | 1 hour later; summer time may have been mistaken
      "2026-05-13T10:00:00Z" | "2026-05-13T11:05:07Z" | 1 hour 5 minutes 7 seconds later
      "2026-05-13T10:00:00Z" | "2026-06-13T10:15:00Z" | 31 days 15 minutes later
      """)
  void textsThatDiffer(String wanted, String got, String hint) {
    String text = hints(exactly(json(wanted)), got).toString();
    if (hint.equals("-")) {
      assertFalse(text.matches(".*(same number|upper and lower|white space).*"), text);
    } else {
      assertEquals("[" + hint + "]", text);
    }
  }

  @ParameterizedTest
  @CsvSource(delimiter = '|', textBlock = """
      5      | -5     | only the sign differs
      5      | -4     | -
      2.75   | 2      | the fraction is cut off
      2.75   | 3      | -
      4      | 400    | it is 100 times the number wanted
      4      | 401    | -
      400    | 4      | the number wanted is 100 times it
      0.1    | 0.1000000000000000055511151231257827021181583404541015625 | precision lost: it is what a double makes of the number wanted
      0.1    | 0.10000000000000000555111512312578270211815834045410156   | -
      """)
  void numbersThatDiffer(String wanted, String got, String hint) {
    List<String> hints = hints(exactly(json(wanted)), got);
    assertTrue(hints.get(0).endsWith(" too much") || hints.get(0).endsWith(" too little"));
    assertHint(hint, hints.subList(1, hints.size()));
  }

  @Test
  void twoFieldsThatHaveChangedPlacesAreSaidSoOnlyIfBothWouldFit() {
    Shape frames = fields().with("low", between(1, 5)).with("high", between(10, 20));
    assertTrue(hints(frames, "{\"low\": 12, \"high\": 3}").toString().contains("changed places"));
    assertFalse(hints(frames, "{\"low\": 12, \"high\": 7}").toString().contains("changed places"));
    assertFalse(hints(frames, "{\"low\": 7, \"high\": 3}").toString().contains("changed places"));
  }

  @Test
  void aClassOfStatusHoldsForThatClassAlone() {
    try (TestService service = new TestService()) {
      Service api = Service.reachedAt(service.address());
      for (int code : new int[] {200, 204, 299, 300, 404, 503}) {
        Reply reply = api.send(Call.get("/status/{code}", code));
        for (int family = 2; family <= 5; family++) {
          boolean holds = status(family + "xx").examine(reply).isEmpty();
          assertEquals(code / 100 == family, holds, code + " as " + family + "xx");
        }
        assertEquals(code == 204, status(204).examine(reply).isEmpty());
        assertEquals(code < 300, status(between(200, 299)).examine(reply).isEmpty());
      }
    }
  }

  @ParameterizedTest
  @CsvSource({
    "PT0.25S,250 ms",
    "PT0.999S,999 ms",
    "PT1S,1 s",
    "PT1.5S,1.5 s",
    "PT59S,59 s",
    "PT60S,1 min",
    "PT200S,3 min 20 s",
    "PT1H,1 h",
    "PT1H2M3S,1 h 2 min 3 s",
    "P1D,1 day",
    "P2DT4H,2 days 4 h"
  })
  void durationsAreToldWithEveryUnitTheyHave(Duration tolerance, String words) {
    Instant moment = Instant.parse("2026-05-13T10:00:00Z");
    assertEquals(
        "a moment within " + words + " of 2026-05-13T10:00:00Z",
        near(moment, tolerance).words());
  }

  @Test
  void fortyDifferencesAreToldAndTheOthersCounted() {
    for (int count : new int[] {39, 40, 41, 1_500}) {
      List<Finding> findings = exactly(json(object(count, 1)))
          .differences(Location.ROOT, Json.of(json(object(count, 2))));
      assertEquals(Math.min(count, 41), findings.size());
      Finding last = findings.get(findings.size() - 1);
      assertEquals(count > 40, last.wanted().equals("nothing else that differs"), last.toString());
    }
    List<Finding> many =
        exactly(json(object(1_500, 1))).differences(Location.ROOT, Json.of(json(object(1_500, 2))));
    assertEquals("1,460 more differences (1,500 in all)", many.get(40).got());
  }

  @Test
  void whatShapesSayOfListsTheyDoNotSayOfOthers() {
    assertEquals(List.of(), size(3).differences(Location.ROOT, Json.of(json("[1,2,3]"))));
    assertEquals(1, size(3).differences(Location.ROOT, Json.of(json("[1,2]"))).size());
    assertEquals(1, size(3).differences(Location.ROOT, Json.of(json("17"))).size());
    Shape any = items(1, wholeNumber()).inAnyOrder();
    assertEquals(List.of(), any.differences(Location.ROOT, Json.of(json("[7,1]"))));
    assertFalse(any.differences(Location.ROOT, Json.of(json("[7,8]"))).isEmpty());
    assertFalse(any.differences(Location.ROOT, Json.of(json("[1]"))).isEmpty());
    assertFalse(any.differences(Location.ROOT, Json.of(json("[1,7,8]"))).isEmpty());
  }

  private static String object(int count, int value) {
    return IntStream.range(0, count)
        .mapToObj(i -> "\"n" + i + "\":" + (value * 1_000_003 + i * 7))
        .collect(Collectors.joining(",", "{", "}"));
  }

  private static List<String> missing(Shape shape, String got) {
    return shape.differences(Location.ROOT, Json.of(json(got))).stream()
        .filter(Finding::absent)
        .flatMap(finding -> finding.hints().stream())
        .toList();
  }

  private static List<String> hints(Shape shape, String got) {
    return shape.differences(Location.ROOT, Json.of(json(got))).stream()
        .flatMap(finding -> finding.hints().stream())
        .toList();
  }

  private static void assertHint(String hint, List<String> hints) {
    assertEquals(hint.equals("-") ? List.of() : List.of(hint), hints);
  }

  private static JsonNode json(String text) {
    return JsonMapping.standard().parse(text);
  }
}
