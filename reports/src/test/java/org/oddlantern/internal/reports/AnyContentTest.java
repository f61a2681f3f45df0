package org.oddlantern.internal.reports;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.oddlantern.check.Checks.*;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.PrintStream;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import javax.xml.parsers.DocumentBuilderFactory;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.oddlantern.config.Environment;
import org.oddlantern.config.internal.Settings;
import org.oddlantern.config.internal.SettingsFile;
import org.oddlantern.http.Call;
import org.oddlantern.internal.journal.Journal;
import org.oddlantern.internal.journal.JournalWriter;
import org.oddlantern.internal.plan.Place;
import org.oddlantern.internal.plan.Planner;
import org.oddlantern.internal.plan.Selection;
import org.oddlantern.internal.reports.console.CapturedPrinting;
import org.oddlantern.internal.reports.console.ConsoleReport;
import org.oddlantern.internal.reports.console.Detail;
import org.oddlantern.internal.reports.console.Style;
import org.oddlantern.internal.reports.har.HarReport;
import org.oddlantern.internal.reports.html.HtmlReport;
import org.oddlantern.internal.reports.junitxml.JUnitXmlReport;
import org.oddlantern.internal.reports.summary.CountsReport;
import org.oddlantern.internal.reports.summary.MarkdownSummary;
import org.oddlantern.internal.run.RunOrder;
import org.oddlantern.internal.run.RunResult;
import org.oddlantern.internal.run.Runner;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.suite.Case;
import org.oddlantern.suite.Samples;

/** Thousands of replies, headers, titles and prints made by chance, by way of a run into every report. */
class AnyContentTest {

  private static final int CASES = 200 * Integer.getInteger("stress", 1);

  @TempDir
  Path folder;

  @Test
  void noContentMakesAReportFail() throws Exception {
    Path journal = folder.resolve("journal.jsonl");
    ByteArrayOutputStream console = new ByteArrayOutputStream();
    RunResult result;
    try (ServerSocket server = answering();
        JournalWriter writer = new JournalWriter(journal, 2_000, (written, octets) -> {});
        CapturedPrinting printing = CapturedPrinting.begun()) {
      result = new Runner(order(server), Clock.systemUTC())
          .run(List.of(
              writer,
              new ConsoleReport(
                  new PrintStream(console, true, StandardCharsets.UTF_8),
                  new Style(false),
                  Detail.EXCHANGES,
                  Map.of(),
                  Path.of(""))));
    }
    assertEquals(List.of(), result.problems());
    assertEquals(
        CASES, result.counts().values().stream().mapToInt(Integer::intValue).sum());
    RunData run = RunData.of(new Journal(journal));
    assertEquals(CASES, run.cases().size());
    HtmlReport.write(run, new Journal(journal), folder.resolve("report"));
    JUnitXmlReport.write(run, folder.resolve("xml"));
    HarReport.write(run, new Journal(journal), folder.resolve("run.har"), one -> true);
    CountsReport.write(run, null, folder.resolve("counts.json"));
    MarkdownSummary.write(run, null, folder.resolve("summary.md"));
    JsonMapping.standard().parse(Files.readAllBytes(folder.resolve("run.har")));
    String pages = all(folder.resolve("report"), "suite-*.html");
    assertEquals(CASES, pages.split("class=\"case[ \"]", -1).length - 1);
    assertTrue(!pages.contains("could not be shown"), "every part of a page is made");
    assertTrue(pages.contains("1e100000"), "numbers stay as they stood");
    try (DirectoryStream<Path> files = Files.newDirectoryStream(folder.resolve("xml"))) {
      for (Path file : files) {
        DocumentBuilderFactory.newInstance().newDocumentBuilder().parse(file.toFile());
      }
    }
    withoutItsBodies(run, new Journal(journal));
  }

