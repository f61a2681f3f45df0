package org.oddlantern.json;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.oddlantern.check.Checks.*;

import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.oddlantern.json.internal.ComparisonMode;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.path.TreePath;

/** What a difference is called where it has a name; and where it has none, nothing is said. */
class DiagnosisTest {

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '`',
      nullValues = "-",
      value = {
        "{'a':1,'b':2} | {'a':2,'b':1} | 'a' and 'b' have changed places",
        "{'a':1,'b':2} | {'a':2,'b':3} | -",
        "{'a':1,'b':1} | {'a':1,'b':2} | -",
        "{'a':true,'b':false} | {'a':false,'b':true} | -",
        "[4,5,6] | [3,4,5] | each number is 1 too little",
        "[4,5,6] | [3,4,6] | -",
        "[4,5] | [3,4] | -",
        "[1,2.5,4] | [2.5,4,5.5] | each number is 1.5 too much",
        "['b','c','d'] | ['a','b','c'] | shifted by one: it begins with \"a\", and \"d\" at the end is missing",
        "['a','b','c'] | ['b','c','d'] | shifted by one: \"a\" at the beginning is missing, and it ends with \"d\"",
        "['a','b','c'] | ['b','c','a'] | -",
        "['a','a','a'] | ['a','a','b'] | -",
        "['apple','Bee','cherry'] | ['Bee','apple','cherry'] | they are sorted by code points",
        "['apple','bee','cherry'] | ['bee','apple','cherry'] | -",
        "12.5 | '1.25E+1' | the same value, but sent as another kind",
        "'1.25E+1' | 12.5 | the same value, but sent as another kind",
        "12.5 | '12.6' | -",
        "'2026-03-12T10:15:30Z' | 1773310530 | it is that moment, in seconds since 1970",
        "'2026-03-12T10:15:30.5Z' | 1773310530500 | it is that moment, in milliseconds since 1970",
        "'2026-03-12T10:15:30Z' | 1773310531 | -",
        "1773310530 | 1773314130 | as moments they are an hour apart: summer time may have been mistaken",
        "1773310530000 | 1773303330000 | as moments they are 2 hours apart: a time zone may have been mistaken",
        "1773310530 | 1773314131 | -",
        "100 | 3700 | -",
        "'2026-03-12T10:15:30Z' | '2026-03-12T11:15:30Z' | 1 hour later; summer time may have been mistaken",
        "'2026-03-12T10:15:30Z' | '2026-03-12T12:15:30Z' | 2 hours later; a time zone may have been mistaken",
        "'2026-03-12T10:15:30Z' | '2026-03-12T10:18:30Z' | 3 minutes later",
      })
  void aDifferenceIsNamed(String wanted, String got, String named) {
    List<Finding> findings =
        ComparisonMode.EXACTLY.differences(Location.ROOT, json(wanted), json(got));
    String hints = String.join(
        "; ", findings.stream().flatMap(finding -> finding.hints().stream()).toList());
    String named0 = named == null ? "-" : named;
    boolean says = !named0.equals("-");
    assertTrue(
        says
            ? hints.contains(named0)
            : !hints.matches(
                ".*(' have changed places|each number|shifted|sorted|another kind|that moment|as moments).*"),
        hints);
    if (named0.startsWith("each") || named0.startsWith("shifted")) {
      assertEquals(1, findings.size(), findings::toString);
    }
  }

  @Test
  void aFieldThatOnlyHasTheShapeIsNotTheMissingOne() {
    List<Finding> findings = fieldsOf("{'id':'x'}");
    assertTrue(findings.get(0).hints().isEmpty(), findings::toString);
    assertEquals(
        List.of("'id' holds that value"),
        including(java.util.Map.of("key", "x"))
            .differences(Location.ROOT, Json.of(json("{'id':'x'}")))
            .get(0)
            .hints());
  }

  private static List<Finding> fieldsOf(String got) {
    return including(java.util.Map.of("key", anyText()))
        .differences(Location.ROOT, Json.of(json(got)));
  }

  @Test
  void oneOfSeveralTextsMayBeWrittenInOtherLetters() {
    assertEquals(
        List.of("only upper and lower case differ from \"calm\""),
        oneOf("calm", "wild")
            .differences(Location.ROOT, Json.of(json("'Calm'")))
            .get(0)
            .hints());
    assertEquals(
        List.of(),
        oneOf("calm", "wild")
            .differences(Location.ROOT, Json.of(json("'Calmer'")))
            .get(0)
            .hints());
  }

  @Test
  void aBodyThatWasEncodedTwiceIsSeenThrough() {
    TreePath path = TreePath.of("$.id");
    assertEquals(
        "the body is a text that holds JSON, so it was encoded twice; in it there is 'id' at $.id",
        path.end(json("'{\\\"id\\\":7}'")).hint());
    assertEquals("", path.end(json("'{id'")).hint());
    assertEquals("", path.end(json("'hive'")).hint());
  }

  @Test
  void aNumberInTheSteadOfAMomentIsCounted() {
    var shape = near(OffsetDateTime.parse("2026-03-12T10:15:30Z"), Duration.ofSeconds(5));
    assertEquals(
        List.of("counted from 1970 on it would be 2026-03-12T10:15:30Z"),
        shape.differences(Location.ROOT, Json.of(json("1773310530000"))).get(0).hints());
    assertEquals(
        List.of(), shape.differences(Location.ROOT, Json.of(json("17"))).get(0).hints());
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '`',
      value = {
        "[1,1.0,2,'b' ] | ``",
        "[] | holds",
        "[3] | holds",
        "[1,2,2.0,1e3] | holds",
        "['2026-01-02','2026-01-10'] | holds",
        "['a','B'] | it is sorted without regard to upper and lower case; here texts go by code points",
        "[3,2,1] | it is sorted the other way round",
        "[1,3,2] | ``",
        "[1,null] | ``",
        "{'a':1} | ``",
      })
  void listsAreSortedOrSayWhereNot(String list, String told) {
    List<Finding> findings = sorted().differences(Location.ROOT, Json.of(json(list)));
    assertEquals(told.equals("holds"), findings.isEmpty(), findings::toString);
    if (!told.equals("holds")) {
      assertEquals(told, String.join("; ", findings.get(0).hints()));
    }
  }

  @Test
  void listsAreSortedByAPathAndDescending() {
    var byDay = sortedBy("$.day").descending();
    assertEquals(
        List.of(),
        byDay.differences(Location.ROOT, Json.of(json("[{'day':3},{'day':3},{'day':1}]"))));
    Finding wrong = byDay
        .differences(Location.ROOT, Json.of(json("[{'id':7,'day':1},{'id':8,'day':3}]")))
        .get(0);
    assertEquals("$[1] id 8: 3 after 1", wrong.where() + " " + wrong.item() + ": " + wrong.got());
    Finding none =
        byDay.differences(Location.ROOT, Json.of(json("[{'day':1},{}]"))).get(0);
    assertEquals("nothing, which has no place in the order", none.got());
  }

  @Test
  void distinctListsHaveNothingTwiceHoweverItIsWritten() {
    assertEquals(
        List.of(),
        distinct().differences(Location.ROOT, Json.of(json("[1,'1',true,null,[1],{}]"))));
    assertEquals(List.of(), distinct().differences(Location.ROOT, Json.of(json("[]"))));
    List<Finding> twice = distinct()
        .differences(Location.ROOT, Json.of(json("[1,{'a':1,'b':2},1.0,{'b':2.0,'a':1}]")));
    assertEquals(
        List.of("1.0, which is at [0] already", "{\"b\":2.0,\"a\":1}, which is at [1] already"),
        twice.stream().map(Finding::got).toList());
  }

  private static org.oddlantern.shaded.tools.jackson.databind.JsonNode json(String text) {
    return JsonMapping.standard().parse(text.replace('\'', '"'));
  }
}
