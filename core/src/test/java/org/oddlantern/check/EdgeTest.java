package org.oddlantern.check;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertSame;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.oddlantern.check.Checks.*;

import java.io.IOException;
import java.time.Duration;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HexFormat;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AutoClose;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.oddlantern.evidence.CheckFailed;
import org.oddlantern.evidence.Cookie;
import org.oddlantern.evidence.Header;
import org.oddlantern.evidence.Headers;
import org.oddlantern.evidence.internal.BodyText;
import org.oddlantern.http.Call;
import org.oddlantern.http.Reply;
import org.oddlantern.http.Service;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Json;
import org.oddlantern.json.Location;
import org.oddlantern.json.Shape;
import org.oddlantern.testing.TestService;

/** The last input for which something is said, and the first for which it is not. */
class EdgeTest {

  @AutoClose
  private final TestService server = new TestService();

  private final Service service = Service.reachedAt(server.address());

  /** RFC 6265, section 5.2, but for quotes around a value, in which a semicolon may stand. */
  @ParameterizedTest
  @CsvSource(delimiter = '|', quoteCharacter = '`', textBlock = """
      a=1; Path=/; path=/b        | a=[1] {Path=/}
      a=1;Secure;Max-Age = 5      | a=[1] {Max-Age=5, Secure=}
      a="x;y"; Secure             | a=[x;y] {Secure=}
      a= "x;y" ; Secure           | a=[x;y] {Secure=}
      a="x; Secure                | a=["x] {Secure=}
      a="x                        | a=["x] {}
      a=";Secure                  | a=["] {Secure=}
      a=""                        | a=[] {}
      a=x"                        | a=[x"] {}
      a="x"y                      | a=["x"y] {}
      a=                          | a=[] {}
      a=b=c;d                     | a=[b=c] {d=}
      a="b=;c"                    | a=[b=;c] {}
      a; b=1                      | none
      a; b="1;2"                  | none
      =x                          | none
      x                           | none
      """)
  void aCookieEndsAtTheFirstSemicolonOutsideQuotes(String line, String wanted) {
    List<Cookie> cookies = Cookie.in(new Headers(List.of(new Header("Set-Cookie", line))));
    assertEquals(
        wanted,
        cookies.isEmpty()
            ? "none"
            : cookies.get(0).name() + "=[" + cookies.get(0).value() + "] "
                + cookies.get(0).attributes());
  }

  /** The characters of a token are those of RFC 9110, section 5.6.2, and no others. */
  @Test
  void aHeaderIsNamedByATokenAndBreaksNoLine() {
    String allowed =
        "!#$%&'*+-.^_`|~0123456789" + "abcdefghijklmnopqrstuvwxyzABCDEFGHIJKLMNOPQRSTUVWXYZ";
    for (char c = 0; c < 0x180; c++) {
      String name = "x" + c;
      if (allowed.indexOf(c) >= 0) {
        Call.get("/").header(name, "v");
      } else {
        refused("cannot be the name of a header", () -> Call.get("/").header(name, "v"));
      }
    }
    refused("cannot be the name of a header", () -> Call.get("/").header("", "v"));
    for (String value : List.of("\r", "\n", "\0", "a\rb", "a\nb", "a\0")) {
      refused("line break or NUL", () -> Call.get("/").header("x", value));
    }
    for (String value : List.of("", "\t", "a\u0001b", "\u0100")) {
      Call.get("/").header("x", value);
    }
  }