  private void withoutItsBodies(RunData run, Journal journal) throws IOException {
    Files.move(folder.resolve("bodies"), folder.resolve("moved"));
    IOException lost = assertThrows(
        IOException.class, () -> HtmlReport.write(run, journal, folder.resolve("report")));
    assertTrue(
        lost.getMessage()
            .matches(
                "(a body|\\d+ bodies) could not be shown: the body bodies/.* cannot be read: .*; the rest of the report is whole"),
        lost.getMessage());
    assertTrue(lost.getCause() != null);
    String pages = all(folder.resolve("report"), "suite-*.html");
    assertEquals(CASES, pages.split("class=\"case[ \"]", -1).length - 1);
    assertTrue(pages.contains("it could not be shown: the body bodies/"));
  }

  private static String all(Path folder, String glob) throws IOException {
    StringBuilder all = new StringBuilder();
    try (DirectoryStream<Path> files = Files.newDirectoryStream(folder, glob)) {
      for (Path file : files) {
        all.append(Files.readString(file));
      }
    }
    return all.toString();
  }

  private RunOrder order(ServerSocket server) throws Exception {
    Files.writeString(folder.resolve(Settings.FILE), """
        environments:
          here: { services: { any: { url: "http://127.0.0.1:%d", timeout: 60s } } }
        mask: [ "$.b" ]
        """.formatted(server.getLocalPort()));
    Settings settings = SettingsFile.find(folder, ClassLoader.getPlatformClassLoader());
    ClassLoader loader = AnyContentTest.class.getClassLoader();
    Path classes = Path.of(
        AnyContentTest.class.getProtectionDomain().getCodeSource().getLocation().toURI());
    return new RunOrder(
        new AnyContent(1).text(),
        new Planner(loader, List.of(new Place(classes))).plan(new Selection(List.of("AnyTest"))),
        settings,
        settings.environment(null),
        Map.of(),
        loader,
        "seed",
        2);
  }

  private static ServerSocket answering() throws IOException {
    ServerSocket server = new ServerSocket(0, 50, InetAddress.getLoopbackAddress());
    for (int i = 0; i < 4; i++) {
      AnyContent any = new AnyContent(i);
      Thread thread = new Thread(() -> serve(server, any), "any-content");
      thread.setDaemon(true);
      thread.start();
    }
    return server;
  }

  private static void serve(ServerSocket server, AnyContent any) {
    while (!server.isClosed()) {
      try (Socket socket = server.accept()) {
        socket.getInputStream().read(new byte[1 << 16]);
        byte[] body = any.bytes();
        String head =
            "HTTP/1.1 %d %s\r\nContent-Type: %s\r\nX-Any: %s\r\nSet-Cookie: a=%s\r\nContent-Length: %d\r\nConnection: close\r\n\r\n"
                .formatted(
                    200 + any.below(3),
                    any.line(),
                    any.type(),
                    any.line(),
                    any.cookie(),
                    body.length);
        OutputStream out = socket.getOutputStream();
        out.write(head.getBytes(
            any.below(2) == 0 ? StandardCharsets.UTF_8 : StandardCharsets.ISO_8859_1));
        out.write(body);
      } catch (IOException e) {
        // the client has gone, or the test is over
      }
    }
  }

  static class AnyTest {

    record Any(int number, String text) {}

    @Samples
    static List<Any> any() {
      AnyContent any = new AnyContent(7);
      return IntStream.range(0, CASES).mapToObj(i -> new Any(i, any.text())).toList();
    }

    @Case("{number} {text}")
    void any(Any sample, Environment env) {
      AnyContent any = new AnyContent(sample.number());
      step(any.text());
      System.out.println(any.text());
      keep(any.text(), any.type(), any.bytes());
      var reply = env.service("any")
          .send(Call.post("/{a}", any.text())
              .named(any.text())
              .header("X-Sent", any.line())
              .text(any.text()));
      reply.must(
          status(200),
          header("X-Any", any.text()),
          at("$.a", any.text()),
          body(Map.of(any.text(), List.of(any.text(), 1e300))),
          xpath("/a", any.text()));
    }
  }
}
