package org.oddlantern.check;

import static java.nio.charset.StandardCharsets.ISO_8859_1;
import static java.nio.charset.StandardCharsets.UTF_8;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.oddlantern.check.Checks.*;

import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.oddlantern.evidence.Check;
import org.oddlantern.evidence.CheckFailed;
import org.oddlantern.evidence.Evidence;
import org.oddlantern.http.Call;
import org.oddlantern.http.Reply;
import org.oddlantern.http.Service;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Json;
import org.oddlantern.json.Location;
import org.oddlantern.json.Shape;
import org.oddlantern.schema.Schema;
import org.oddlantern.testing.RawServer;

/** Checks on replies that came over a socket. */
class ChecksTest {

  private static final String HIVE =
      "{\"id\": 4.0, \"label\": \"Foxglove\", \"frames\": [3, 4, 5], \"gone\": null, \"tags\": []}";

  @Test
  void holdWhereTheyShould() throws IOException {
    reply(HIVE)
        .must(
            status(200),
            status("2xx"),
            header("etag"),
            header("ETag", "\"4-1\""),
            header("Age", wholeNumber()),
            header("Location", missing()),
            header("X-Twice", "second"),
            contentType("application/json"),
            body(including(Map.of("label", "Foxglove"))),
            at("$.id", 4),
            at("$.id", wholeNumber()),
            at("$.label", size(8)),
            at("$.frames", size(3)),
            at("$", size(5)),
            at("$.gone", (Object) null),
            at("$.none", missing()),
            at("$.label", anyText()),
            at("$.frames", anyValue()),
            at("$.frames[*]", List.of(3, 4, 5)),
            at("$.frames", eachItem(wholeNumber())),
            at("$.nothing[*]", size(0)));
  }

  @Test
  void tellEveryFailureNotOnlyTheFirst() throws IOException {
    Reply reply = reply(HIVE);
    String message = assertThrows(
            CheckFailed.class,
            () -> reply.must(
                status(201),
                at("$.label", "foxglove"),
                at("$.gone", anyValue()),
                at("$.queen", "x"),
                at("$.id", missing()),
                at("$.tags", eachItem(anyText())),
                at("$.frames", size(2)),
                header("Locaton"),
                contentType("text/html")))
        .getMessage();
    assertEquals(
        """
          status(201)
            at      status
            wanted  201
            got     200 OK, application/json; charset=utf-8, a body that begins: %1$s
          at("$.label", "foxglove")
            at      $.label
            wanted  "foxglove"
            got     "Foxglove"
            hint    only upper and lower case differ
          at("$.gone", a value that is there and not null)
            at      $.gone
            wanted  a value that is there and not null
            got     null
          at("$.queen", "x")
            at      $.queen
            wanted  "x"
            got     nothing: the path ends at $, which is an object with id, label, frames, gone, tags
          at("$.id", nothing: no such value)
            at      $.id
            wanted  nothing: no such value
            got     4.0 (number)
          at("$.tags", a list whose every item is a text)
            at      $.tags
            wanted  a list whose every item is a text
            got     an empty list
            hint    over no item at all this proves nothing; size(0) wants an empty list
          at("$.frames", the size 2)
            at      $.frames
            wanted  the size 2
            got     the size 3: [3,4,5]
          header("Locaton")
            at      header Locaton
            wanted  a text
            got     no such header; there are Content-Type, ETag, Age, X-Twice, Content-Length
          contentType("text/html")
            at      header Content-Type
            wanted  text/html
            got     application/json; charset=utf-8""".formatted(HIVE), message.substring(message.indexOf('\n') + 1).stripIndent());
  }

  @Test
  void showAReplyThatIsNotWhatItClaims() throws IOException {
    String page = "<html><body>Bad gateway</body></html>";
    assertEquals(
        "body / a JSON body / 200 OK, application/json; charset=utf-8, a body that begins: " + page
            + " / this looks like HTML or XML, not like JSON",
        told(body(anyValue()), reply(page)));
    assertEquals(
        "body / a JSON body / 200 OK, application/json; charset=utf-8, an empty body",
        told(at("$.id", 1), reply("")));
    String broken = "{\n  \"kind\": \"B\u00e4ume\", \"x\": tru\n}";
    assertTrue(
        told(at("$.id", 1), reply(broken)).endsWith("""
                reading stopped at line 2, column 25: "tru" without quotes is no value; strings are in double quotes
                    "kind": "B\u00e4ume", "x": tru
                                          ^""".indent(0).strip()),
        told(at("$.id", 1), reply(broken)));
  }