  @ParameterizedTest
  @CsvSource(delimiter = '|', quoteCharacter = '`', textBlock = """
      text/plain                         | c3bc   | ü      |
      text/plain; charset=utf-8          | c3bc   | ü      |
      text/plain; Charset = "ISO-8859-1" | fc     | ü      |
      text/plain;charset=iso-8859-1      | c3bc   | Ã¼     |
      text/plain                         | efbfbd | \uFFFD |
      text/plain                         | fc     | \uFFFD | not all of its bytes are UTF-8; those are shown as \uFFFD
      text/plain; charset=us-ascii       | fc     | \uFFFD | not all of its bytes are US-ASCII, which it declares; those are shown as \uFFFD
      text/plain; charset=meadow         | c3bc   | ü      | the charset 'meadow' that it declares is unknown; it is shown as UTF-8
      text/plain; charset=meadow         | fc     | \uFFFD | the charset 'meadow' that it declares is unknown; it is shown as UTF-8
      text/plain; boundary=charset       | fc     | \uFFFD | not all of its bytes are UTF-8; those are shown as \uFFFD
      """)
  void aBodyIsTextByItsCharsetAndAProblemOnlyIfThereIsOne(
      String type, String hex, String text, String problem) {
    BodyText read = BodyText.of(type, HexFormat.of().parseHex(hex));
    assertEquals(text, read.text());
    assertEquals(problem == null ? "" : problem, read.problem());
  }

  @ParameterizedTest
  @CsvSource(delimiter = '|', quoteCharacter = '`', textBlock = """
      8  | 8  | 0  | 8 bytes: 00 01 02 03 04 05 06 07 from byte 1 on     | 8 bytes: 7f 01 02 03 04 05 06 07 from byte 1 on
      9  | 9  | 0  | 9 bytes: 00 01 02 03 04 05 06 07 ... from byte 1 on | 9 bytes: 7f 01 02 03 04 05 06 07 ... from byte 1 on
      9  | 9  | 8  | 9 bytes: 00 01 02 03 04 05 06 07 08 from byte 1 on  | 9 bytes: 00 01 02 03 04 05 06 07 7f from byte 1 on
      10 | 10 | 9  | 10 bytes: ... 01 02 03 04 05 06 07 08 09 from byte 2 on | 10 bytes: ... 01 02 03 04 05 06 07 08 7f from byte 2 on
      1  | 2  | -  | 1 byte: 00 from byte 1 on | 2 bytes: 00 01 from byte 1 on
      2  | 1  | -  | 2 bytes: 00 01 from byte 1 on | 1 byte: 00 from byte 1 on
      1  | 0  | -  | 1 byte: 00 from byte 1 on | 0 bytes
      """)
  void bytesAreShownAroundTheFirstThatDiffers(
      int wanted, int got, String changed, String wantedWords, String gotWords) {
    byte[] sent = counted(got);
    if (!changed.equals("-")) {
      sent[Integer.parseInt(changed)] = (byte) 0x7F;
    }
    Reply reply = service.send(Call.post("/echo").bytes(sent, "application/octet-stream"));
    List<Finding> findings = bytes(counted(wanted)).examine(reply);
    assertEquals(1, findings.size());
    assertEquals(wantedWords, findings.get(0).wanted());
    assertEquals(gotWords, findings.get(0).got());
    assertEquals(
        List.of(
            got < wanted
                ? "it ends after byte " + got
                : got > wanted
                    ? "it goes on after the " + wanted + " bytes wanted"
                    : "the first difference is in byte " + (Integer.parseInt(changed) + 1)),
        findings.get(0).hints());
    assertEquals(List.of(), bytes(sent).examine(reply));
    assertEquals("bytes(" + wanted + " bytes)", bytes(counted(wanted)).words());
  }

  @ParameterizedTest
  @ValueSource(ints = {1, 2, 3, 12, 13, 5_000})
  void fewBadItemsAreToldOneByOneAndManyTogether(int bad) {
    List<Integer> list = new ArrayList<>(Collections.nCopies(bad, 7));
    list.add(0);
    List<Finding> findings = found(eachItem(atMost(5)), list);
    if (bad <= 2) {
      assertEquals(bad, findings.size());
      assertEquals("7", findings.get(0).got());
      return;
    }
    assertEquals(1, findings.size());
    String got = findings.get(0).got();
    assertTrue(
        got.startsWith(String.format(Locale.ROOT, "in %,d of %,d items 7:\n", bad, bad + 1)), got);
    assertEquals(bad > 12, got.contains("more"), got);
    assertTrue(bad != 13 || got.endsWith("and 1 more"), got);
    assertEquals(Math.min(bad, 12), findings.get(0).places().size());
  }

