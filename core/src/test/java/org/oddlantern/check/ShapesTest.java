package org.oddlantern.check;

import static org.junit.jupiter.api.Assertions.assertAll;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.oddlantern.check.Checks.*;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.function.Executable;
import org.junit.jupiter.params.provider.Arguments;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Json;
import org.oddlantern.json.Location;
import org.oddlantern.json.Shape;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.NodeShape;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.MissingNode;

/** Each shape on values it has and on values it has not. */
class ShapesTest {

  private static final Map<String, Object> OPEN =
      Map.of("id", wholeNumber(), "gone", missing(), "tags", List.of("a", anyText()));

  /** Made in the test itself, so that a mutation of what makes them is seen. */
  private static Stream<Arguments> shapes() {
    return Stream.of(
        Arguments.of(number(), "1 -2.5 1e9", "'1' null true"),
        Arguments.of(wholeNumber(), "4 4.0 4e0", "4.5 '4'"),
        Arguments.of(between(200, 299), "200 250.5 299", "199 300 '250'"),
        Arguments.of(atLeast(1), "1 1.0 9", "0.9 -1 '2'"),
        Arguments.of(atMost(1.5), "1.5 -9", "1.6"),
        Arguments.of(near(3.3, 0.2), "3.1 3.5", "3.0 3.51"),
        Arguments.of(
            between(LocalDate.of(2026, 3, 1), LocalDate.of(2026, 3, 31)),
            "'2026-03-01' '2026-03-31'",
            "'2026-04-01' '2026-02-28' '2026-03-01T00:00:00Z' 5"),
        Arguments.of(
            near(Instant.parse("2026-03-01T06:00:00Z"), Duration.ofSeconds(1)),
            "'2026-03-01T07:00:00+01:00' '2026-03-01T06:00:01Z'",
            "'2026-03-01T06:00:02Z' '2026-03-01'"),
        Arguments.of(textMatching("B-\\d+"), "'B-17'", "'B-' 'xB-17' 17"),
        Arguments.of(trueOrFalse(), "true false", "'true' 0 null"),
        Arguments.of(empty(), "'' [] {}", "' ' [0] null 0"),
        Arguments.of(oneOf("calm", 4, wholeNumber()), "'calm' 4.0 7", "'busy' 4.5"),
        Arguments.of(not("calm"), "'busy' 4 null", "'calm'"),
        Arguments.of(number().and(atLeast(2)).and(not(5)), "2 6", "1 5 '3'"),
        Arguments.of(missing().or(wholeNumber()), "4", "'x' null"),
        Arguments.of(items(1, anyText()), "[1,'x']", "[1] ['x',1] [1,'x',2] {}"),
        Arguments.of(
            items(anyText(), "a", 3).inAnyOrder(),
            "['a','b',3] [3,'a','a']",
            "['a',3] ['b','c',3]"),
        Arguments.of(itemsIncluding(2, 2), "[1,2,3,2]", "[1,2] []"),
        Arguments.of(
            fields().with("id", 1).with("gone", missing()),
            "{'id':1,'x':2}",
            "{} {'id':1,'gone':null}"),
        Arguments.of(fields().with("id", 1).only(), "{'id':1.0}", "{'id':1,'x':2} []"),
        Arguments.of(keysIncluding("a", "b"), "{'a':1,'b':null,'c':2}", "{'a':1} []"),
        Arguments.of(onlyKeys("a", "b"), "{'a':1,'b':2}", "{'a':1,'b':2,'c':3} {'a':1}"),
        Arguments.of(date(), "'2024-02-29'", "'2023-02-29' '2026-3-1' '2026-03-01T00:00:00Z'"),
        Arguments.of(
            dateTime(),
            "'2026-03-12T10:15:30Z' '2026-03-12T10:15:30.123456+02:00' '1998-12-31T23:59:60Z'",
            "'2026-03-12T10:15:30' '2026-03-12 10:15' '2026-02-30T10:15:30Z' '2026-03-12T25:15:30Z'"),
        Arguments.of(
            uuid(), "'f81d4fae-7dec-11d0-a765-00a0c91e6bf6'", "'f81d4fae7dec11d0a76500a0c91e6bf6'"),
        Arguments.of(
            email(),
            "'wren@fennel-hill.example' 'wren@hill'",
            "'wren' 'wren@-hill' 'a b@c.d' '@c.d' 'wren..k@hill.example'"),
        Arguments.of(
            exactly(OPEN),
            "{'id':7,'tags':['a','b']}",
            "{'id':7,'tags':['a','b'],'gone':1} {'id':7,'tags':['a',1]}"),
        Arguments.of(
            including(OPEN), "{'id':7,'tags':['a','b'],'more':1}", "{'id':'7','tags':['a','b']}"),
        Arguments.of(eachItem(items(1, 2)), "[[1,2],[1,2]]", "[[1,2],[2,1]] []"));
  }

  @Test
  void holdWhereTheyShouldAndNowhereElse() {
    assertAll(shapes()
        .map(Arguments::get)
        .map(one -> () -> holds((Shape) one[0], String.valueOf(one[1]), String.valueOf(one[2]))));
  }

  private static void holds(Shape shape, String has, String hasNot) {
    for (JsonNode value : values(has)) {
      assertEquals(
          List.of(),
          shape.differences(Location.ROOT, Json.of(value)),
          value + " is " + shape.words());
    }
    for (JsonNode value : values(hasNot)) {
      assertTrue(
          !shape.differences(Location.ROOT, Json.of(value)).isEmpty(),
          value + " is not " + shape.words());
    }
    boolean allowsNothing = shape.equals(missing().or(wholeNumber()));
    assertEquals(
        allowsNothing,
        NodeShape.of(shape).examine(Location.ROOT, MissingNode.getInstance()).isEmpty());
  }

