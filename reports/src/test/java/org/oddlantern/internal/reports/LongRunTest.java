package org.oddlantern.internal.reports;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.oddlantern.evidence.Header;
import org.oddlantern.internal.record.BodyRecord;
import org.oddlantern.internal.record.CaseTrail;
import org.oddlantern.internal.record.ExchangeRecord;
import org.oddlantern.internal.record.Outcome;
import org.oddlantern.internal.reports.folder.RunFolder;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** Runs that are too long for one page: several, each of a size that browsers open, and nothing is lost. */
class LongRunTest {

  private static final long LONGEST = 3_000_000;

  @TempDir
  Path folder;

  private static CaseTrail trail(int calls, int length) {
    List<ExchangeRecord> exchanges = new ArrayList<>();
    for (int i = 0; i < calls; i++) {
      String body = "{\"id\":" + i + ",\"notes\":\"" + "honey ".repeat(length) + "\"}";
      exchanges.add(new ExchangeRecord(
          new ExchangeRecord.Origin("", "yard", "/hives/{id}"),
          new ExchangeRecord.Request(
              "GET", "http://127.0.0.1:7411/hives/" + i, List.of(), BodyRecord.NONE, List.of()),
          new ExchangeRecord.Reply(
              200,
              "OK",
              List.of(new Header("Content-Type", "application/json")),
              new BodyRecord(body.length(), body, null, List.of())),
          MadeRun.WHEN,
          4_000,
          null,
          List.of()));
    }
    return new CaseTrail(exchanges, List.of(), "", List.of(), List.of(), List.of());
  }

  private Map<String, String> pages() throws Exception {
    new RunFolder(folder).writeReports(null, List.of());
    Map<String, String> pages = new HashMap<>();
    try (Stream<Path> files = Files.list(folder.resolve("report"))) {
      for (Path file : files.filter(one -> one.toString().endsWith(".html")).toList()) {
        assertTrue(Files.size(file) < LONGEST, file + " has " + Files.size(file) + " octets");
        pages.put(file.getFileName().toString(), Files.readString(file));
      }
    }
    return pages;
  }

  private static int count(String text, String part) {
    return text.split(Pattern.quote(part), -1).length - 1;
  }

  @Test
  void eachCaseStandsOnOnePageThatTheSearchLeadsTo() throws Exception {
    MadeRun made = new MadeRun("k1");
    for (int i = 0; i < 10_400; i++) {
      made.with("number " + i, i % 2_000 == 1_999 ? Outcome.FAILED : Outcome.PASSED, 3);
    }
    made.written(folder.resolve("journal.jsonl"));
    Map<String, String> pages = pages();
    String index = pages.get("index.html");
    assertTrue(index.contains("data-cases=\"cases.js\""));
    assertTrue(index.contains("class=\"broken\">1,601 to 2,000</a>"), "what failed can be seen");
    assertFalse(index.contains(">the number 57 case<"), "too many to list them all");
    String script = Files.readString(folder.resolve("report/cases.js"));
    JsonNode cases =
        JsonMapping.standard().parse(script.replace("window.cases=", "").replace(";", ""));
    assertEquals(10_400, cases.size());
    for (JsonNode one : cases) {
      String[] address = one.get(3).asString().split("#", -1);
      assertTrue(pages.get(address[0]).contains("id=\"" + address[1] + "\""), one.toString());
    }
    assertEquals(
        10_400,
        pages.values().stream()
            .mapToInt(page -> count(page, "<article class=\"case "))
            .sum());
    String page = pages.get("suite-1-YardTest.html");
    List<String> way = new ArrayList<>();
    Matcher next = Pattern.compile("rel=\"next\" href=\"([^\"]+)\"").matcher(page);
    while (next.find()) {
      way.add(next.group(1));
      page = pages.get(next.group(1));
      next = Pattern.compile("rel=\"next\" href=\"([^\"]+)\"").matcher(page);
    }
    assertEquals(25, way.size(), way.toString());
    assertTrue(page.contains("<b aria-current=\"page\">10,001 to 10,400</b>"), page);
    Matcher around = Pattern.compile("<p class=\"quiet\">(cases .*?) *</p>")
        .matcher(pages.get("suite-1-YardTest-5.html"));
    assertTrue(around.find());
    assertEquals(
        "cases 1 to 400 401 to 800 801 to 1,200 1,201 to 1,600 1,601 to 2,000 2,001 to 2,400"
            + " 2,401 to 2,800 2,801 to 3,200 \u2026 10,001 to 10,400",
        around.group(1).replaceAll("<[^>]*>", ""));
  }

  @Test
  void fewCasesWithManyCallsAndLongBodiesAreDealtToPagesToo() throws Exception {
    MadeRun made = new MadeRun("k2");
    made.with(made.one("calls", Outcome.PASSED, 9, List.of(), null, List.of(), trail(900, 4)));
    made.with(made.one("again", Outcome.PASSED, 9, List.of(), null, List.of(), trail(900, 4)));
    made.with(made.one("bodies", Outcome.PASSED, 9, List.of(), null, List.of(), trail(60, 2_000)));
    made.with(made.one("less", Outcome.PASSED, 9, List.of(), null, List.of(), trail(5, 1)));
    made.written(folder.resolve("journal.jsonl"));
    Map<String, String> pages = pages();
    String index = pages.get("index.html");
    assertTrue(index.contains(">the calls case<") && !index.contains("data-cases"), index);
    assertTrue(pages.containsKey("suite-1-YardTest-2.html"), pages.keySet().toString());
    assertFalse(Files.exists(folder.resolve("report/cases.js")));
  }

  @Test
  void aShortSuiteHasOnePageAndNoWayOn() throws Exception {
    MadeRun made = new MadeRun("k3");
    for (int i = 0; i < 300; i++) {
      made.with("number " + i, Outcome.PASSED, 3);
    }
    made.written(folder.resolve("journal.jsonl"));
    Map<String, String> pages = pages();
    assertEquals(2, pages.size());
    assertFalse(pages.get("suite-1-YardTest.html").contains("class=\"parts\""));
    assertFalse(pages.get("index.html").contains("parts\""));
  }
}
