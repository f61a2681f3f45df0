package org.oddlantern.dist.pages;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.oddlantern.dist.Command;
import org.oddlantern.dist.Fetched;
import org.oddlantern.internal.journal.Journal;
import org.oddlantern.internal.reports.RunData;
import org.oddlantern.internal.reports.html.HtmlReport;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** The pages of the demo and of hostile runs in a real browser, and under the eyes of checkers. */
class PagesIT {

  private static final String NOTHING_INLINE =
      "default-src 'none'; style-src 'self'; img-src 'self'";
  private static final String ROWS = "section.suite > table > tbody > tr";
  private static final String SHOWN =
      "[...document.querySelectorAll('" + ROWS + "')].filter(row => row.offsetParent).length";

  @TempDir
  static Path folder;

  private static Browser browser;

  @BeforeAll
  static void runTheDemoAndOpenABrowser() throws Exception {
    Browser.assumeInstalled();
    for (int run = 0; run < 2; run++) {
      Command.Output output = Command.in(folder)
          .run(
              "demo",
              "--with-faults",
              "--lanes",
              "2",
              "--out",
              "out",
              "--history",
              "history",
              "--har",
              "--blind-spots");
      assertEquals(1, output.status(), output.out());
    }
    browser = Browser.started();
  }

  @AfterAll
  static void close() throws IOException {
    if (browser != null) {
      browser.close();
    }
  }

  @Test
  void theScriptFindsAndFiltersAndKeysMove() throws Exception {
    try (ServedFolder pages = ServedFolder.of(folder.resolve("out"), "")) {
      browser.withScripts(true);
      browser.size(1280, 800);
      browser.open(pages.address("report/index.html"));
      assertEquals(134, browser.number(SHOWN));
      browser.type("/");
      assertEquals("sought", browser.text("document.activeElement.id"));
      browser.type("neighbour hiverefusal");
      assertEquals(2, browser.number(SHOWN));
      assertEquals("2 of 134 shown", browser.text("document.querySelector('#sifted').textContent"));
      browser.press("Escape", 27);
      assertEquals(134, browser.number(SHOWN));
      browser.click(".choice input[value=passed]");
      int broken = browser.number("document.querySelectorAll('" + ROWS + ".broken').length");
      assertTrue(broken >= 10);
      assertEquals(broken + 3, browser.number(SHOWN), "and what was supplied");
      browser.type("n");
      assertEquals(
          browser.text("document.querySelector('.card h3 a').href"),
          browser.text("document.activeElement.href"));
      browser.type("nnp");
      assertEquals(
          browser.text("document.querySelectorAll('.card h3 a')[1].href"),
          browser.text("document.activeElement.href"));
      browser.open(browser.text("document.activeElement.href"));
      assertTrue(
          browser.text("document.querySelector(':target > h2').textContent").startsWith("failed"));
    }
  }

  @Test
  void aSentenceOfADocumentUnfoldsToWhatWasSentAndCame() throws Exception {
    try (ServedFolder pages = ServedFolder.of(folder.resolve("out"), NOTHING_INLINE)) {
      browser.size(1280, 800);
      browser.withScripts(false);
      browser.open(pages.address("report/promises.html"));
      assertEquals(
          browser.number("document.querySelectorAll('.is-broken > .proof').length"),
          browser.number("document.querySelectorAll('.is-broken > .proof[open]').length"),
          "what is broken shows why");
      String story =
          "document.querySelector('.is-kept > .proof > .story').checkVisibility() ? 1 : 0";
      assertEquals(0, browser.number(story));
      browser.click(".is-kept > .proof > summary");
      assertEquals(1, browser.number(story));
      assertEquals(5, browser.number("document.querySelectorAll('.samples tbody tr').length"));
      assertEquals(
          "pending A keeper hears by mail when a hive was moved by somebody else.",
          browser.text("document.querySelector('.is-pending').innerText.replace(/\\s+/g, ' ')"));
      for (int width : new int[] {360, 1280}) {
        browser.size(width, 800);
        assertTrue(browser.number("document.documentElement.scrollWidth") <= width, "at " + width);
      }
    }
  }