  @Test
  void refuseACheckWhereAValueIsWantedAndTheReverse() {
    assertEquals(
        "the check status(200) was given where a value or a shape is wanted; give it to must(...) by itself",
        assertThrows(IllegalArgumentException.class, () -> body(status(200))).getMessage());
    assertEquals(
        "the shape 'a text' was given where a plain value is wanted; a shape is given by itself",
        assertThrows(IllegalArgumentException.class, () -> including(anyText())).getMessage());
    assertEquals(
        "status(\"2x\"): wanted a number, or one of 1xx, 2xx, 3xx, 4xx, 5xx",
        assertThrows(IllegalArgumentException.class, () -> status("2x")).getMessage());
  }

  @Test
  void canBeOnesOwnAlsoWhenTheyThrow() throws IOException {
    record Even() implements Shape {
      @Override
      public String words() {
        return "an even number";
      }

      @Override
      public List<Finding> differences(Location where, Json value) {
        return value.number().intValueExact() % 2 == 0
            ? List.of()
            : List.of(Finding.of(where, words(), value.toString()));
      }
    }
    record Careless() implements Check {
      @Override
      public String words() {
        return "careless";
      }

      @Override
      public List<Finding> examine(Evidence evidence) {
        throw new IllegalStateException("oops");
      }
    }
    Reply reply = reply(HIVE);
    assertEquals(
        "$.frames[0] / an even number / 3; $.frames[2] / an even number / 5",
        told(at("$.frames", eachItem(new Even())), reply));
    CheckFailed failure =
        assertThrows(CheckFailed.class, () -> reply.must(new Careless(), status(404)));
    assertEquals(
        List.of("careless", "status(404)"),
        failure.verdicts().stream().map(verdict -> verdict.check()).toList());
    assertEquals(
        "it threw java.lang.IllegalStateException: oops",
        failure.verdicts().get(0).findings().get(0).got());
  }

  @Test
  void shapesOfOnesOwnAndSchemasStandWhereverShapesMay() throws IOException {
    record OfFewLetters() implements Shape {
      @Override
      public String words() {
        return "a short text";
      }

      @Override
      public List<Finding> differences(Location where, Json value) {
        return value.kind() == Json.Kind.TEXT && value.text().length() < 4
            ? List.of()
            : List.of(Finding.of(where, words(), value.written()));
      }
    }
    Schema text = Schema.text("{\"type\":\"string\",\"maxLength\":3}");
    for (Shape own : List.of(new OfFewLetters(), text)) {
      Reply fits = reply("{\"a\":\"Ada\",\"list\":[\"x\",\"y\"]}");
      Reply doesNot = reply("{\"a\":\"Adele\",\"list\":[\"x\",\"yyyy\"]}");
      for (Check check : List.of(
          body(including(Map.of("a", own))),
          body(Map.of("a", own, "list", List.of("x", own))),
          body(fields().with("a", own)),
          at("$.a", own),
          at("$.a", own.and(anyText())),
          at("$.a", missing().or(own)),
          at("$.list", eachItem(own)),
          at("$.list", items("x", own)),
          at("$.list", items(own, own).inAnyOrder()),
          at("$.list[1]", own),
          atEach("$.list[*]", own))) {
        assertEquals("", told(check, fits), check.words());
        assertFalse(check.examine(doesNot).isEmpty(), check.words());
      }
      assertEquals("", told(at("$.a", not(own)), doesNot));
      assertFalse(at("$.a", not(own)).examine(fits).isEmpty());
      assertFalse(at("$.b", own).examine(fits).isEmpty(), "nothing is not what is wanted");
    }
  }

  private static String told(Check check, Reply reply) {
    return check.examine(reply).stream()
        .map(finding -> finding.where() + " / " + finding.wanted() + " / " + finding.got()
            + (finding.hints().isEmpty() ? "" : " / " + String.join(", ", finding.hints())))
        .collect(Collectors.joining("; "));
  }

  private static Reply reply(String body) throws IOException {
    String head =
        "HTTP/1.1 200 OK\r\nContent-Type: application/json; charset=utf-8\r\nETag: \"4-1\"\r\nAge: 12\r\n"
            + "X-Twice: first\r\nX-Twice: second\r\nContent-Length: " + body.getBytes(UTF_8).length
            + "\r\n\r\n";
    try (RawServer server = RawServer.saying(head + new String(body.getBytes(UTF_8), ISO_8859_1))) {
      return Service.reachedAt(server.address()).send(Call.get("/hives/4"));
    }
  }
}