  @ParameterizedTest
  @ValueSource(ints = {20, 21, 25})
  void twentyKindsOfBadItemsAreToldAndTheOthersCounted(int kinds) {
    List<Finding> findings = found(
        eachItem(fields().only()),
        IntStream.range(0, kinds).mapToObj(i -> "{\"f" + i + "\":1}").toList());
    long counted =
        findings.stream().filter(one -> one.got().contains("other kinds")).count();
    assertEquals(kinds > 20 ? 1 : 0, counted, findings::toString);
    assertEquals(Math.min(kinds, 20), findings.size() - counted);
    if (kinds > 20) {
      Finding last = findings.get(findings.size() - 1);
      assertEquals(
          (kinds - 20) + " more findings of other kinds; " + kinds + " of " + kinds
              + " items are bad in all",
          last.got());
    }
  }

  @Test
  void anItemIsNearIfAtMostHalfOfItDiffers() {
    Shape hive = fields().with("a", 1).with("b", 2).with("c", 3).with("d", 4);
    assertEquals(
        List.of("the nearest is [0]", "  there c is 0, wanted 3", "  there d is 0, wanted 4"),
        found(itemsIncluding(hive), List.of("{\"a\":1,\"b\":2,\"c\":0,\"d\":0}"))
            .get(0)
            .hints());
    assertEquals(
        List.of(),
        found(itemsIncluding(hive), List.of("{\"a\":1,\"b\":0,\"c\":0,\"d\":0}"))
            .get(0)
            .hints());
    // of two that are as near the first is named
    assertTrue(found(
            itemsIncluding(hive),
            List.of("{\"a\":0,\"b\":2,\"c\":3,\"d\":4}", "{\"a\":1,\"b\":0,\"c\":3,\"d\":4}"))
        .get(0)
        .hints()
        .contains("the nearest is [0]"));
    List<String> far = new ArrayList<>(Collections.nCopies(300, "{\"x\":1,\"y\":2,\"z\":3}"));
    far.add("{\"a\":1,\"b\":2,\"c\":3,\"d\":0}");
    assertEquals(List.of(), found(itemsIncluding(hive), far).get(0).hints());
    assertFalse(found(itemsIncluding(hive), far.subList(1, 301)).get(0).hints().isEmpty());
  }

  @Test
  void millionsOfComparisonsAreRefusedAndNotBegun() {
    Object[] shapes = Collections.nCopies(2_000, wholeNumber()).toArray();
    List<Integer> items = Collections.nCopies(2_000, 1);
    refused(
        "2,001 shapes and 2,000 items in any order are too many to be tried",
        () -> found(items(wholeNumber(), shapes).inAnyOrder(), items));
    Object[] plain = Collections.nCopies(2_000, 1).toArray();
    assertEquals(2, found(items(1, plain).inAnyOrder(), items).size());
  }

  @Test
  void boundsThatAreEqualAreBoundsAndReversedOnesAreNot() {
    assertEquals(List.of(), found(between(5, 5), 5));
    assertEquals(1, found(between(5, 5), 6).size());
    LocalDate day = LocalDate.of(2026, 5, 13);
    assertEquals(List.of(), found(between(day, day), "\"2026-05-13\""));
    assertEquals(1, found(between(day, day), "\"2026-05-14\"").size());
    assertEquals(List.of(), found(near(5, 0), 5));
    assertEquals(
        "a date that is the same as 2026-05-13", near(day, Duration.ZERO).words());
    assertEquals("a date between 2026-05-13 and 2026-05-13", between(day, day).words());
    refused("the lower bound comes first", () -> between(6, 5));
    refused("the lower bound comes first", () -> between(day.plusDays(1), day));
    refused("a tolerance is at least 0", () -> near(5, -0.1));
    refused("a tolerance is at least 0", () -> near(day, Duration.ofMillis(-1)));
  }