  @Test
  void aPlaceThatNobodyWatchesIsMarkedByWordAndSign() throws Exception {
    try (ServedFolder pages = ServedFolder.of(folder.resolve("out"), NOTHING_INLINE)) {
      browser.size(1280, 800);
      browser.withScripts(false);
      browser.open(pages.address("report/index.html"));
      browser.click("a[href='blind-spots.html']");
      browser.open(pages.address("report/blind-spots.html"));
      String sentence = browser.text("document.querySelector('.verdict').textContent");
      assertTrue(
          sentence.matches(
              "Of \\d+ things that the service returned to the tests, \\d+ could be wrong tomorrow and no test would notice\\."),
          sentence);
      String unwatched = "[...document.querySelectorAll('.watch .not-at-all')]";
      assertTrue(browser.number(unwatched + ".length") > 20);
      assertEquals(
          0,
          browser.number(unwatched
              + ".filter(row => row.querySelector('.sign').textContent != '○'"
              + " || row.querySelector('.how').textContent.trim() != 'not at all').length"));
      assertTrue(browser.number("document.querySelectorAll('.operation[open] .paste').length") > 5);
      for (int width : new int[] {360, 1280}) {
        browser.size(width, 800);
        assertTrue(browser.number("document.documentElement.scrollWidth") <= width, "at " + width);
      }
    }
  }

  @Test
  void everyPageIsWholeWithoutScriptAndUnderAPolicyThatForbidsInlineStyle() throws Exception {
    try (ServedFolder pages = ServedFolder.of(folder.resolve("out"), NOTHING_INLINE)) {
      browser.size(1280, 800);
      browser.withScripts(false);
      browser.open(pages.address("report/index.html"));
      assertEquals(134, browser.number(SHOWN));
      assertEquals(0, browser.number("document.querySelector('form.sieve').offsetHeight"));
      assertEquals(
          "4px", browser.text("getComputedStyle(document.querySelector('.card')).borderLeftWidth"));
      assertFalse(browser
          .text("getComputedStyle(document.querySelector('.lanes .bar')).fill")
          .equals("rgb(0, 0, 0)"));
      assertEquals(
          0,
          browser.number("document.querySelectorAll('[style], style, script:not([src])').length"));
      browser.open(pages.address("report/" + page("KeeperDayTest")));
      assertTrue(
          browser.value("[...document.querySelectorAll('.step')].length == 3").asBoolean(false));
      browser.value("document.querySelectorAll('details').forEach(one => one.open = true)");
      assertEquals(
          240,
          browser.number(
              "(async () => { let one = document.querySelector('img.picture'); one.loading = 'eager'; await one.decode(); return one.naturalWidth; })()"));
      browser.withScripts(true);
    }
  }

  @Test
  void nothingOverflowsAndNothingFromOutsideRuns() throws Exception {
    Path out = folder.resolve("hostile");
    HostileRun.endless(out.resolve("journal.jsonl"));
    Journal journal = new Journal(out.resolve("journal.jsonl"));
    HtmlReport.write(RunData.of(journal), journal, out.resolve("report"));
    List<String> wrong = new ArrayList<>();
    try (ServedFolder hostile = ServedFolder.of(out, "");
        ServedFolder demo = ServedFolder.of(folder.resolve("out"), "")) {
      for (int width : new int[] {1280, 390}) {
        browser.size(width, 844);
        for (String address : List.of(
            hostile.address("report/index.html"),
            hostile.address("report/suite-1-HostileTest.html"),
            demo.address("report/index.html"),
            demo.address("report/history.html"),
            demo.address("report/" + page("CallKindsTest")))) {
          browser.open(address);
          browser.value("document.querySelectorAll('details').forEach(one => one.open = true)");
          int wide = browser.number("document.documentElement.scrollWidth");
          if (wide > width) {
            wrong.add(address.replaceAll(".*/", "") + " is " + wide + " wide in " + width);
          }
          assertFalse(browser.text("document.title").contains("broken into:"), address);
          assertFalse(browser.text("document.title").equals("broken into"), address);
        }
      }
    }
    assertEquals(List.of(), wrong);
  }

  @Test
  void tenThousandCasesAreUsableAndSmall() throws Exception {
    Path out = folder.resolve("many");
    HostileRun.many(out.resolve("journal.jsonl"), 10_000);
    Journal journal = new Journal(out.resolve("journal.jsonl"));
    HtmlReport.write(RunData.of(journal), journal, out.resolve("report"));
    long size = Files.size(out.resolve("report/index.html"));
    assertTrue(size < 2_000_000, "the index has " + size + " bytes");
    try (ServedFolder pages = ServedFolder.of(out, "")) {
      browser.size(1280, 800);
      browser.open(pages.address("report/index.html"));
      browser.type("/");
      browser.type("hive 4711 ");
      assertEquals(1, browser.number(SHOWN));
      assertEquals(
          List.of("66 cases", "at $.kind wanted 5, got 4", "and 54 more"),
          glance(1, ".word", ".symptom", "li:last-child"));
      assertEquals(
          List.of("1 case", "Gate: gate 7 is shut", "hive 9907 is as it was registered"),
          glance(2, ".word", ".symptom", "li:last-child"));
      assertEquals(40, browser.number("document.querySelectorAll('.card').length"));
      browser.click(".glance > li:nth-child(2) a");
      assertEquals(
          "hive 9907 is as it was registered",
          browser.text("document.querySelector('.card:target h3 a').textContent"));
    }
  }

