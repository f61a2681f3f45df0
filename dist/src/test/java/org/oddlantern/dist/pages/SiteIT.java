package org.oddlantern.dist.pages;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.site.Site;

/** The documents as pages, in a real browser: what people search for is found, and everybody can read them. */
class SiteIT {

  private static final Path QUERIES = Path.of("src/test/resources/site/queries.txt");
  private static final String OWN_ONLY =
      "default-src 'none'; style-src 'self'; img-src 'self'; script-src 'self'; connect-src 'self'";

  @TempDir
  static Path folder;

  private static Browser browser;

  @BeforeAll
  static void makeThePagesAndOpenABrowser() throws Exception {
    Browser.assumeInstalled();
    Site.main(new String[] {"../docs", folder.toString()});
    browser = Browser.started();
  }

  @AfterAll
  static void close() throws IOException {
    if (browser != null) {
      browser.close();
    }
  }

  @Test
  void whatPeopleSearchForIsAmongTheFirstThree() throws Exception {
    List<String> wrong = new ArrayList<>();
    int queries = 0;
    try (ServedFolder pages = ServedFolder.of(folder, OWN_ONLY)) {
      browser.size(1280, 800);
      browser.open(pages.address("reference/files.html"));
      browser.type("/");
      for (String line : Files.readAllLines(QUERIES)) {
        if (line.isBlank() || line.startsWith("#")) {
          continue;
        }
        String[] parts = line.split(" -> ", 2);
        List<String> found = found(parts[0]);
        queries++;
        if (Stream.of(parts[1].split(" or "))
            .noneMatch(wanted -> found.stream().limit(3).anyMatch(one -> one.startsWith(wanted)))) {
          wrong.add(parts[0] + ": wanted " + parts[1] + ", got " + found);
        }
      }
      assertTrue(queries >= 60, "only " + queries + " queries");
      assertEquals("", String.join("\n", wrong));
      assertEquals(List.of(), found("zyzzyva"), "what nobody wrote is not found");
    }
  }

  private static List<String> found(String query) throws Exception {
    String written = JsonMapping.standard().write(query);
    browser.value("(() => { const input = document.getElementById('page-search'); input.value = "
        + written + "; input.dispatchEvent(new Event('input')); })()");
    List<String> found = new ArrayList<>();
    browser
        .value(
            "[...document.querySelectorAll('#page-found a')].map(a => a.getAttribute('href').replace(/^(\\.\\.\\/)*/, ''))")
        .forEach(one -> found.add(one.asString("")));
    return found;
  }

  @Test
  void everyPageFitsANarrowWindowAndIsWholeWithoutScripts() throws Exception {
    List<String> wrong = new ArrayList<>();
    try (ServedFolder pages = ServedFolder.of(folder, OWN_ONLY)) {
      for (int width : new int[] {390, 1280}) {
        browser.size(width, 800);
        browser.withScripts(false);
        for (String page : pages()) {
          browser.open(pages.address(page));
          int wide = browser.number("document.documentElement.scrollWidth");
          if (wide > width) {
            wrong.add(page + " is " + wide + " wide in " + width);
          }
          if (browser.number("document.querySelectorAll('main h1').length") != 1
              || browser.number("document.querySelectorAll('nav[aria-label=Documents] a').length")
                  < 20
              || !page.equals("index.html")
                  && browser.number("document.querySelectorAll('nav.way a').length") < 1) {
            wrong.add(page + " lacks a heading, the list of documents or a way on");
          }
        }
      }
    } finally {
      browser.withScripts(true);
    }
    assertEquals("", String.join("\n", wrong));
  }

  /** Only what users name is there. */
  @Test
  void theJavadocIsBesideThem(@TempDir Path other) throws Exception {
    Path jar = Path.of(
        "../bundle/target/odd-lantern-" + System.getProperty("built.version") + "-javadoc.jar");
    assumeTrue(Files.exists(jar), "this build made no javadoc");
    Site.main(new String[] {"../docs", other.toString(), jar.toString()});
    for (String page : List.of("index.html", "reference/checks.html")) {
      String text = Files.readString(other.resolve(page));
      assertTrue(text.contains("api/index.html\">Java API (javadoc)</a>"), page);
    }
    assertTrue(Files.exists(other.resolve("api/org/oddlantern/check/Checks.html")));
    try (Stream<Path> files = Files.walk(other.resolve("api/org/oddlantern"))) {
      assertEquals(
          List.of(), files.filter(one -> one.toString().contains("internal")).toList());
    }
  }

  @Test
  void theCheckersFindNoErrors() throws Exception {
    List<String> found = new ArrayList<>();
    try (ServedFolder pages = ServedFolder.of(folder, "")) {
      browser.size(1280, 800);
      for (boolean dark : new boolean[] {false, true}) {
        browser.dark(dark);
        for (String page : List.of(
            "index.html", "calls.html", "reference/settings.html", "reference/checks.html")) {
          browser.open(pages.address(page));
          for (String one : PageCheckers.accessibility(browser, dark)) {
            found.add(page + (dark ? ", dark: " : ": ") + one);
          }
        }
      }
      browser.dark(false);
    }
    assertEquals(List.of(), found);
    assertEquals("", PageCheckers.html(folder));
  }

  @Test
  void everyLinkLeadsToAPageAndAPlaceInIt() throws Exception {
    List<String> wrong = new ArrayList<>();
    try (ServedFolder pages = ServedFolder.of(folder, OWN_ONLY)) {
      for (String page : pages()) {
        browser.open(pages.address(page));
        browser
            .value(
                "(async () => { const wrong = []; for (const a of document.querySelectorAll('a[href]')) {"
                    + " const to = new URL(a.href); if (to.host !== location.host) continue;"
                    + " if (!window.known) window.known = {};"
                    + " const text = known[to.pathname] ??= await (await fetch(to.pathname)).text();"
                    + " if (!text || to.hash && !text.includes('id=\"' + to.hash.slice(1) + '\"')) wrong.push(a.getAttribute('href')); }"
                    + " return wrong; })()")
            .forEach(one -> wrong.add(page + ": " + one.asString("")));
      }
    }
    assertEquals("", String.join("\n", wrong));
  }

  private static List<String> pages() throws IOException {
    try (Stream<Path> files = Files.walk(folder)) {
      return files
          .filter(file -> file.toString().endsWith(".html"))
          .map(file -> folder.relativize(file).toString())
          .sorted()
          .toList();
    }
  }
}