  @Test
  void tellWhatIsMissingAndWhatIsTooMany() {
    assertEquals(
        "$ | an object with only the fields id, label | an object with id, lable, kind"
            + " | missing: label | too many: lable, kind | is 'lable' meant to be 'label'?",
        told(onlyKeys("id", "label"), "{'id':1,'lable':2,'kind':3}"));
    assertEquals(
        "$.label | \"x\" | nothing: the field is missing from an object with id, lable | did you mean 'lable'?\n"
            + "$.lable | no such field | 2 | did you mean 'label'?",
        told(fields().with("id", 1).with("label", "x").only(), "{'id':1,'lable':2}"));
  }

  @Test
  void nameTheNearestItemAndWhatKeepsItFromBeingTheOne() {
    assertEquals(
        "$ | at least {\"mood\":\"calm\",\"frames\":4} | no such item among 2"
            + " | the nearest is [1] id 7 |   there mood is \"busy\", wanted \"calm\"",
        told(
            itemsIncluding(including(ordered("mood", "calm", "frames", 4))),
            "[{'id':3,'mood':'x','frames':1},{'id':7,'mood':'busy','frames':4}]"));
    assertEquals(
        "$ | \"c\" | no such item\n$[1] | none of the items wanted | \"b\"",
        told(items("a", "c").inAnyOrder(), "['a','b']"));
  }

  @Test
  void tellTheNearestOfSeveralAlternatives() {
    assertEquals(
        "$ | null or an object with id: a whole number | {\"id\":\"x\"} (object)"
            + " | nearest: at $.id wanted a whole number, got \"x\" (text)",
        told(exactly(null).or(fields().with("id", wholeNumber())), "{'id':'x'}"));
  }

  @Test
  void tellBadItemsByIndexAndIdentityAndTogetherWhereTheyAreBadAlike() {
    Shape frames = eachItem(fields().with("frames", atLeast(0)));
    assertEquals(
        "$[1].frames of id 8 | a number of at least 0 | -1 | 1 too little",
        told(frames, "[{'id':7,'frames':1},{'id':8,'frames':-1}]"));
    String many = IntStream.range(0, 30)
        .mapToObj(i -> "{'id':" + (100 + i) + ",'frames':" + (i % 3 == 0 ? i : -i) + "}")
        .collect(Collectors.joining(",", "[", "]"));
    assertEquals("""
        $[*].frames | a number of at least 0 | 20 of 30 items are not:
        [1] id 101: -1
        [2] id 102: -2
        [4] id 104: -4
        [5] id 105: -5
        [7] id 107: -7
        [8] id 108: -8
        [10] id 110: -10
        [11] id 111: -11
        [13] id 113: -13
        [14] id 114: -14
        [16] id 116: -16
        [17] id 117: -17
        and 8 more""", told(frames, many));
    assertEquals(
        "$[*].mood | a text | in 30 of 30 items nothing: the field is missing from an object with id, frames:\n"
            + "[0] t 0, [1] t 1, [2] t 2, [3] t 3, [4] t 4, [5] t 5, [6] t 6, [7] t 7, [8] t 8, [9] t 9, [10] t 10, [11] t 11, and 18 more",
        told(
                eachItem(fields().with("mood", anyText())).identifiedBy("$.id"),
                many.replaceAll("'id':1\\d\\d", "'id':0"))
            .replaceAll("id 0", "t ")
            .replaceAll("\\[(\\d+)] t ", "[$1] t $1"));
  }

  @Test
  void giveUpOnPatternsThatWouldTryForever() {
    assertTrue(told(textMatching("(a|aa)+b"), "'" + "a".repeat(5_000) + "'").contains("given up"));
    assertTrue(told(textMatching("(a|b)*"), "'" + "ab".repeat(200_000) + "'").contains("given up"));
  }

  @Test
  void refuseBoundsAndArgumentsThatMakeNoSense() {
    refused("between(5, 1): the lower bound comes first", () -> between(5, 1));
    refused(
        "between(1, x): two numbers, two dates or two moments are wanted", () -> between(1, "x"));
    refused("near(..., -1): a tolerance is at least 0", () -> near(1, -1));
    refused(
        "the check status(200) was given where a value or a shape is wanted; give it to must(...) by itself",
        () -> items("a", status(200)));
    refused(
        "a value of type java.util.ImmutableCollections$Map1 cannot be written as JSON: the check 'status(200)' is in it, where a value is wanted",
        () -> including(Map.of("id", status(200))));
  }

  private static void refused(String message, Executable making) {
    assertEquals(message, assertThrows(IllegalArgumentException.class, making).getMessage());
  }

  private static Map<String, Object> ordered(String a, Object b, String c, Object d) {
    Map<String, Object> map = new LinkedHashMap<>();
    map.put(a, b);
    map.put(c, d);
    return map;
  }

  private static List<JsonNode> values(String texts) {
    return Stream.of(texts.split(" (?=(?:[^']*'[^']*')*[^']*$)", -1))
        .map(ShapesTest::value)
        .toList();
  }

  private static JsonNode value(String text) {
    return JsonMapping.standard().parse(text.replace('\'', '"'));
  }

  private static String told(Shape shape, String value) {
    return shape.differences(Location.ROOT, Json.of(value(value))).stream()
        .map(ShapesTest::told)
        .collect(Collectors.joining("\n"));
  }

  private static String told(Finding finding) {
    String place = finding.where() + (finding.item().isEmpty() ? "" : " of " + finding.item());
    return Stream.concat(
            Stream.of(place, finding.wanted(), finding.got()), finding.hints().stream())
        .collect(Collectors.joining(" | "));
  }
}