  @Test
  void anOrderIsSaidInItsWordsAndByTheKeyOfEachItem() {
    assertEquals("a list sorted", sorted().words());
    assertEquals("a list sorted, descending", sorted().descending().words());
    assertEquals(
        "a list sorted by $.id, descending", sortedBy("$.id").descending().words());
    assertEquals(
        List.of(), found(sortedBy("$.id"), List.of("{\"id\":9}", "{\"id\":10}", "{\"id\":10}")));
    Finding finding =
        found(sortedBy("$.id"), List.of("{\"id\":9}", "{\"id\":8}")).get(0);
    assertEquals("8 after 9", finding.got());
    assertEquals(List.of("it is sorted the other way round"), finding.hints());
    assertEquals(
        List.of(
            "it is sorted without regard to upper and lower case; here texts go by code points"),
        found(sorted().descending(), List.of("\"c\"", "\"B\"", "\"b\"", "\"a\""))
            .get(0)
            .hints());
  }

  @Test
  void aCookieIsAskedByItsNameAndAShapeByItsWords() throws IOException {
    Reply reply = service.send(Call.get("/things/1"));
    Finding none = cookie("season", "spring").examine(reply).get(0);
    assertEquals("no cookies at all", none.got());
    assertEquals(List.of(), cookie("season", missing()).examine(reply));
    String words = at(
            "$",
            oneOf(
                "calm",
                "busy",
                IntStream.range(0, 200).mapToObj(i -> "word" + i).toArray()))
        .words();
    assertTrue(words.endsWith("characters in all))") && words.length() < 300, words);
    String exact = at("$", oneOf("calm", "busy")).words();
    assertEquals("at(\"$\", \"calm\" or \"busy\")", exact);
  }

  @Test
  void evidenceIsGivenBackSoThatOneMayGoOn() {
    Reply reply = service.send(Call.post("/echo").json("{\"a\":1,\"b\":[1,2]}"));
    assertSame(reply, reply.must(status(200)).warnUnless(at("$.a", 2)));
    assertEquals(
        List.of(1, 2),
        reply
            .sent()
            .must(at("$.a", 1), at("$.b", size(2)))
            .warnUnless(at("$.a", 2), at("$.b", size(3)))
            .valuesAt("$.b[*]", Integer.class));
  }

  @Test
  void aTryThatWasSlowByChanceHasASecondChanceAndOneThatTookTheLimitHasNot() {
    AtomicInteger tries = new AtomicInteger();
    eventually(Duration.ofSeconds(2), () -> {
      pause(tries.incrementAndGet() == 1 ? 1_200 : 0);
      assertTrue(tries.get() > 1);
    });
    assertEquals(2, tries.get());
    tries.set(0);
    Reply reply = service.send(Call.get("/a"));
    assertThrows(
        CheckFailed.class,
        () -> eventually(Duration.ofMillis(300), () -> {
          tries.incrementAndGet();
          pause(400);
          reply.must(at("$.path", "/b"));
        }));
    assertEquals(1, tries.get());
  }

  private static byte[] counted(int size) {
    byte[] bytes = new byte[size];
    for (int i = 0; i < size; i++) {
      bytes[i] = (byte) i;
    }
    return bytes;
  }

  private static List<Finding> found(Shape shape, Object text) {
    String json = text instanceof List<?> list
        ? list.stream().map(String::valueOf).collect(Collectors.joining(",", "[", "]"))
        : text.toString();
    return shape.differences(Location.ROOT, Json.parse(json));
  }

  private static void refused(String message, Runnable making) {
    String told = assertThrows(IllegalArgumentException.class, making::run).getMessage();
    assertTrue(told.contains(message), told);
  }

  private static void pause(int millis) {
    try {
      Thread.sleep(millis);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }
}