  @Test
  void ofMoreCasesThanAPageListsEachIsFoundAllTheSame() throws Exception {
    Path out = Files.createDirectories(folder.resolve("more"));
    HostileRun.many(out.resolve("journal.jsonl"), 10_200);
    Journal journal = new Journal(out.resolve("journal.jsonl"));
    HtmlReport.write(RunData.of(journal), journal, out.resolve("report"));
    assertTrue(Files.size(out.resolve("report/index.html")) < 1_000_000);
    try (ServedFolder pages = ServedFolder.of(out, "")) {
      browser.size(1280, 800);
      browser.withScripts(true);
      browser.open(pages.address("report/index.html"));
      assertEquals(68, browser.number(SHOWN), "those that broke");
      assertEquals(
          102,
          browser.number(
              "[...document.querySelectorAll('section.suite')].filter(one => one.offsetParent).length"));
      browser.type("/");
      browser.type("hive 4711 ");
      String found = "document.querySelectorAll('ol.found > li')";
      for (int i = 0; i < 100 && browser.number(found + ".length") != 1; i++) {
        Thread.sleep(50);
      }
      assertEquals("1 found", browser.text("document.querySelector('#sifted').textContent"));
      browser.open(browser.text("document.querySelector('ol.found a').href"));
      assertEquals(
          "passed hive 4711 is as it was registered",
          browser.text("document.querySelector(':target > h2').textContent"));
    }
  }

  @Test
  void theAccessibilityCheckerFindsNoErrors() throws Exception {
    List<String> found = new ArrayList<>();
    try (ServedFolder pages = ServedFolder.of(folder.resolve("out"), "")) {
      browser.size(1280, 800);
      for (boolean dark : new boolean[] {false, true}) {
        browser.dark(dark);
        for (String page : List.of(
            "index.html",
            "history.html",
            "promises.html",
            "description.html",
            "blind-spots.html",
            page("CallKindsTest"),
            page("KeeperDayTest"),
            page("SchemaTest"))) {
          browser.open(pages.address("report/" + page));
          for (String one : PageCheckers.accessibility(browser, dark)) {
            found.add(page + (dark ? ", dark: " : ": ") + one);
          }
        }
      }
      browser.dark(false);
    }
    assertEquals(List.of(), found);
  }

  @Test
  void theHtmlCheckerFindsNoErrors() throws Exception {
    assertEquals("", PageCheckers.html(folder.resolve("out/report")));
  }

  @Test
  void theArchiveFitsTheSchemasOfItsFormat() throws Exception {
    Path schemas = Fetched.at("reports/har");
    Command.Output fits = Command.in(folder)
        .run(
            "schema",
            "check",
            schemas.toAbsolutePath().normalize().resolve("har.json").toString(),
            "out/exchanges.har");
    assertEquals(0, fits.status(), fits.out() + fits.err());
    JsonNode log = JsonMapping.standard()
        .parse(Files.readString(folder.resolve("out/exchanges.har")))
        .path("log");
    assertTrue(log.path("entries").size() > 80);
    Instant before = Instant.MIN;
    for (JsonNode entry : log.path("entries")) {
      Instant sent = Instant.parse(entry.path("startedDateTime").asString(""));
      assertFalse(sent.isBefore(before), "in order of time");
      before = sent;
      JsonNode content = entry.at("/response/content");
      if (content.path("encoding").isMissingNode()
          && !content.path("text").asString("").isEmpty()) {
        assertEquals(
            content.path("text").asString("").getBytes(StandardCharsets.UTF_8).length,
            content.path("size").asInt());
      }
    }
    assertFalse(log.toString().contains("honey-and-thyme"));
  }

  private static String page(String suite) throws IOException {
    try (Stream<Path> pages = Files.list(folder.resolve("out/report"))) {
      return pages
          .map(page -> page.getFileName().toString())
          .filter(page -> page.endsWith("-" + suite + ".html"))
          .findFirst()
          .orElseThrow();
    }
  }

  private static List<String> glance(int number, String... parts) throws Exception {
    List<String> told = new ArrayList<>();
    for (String part : parts) {
      told.add(browser.text("document.querySelector('.glance > li:nth-child(" + number + ") " + part
          + "').textContent"));
    }
    return told;
  }
}
