package org.oddlantern.dist;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import javax.xml.parsers.DocumentBuilderFactory;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.w3c.dom.Element;

/** The demo, from its command line to its reports. */
class DemoIT {

  /** The beginning of a token; a UUID may hold it, too, but then a digit comes before. */
  private static final Pattern TOKEN = Pattern.compile("(?<![0-9a-f])bee-[0-9a-f]{8}");

  @TempDir
  Path folder;

  @Test
  void everyCasePasses() throws Exception {
    Command.Output output = Command.in(folder).run("demo");
    assertEquals("", output.err());
    assertEquals(0, output.status(), output.out());
    assertTrue(
        output.out().contains(", 131 cases in 22 suites, "), output.out()); // a section is none
    assertTrue(output.out().contains("\n131 passed in "), output.out());
    assertTrue(
        output
            .out()
            .contains(
                "\ndescribed 35 of 35 operations of beeyard.yaml called, everything as described\n"
                    + "deprecated GET /old-hives/{id} in 1 case\n"
                    + "wrong     WrongCallTest#refused: 8 of 8 refused\n"
                    + "wrong     WrongHiveTest#refused: 23 of 23 refused\n"
                    + "edge      WrongHiveTest#taken: 8 of 8 accepted\n"),
        output.out());
    assertTrue(output.out().contains("report    odd-lantern-out/report/index.html"), output.out());
    Path out = folder.resolve("odd-lantern-out");
    assertTrue(
        Files.readString(out.resolve("report/index.html")).contains("All 131 cases passed."));
    assertNothingSecret(out, output.out());
  }

  @Test
  void faultsAreToldWithPlaceWantedAndGot() throws Exception {
    Command.Output output = Command.in(folder).run("demo", "--with-faults", "--out", "here");
    assertEquals(1, output.status(), output.out());
    assertTrue(output.out().contains("\n11 failed, 120 passed in "), output.out());
    for (String part : List.of(
        "got     no such header; there are Date, Content-Type, ETag, Content-Length",
        "at      $.items[36].frames of id 37\n              wanted  a whole number\n              got     \"4\" (text)",
        "got     500 Server Error, text/plain, a body that begins: inspections of hive 2: row 12 has 6 columns, not 7",
        "hint    did you mean 'queenseen'?",
        "\nalike     4 cases: at $.items[*].frames got \"4\" (text)\n",
        "repeat    curl -sS -i -H 'Authorization: Bearer '\"$TOKEN\" http://127.0.0.1:")) {
      assertTrue(output.out().contains(part), () -> part + "\nis not in\n" + output.out());
    }
    assertNothingSecret(folder.resolve("here"), output.out());
    assertPagesAreHarmless(folder.resolve("here/report"));
    assertEquals(11, failuresInXml(folder.resolve("here/junit-xml")));
  }

  private static void assertNothingSecret(Path out, String console) throws IOException {
    StringBuilder all = new StringBuilder(console);
    try (Stream<Path> files = Files.walk(out)) {
      for (Path file : files.filter(Files::isRegularFile).toList()) {
        all.append(new String(Files.readAllBytes(file), StandardCharsets.UTF_8));
      }
    }
    Matcher token = TOKEN.matcher(all);
    assertFalse(
        token.find(),
        () -> "a token is shown: " + all.substring(Math.max(0, token.start() - 200), token.end()));
    for (String password : List.of("honey-and-thyme", "smoke-and-willow", "clover\"")) {
      assertFalse(all.toString().contains(password), password);
    }
  }

  /** Pages must be whole under a policy that forbids scripts and inline styles. */
  private static void assertPagesAreHarmless(Path report) throws IOException {
    try (Stream<Path> pages = Files.list(report)) {
      for (Path page : pages.filter(file -> file.toString().endsWith(".html")).toList()) {
        String html =
            Files.readString(page).replace("<script src=\"ledger.js\" defer></script>", "");
        assertFalse(
            html.contains("<script") || html.contains(" style=") || html.contains("<style"),
            page.toString());
      }
    }
  }

  private static int failuresInXml(Path folder) throws Exception {
    int failures = 0;
    try (Stream<Path> files = Files.list(folder)) {
      for (Path file : files.toList()) {
        Element suite = DocumentBuilderFactory.newInstance()
            .newDocumentBuilder()
            .parse(file.toFile())
            .getDocumentElement();
        assertEquals(
            suite.getAttribute("tests"),
            String.valueOf(suite.getElementsByTagName("testcase").getLength()));
        assertEquals(
            suite.getAttribute("failures"),
            String.valueOf(suite.getElementsByTagName("failure").getLength()));
        failures += Integer.parseInt(suite.getAttribute("failures"));
      }
    }
    return failures;
  }
}
