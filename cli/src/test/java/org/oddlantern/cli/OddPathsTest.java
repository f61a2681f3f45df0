package org.oddlantern.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Folders and files as other systems have them: blanks, signs, umlauts, backslashes, CR and LF. */
class OddPathsTest {

  private static final String ODD = "H\u00fcgel 100% #1 & co (x86) 50%25";

  private static final String SUITE = """
      import static org.oddlantern.check.Checks.*;
      import java.util.List;
      import org.oddlantern.config.Environment;
      import org.oddlantern.http.*;
      import org.oddlantern.suite.*;
      public class HiveTest {
        public record Wanted(String label, int status) {}
        private final Service api;
        HiveTest(Environment environment) { api = environment.service("api"); }
        @Samples static List<Wanted> wanted() { return SampleFile.read("wanted #1.csv", Wanted.class); }
        @Case("the share of {label} is told") void told(Wanted one) {
          System.out.println("in C:\\\\temp\\\\new");
          var reply = api.send(Call.get("/shares")).must(status(one.status()), asAgreed("share"));
          keep("C:\\\\notes\\\\100% #1.txt", "text/plain", reply.text().getBytes(java.nio.charset.StandardCharsets.UTF_8));
        }
      }
      """;

  private HttpServer server;

  @BeforeEach
  void start() throws IOException {
    Shell.emptyFolder();
    server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
    server.createContext("/", exchange -> {
      byte[] body = "{\"share\":\"\\\\\\\\yard\\\\hives\",\n\"text\":\"a\\r\\nb\"}"
          .getBytes(StandardCharsets.UTF_8);
      exchange.getResponseHeaders().add("Content-Type", "application/json");
      exchange.sendResponseHeaders(200, body.length);
      exchange.getResponseBody().write(body);
      exchange.close();
    });
    server.start();
  }

  @AfterEach
  void stop() {
    server.stop(0);
  }

  @Test
  void foldersMayBeCalledAnythingAndLinesMayEndWithBoth() throws IOException {
    Shell.write(
        "odd-lantern.yaml",
        ("environment: here\nenvironments:\n  here:\n    services:\n      api: { url: \"http://127.0.0.1:"
                + server.getAddress().getPort() + "\" }\nhistory:\n  folder: \"" + ODD + "\"\n")
            .replace("\n", "\r\n"));
    Path classes = Path.of(ODD, "classes");
    Files.createDirectories(classes.getParent());
    Files.move(Shell.compiled("HiveTest", SUITE), classes);
    Shell.write(classes + "/wanted #1.csv", "label,status\r\nHeather,200\r\n\"a, b\",200\r\n");
    Shell.write(
        classes + "/promises/h\u00fcgel.md",
        "- The share of {label} is told.\r\n\r\n  samples: wanted #1.csv\r\n");
    Path out = Path.of(ODD, "out");
    String[] run = {
      "run", classes.toString(), "--out", out.toString(), "--inline-bodies", "20", "--har"
    };
    assertTrue(Shell.says(1, run).contains("nothing is agreed on yet"));
    Shell.says(0, "agree", out.toString(), "--into", classes.toString(), "--yes");
    Path agreed;
    try (Stream<Path> files = Files.walk(classes.resolve("agreed"))) {
      agreed =
          files.filter(file -> file.toString().contains("Heather")).findFirst().orElseThrow();
    }
    Files.writeString(agreed, Files.readString(agreed).replace("\n", "\r\n"));
    String green = Shell.says(0, run);
    assertTrue(green.contains("passed") && green.contains("1 of 1 promise kept"), green);
    assertFalse(green.contains("problem"), green);
    Shell.says(
        0, "report", out.toString(), "--out", ODD + "/again", "--compared-with", out.toString());
    assertEquals(
        3, Shell.run("run", classes.toString(), "--failed-in", out.toString()).status());
    for (Path folder : new Path[] {out, Path.of(ODD, "again")}) {
      String page = page(folder);
      assertTrue(page.contains("in C:\\temp\\new"), page);
      assertTrue(page.contains("C:\\notes\\100% #1.txt"), page);
      assertEquals(4, targets(page, folder), "two bodies and two kept files are linked");
    }
    try (Stream<Path> kept = Files.list(out.resolve("kept"))) {
      assertTrue(kept.noneMatch(file -> file.toString().contains("\\")), "folders elsewhere");
    }
    Shell.says(0, "report", out.toString(), "--compared-with", ODD + "/again/../out");
  }

  private static String page(Path folder) throws IOException {
    try (Stream<Path> pages = Files.list(folder.resolve("report"))) {
      return Files.readString(pages
          .filter(page -> page.getFileName().toString().startsWith("suite-"))
          .findFirst()
          .orElseThrow());
    }
  }

  /** How many links of a page lead to files outside the report, each of which is there. */
  private static int targets(String page, Path folder) {
    URI report = folder.resolve("report").toUri();
    Matcher links = Pattern.compile("href=\"(\\.\\.[^\"]+)\"").matcher(page);
    int count = 0;
    while (links.find()) {
      Path target = Path.of(report.resolve(links.group(1)));
      assertTrue(Files.isRegularFile(target), target.toString());
      count++;
    }
    return count;
  }
}
