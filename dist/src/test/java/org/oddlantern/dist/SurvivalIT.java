package org.oddlantern.dist;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Runs that are stopped, killed, or have nowhere to write. */
class SurvivalIT {

  private static final String SUITE = """
      import java.nio.file.*;
      import org.oddlantern.suite.*;

      public class LongTest {
        public record Yard(String name) {}

        public record Made(int id) {}

        @Supply(value = "the yard", shared = true)
        static Yard yard() { return new Yard("Fennel Hill"); }

        @TidyUp
        static void close(Yard yard) throws Exception { Files.writeString(Path.of("tidied"), "yes"); }

        @Case("something is made")
        Made make(Yard yard) { return new Made(1); }

        public record Frame(int number) {}

        @Samples
        static java.util.List<Frame> frames() {
          return java.util.stream.IntStream.range(0, 60).mapToObj(Frame::new).toList();
        }

        @Case("{number}")
        void frame(Frame frame) {}

        @Case("something hangs")
        void hangs(Made made) throws Exception {
          Files.writeString(Path.of("running"), "yes");
          Thread.sleep(55_000);
        }

        @Case("something is never reached")
        void never(Made made) {}
      }
      """;

  @TempDir
  Path folder;

  private String classes = "";

  @BeforeEach
  void compile() throws Exception {
    classes = Sources.compile(folder, "LongTest", SUITE).toString();
  }

  @ParameterizedTest
  @ValueSource(strings = {"INT", "TERM"})
  void aStoppedRunTidiesUpWritesItsReportsAndEndsWith130(String signal) throws Exception {
    Command.Running running = begun();
    signal(running, signal);
    Command.Output output = running.ended();
    assertEquals(130, output.status(), output.out() + output.err());
    assertTrue(Files.exists(folder.resolve("tidied")));
    assertTrue(output.out().contains("stopped   putting back what is alive"), output.out());
    assertTrue(output.out().contains("2 interrupted, 61 unproven in"), output.out());
    assertTrue(Files.readString(folder.resolve("odd-lantern-out/report/index.html"))
        .contains("The run was stopped. 0 of 63 cases passed, 2 interrupted, 61 unproven."));
    String xml = Files.readString(folder.resolve("odd-lantern-out/junit-xml/TEST-LongTest.xml"));
    assertTrue(xml.contains("tests=\"63\" failures=\"0\" errors=\"2\""), xml);
  }

  @Test
  void aRunThatTakesItsLimitIsStoppedLikeThat() throws Exception {
    Command.Output output = Command.in(folder).run("run", classes, "--run-limit", "4s");
    assertEquals(130, output.status(), output.out() + output.err());
    assertTrue(
        output.out().contains("stopped   the run has taken its limit of 4 s;"), output.out());
    assertTrue(output.out().contains("2 interrupted, 61 unproven in"), output.out());
    assertTrue(Files.exists(folder.resolve("tidied")));
    Command.Output wrong = Command.in(folder).run("run", classes, "--run-limit", "soon");
    assertEquals(2, wrong.status());
    assertTrue(wrong.err().contains("--run-limit"), wrong.err());
  }

  @Test
  void aKilledRunLosesNothingThatHadFinished() throws Exception {
    Command.Running running = begun();
    Path journal = folder.resolve("odd-lantern-out/journal.jsonl");
    Instant end = Instant.now().plus(Duration.ofSeconds(30));
    while (!Files.readString(journal).contains("LongTest#hangs")) { // it is written in order
      assertTrue(Instant.now().isBefore(end), "what had finished is not written while others run");
      Thread.sleep(20);
    }
    running.process().destroyForcibly().waitFor();
    Files.writeString(journal, "{\"event\":\"case-fin", StandardOpenOption.APPEND);
    Command.Output output =
        Command.in(folder).run("report", "odd-lantern-out/journal.jsonl", "--out", "late");
    assertEquals(1, output.status(), output.err());
    assertEquals(
        List.of(
            "journal   odd-lantern-out/journal.jsonl",
            "junit xml late/junit-xml",
            "counts    late/counts.json",
            "summary   late/summary.md",
            "report    late/report/index.html",
            "problem   the run was cut off after 61 of 63 cases; under way: LongTest: something hangs"),
        output.out().lines().toList());
    String page = Files.readString(folder.resolve("late/report/index.html"));
    assertTrue(
        page.contains(
            "The run was cut off after 61 of 63 cases; under way: LongTest: something hangs."),
        page);
    assertTrue(page.contains("tidy up with LongTest#close"), "what a supply made is left behind");
    assertTrue(page.contains("the yard"), "what was supplied is shown");
    assertTrue(
        Files.readString(folder.resolve("late/junit-xml/TEST-cut-off.xml")).contains("<error"));
    Command.Output none = Command.in(folder).run("report", "gone.jsonl");
    assertEquals(2, none.status());
    assertTrue(none.err().startsWith("odd-lantern: there is no journal gone.jsonl;"), none.err());
  }

  @Test
  void whereNothingCanBeWrittenIsToldBeforeAnythingRuns() throws Exception {
    Files.writeString(folder.resolve("file"), "");
    Command.Output output = Command.in(folder).run("run", classes, "--out", "file/here");
    assertEquals(2, output.status());
    assertTrue(
        output.err().startsWith("odd-lantern: the folder file/here cannot be made"), output.err());
    assertTrue(Files.notExists(folder.resolve("running")));
    Files.createDirectories(folder.resolve("taken"));
    Files.writeString(folder.resolve("taken/report"), "no folder");
    assertEquals(2, Command.in(folder).run("run", classes, "--out", "taken").status());
    assertTrue(Files.notExists(folder.resolve("running")));
  }

  @Test
  void aDiskThatIsFullIsToldAndFailsTheRun() throws Exception {
    assumeTrue(Files.exists(Path.of("/bin/sh")), "only where a shell can limit the size of files");
    Command.Output output = Command.in(folder)
        .with("ODD_LANTERN_ARCHIVE", "off")
        .startedBy(
            List.of("/bin/sh", "-c", "ulimit -f 16; exec \"$0\" \"$@\""),
            "run",
            classes,
            "--case",
            "LongTest#frame",
            "--case",
            "LongTest#make")
        .ended();
    assertEquals(1, output.status(), output.out() + output.err());
    assertTrue(output.out().contains("61 unproven in"), "the console still tells all");
    assertTrue(
        output
            .out()
            .contains(
                "problem   the journal odd-lantern-out/journal.jsonl could not go on: IOException: File too large"),
        output.out());
  }

  @Test
  void aCaseThatEndsTheProcessIsNamedAndTheRestIsWritten() throws Exception {
    String exiting = Sources.compile(folder, "ExitTest", """
        import org.oddlantern.suite.*;

        public class ExitTest {
          @Case void before() {}
          @Case void exits() { System.exit(0); }
          @Case void after() {}
        }
        """).toString();
    Command.Output output = Command.in(folder).run("run", exiting, "--case", "ExitTest");
    assertEquals(1, output.status(), output.out() + output.err());
    assertTrue(
        output
            .out()
            .contains(
                "problem   the case ExitTest#exits told the process to end, with System.exit at ExitTest.java:5; the cases after it did not run"),
        output.out());
    assertTrue(Files.readString(folder.resolve("odd-lantern-out/summary.md"))
        .contains("told the process to end, with System.exit at ExitTest.java:5"));
  }

  @Test
  void aFolderThatVanishesIsMissedAtOnce() throws Exception {
    Command.Running running = begun();
    Path journal = folder.resolve("odd-lantern-out/journal.jsonl");
    Files.delete(journal);
    signal(running, "TERM");
    Command.Output output = running.ended();
    assertTrue(output.out().contains("the file is gone; something has removed it"), output.out());
    assertTrue(output.out().contains("so no reports could be made"), output.out());
  }

  @Test
  void eightLanesOfLargeRepliesLiveInASmallHeap() throws Exception {
    String large = Sources.compile(folder, "LargeTest", """
        import org.oddlantern.check.*;
        import org.oddlantern.http.*;
        import org.oddlantern.suite.*;

        public class LargeTest {
          private final Service yard = Service.reachedAt(System.getenv("YARD"));

          public record Frame(int number) {}

          @Samples
          static java.util.List<Frame> frames() {
            return java.util.stream.IntStream.range(0, 16).mapToObj(Frame::new).toList();
          }

          @Case("{number}")
          void frame(Frame frame) {
            yard.send(Call.get(frame.number() % 2 == 0 ? "/known" : "/streamed"))
                .must(Checks.status(200), Checks.at("$.comb", Shapes.anyText()));
          }
        }
        """).toString();
    HttpServer yard = largeReplies();
    try {
      Command.Output output = Command.in(folder)
          .with("ODD_LANTERN_OPTS", "-Xmx256m")
          .with("YARD", "http://127.0.0.1:" + yard.getAddress().getPort())
          .run("run", large, "--lanes", "8", "--case", "LargeTest");
      assertEquals(0, output.status(), output.out() + output.err());
      assertTrue(output.out().contains("16 passed"), output.out());
    } finally {
      yard.stop(0);
    }
  }

  private static HttpServer largeReplies() throws IOException {
    byte[] body = ("{\"comb\":\"" + "x".repeat(20 << 20) + "\"}").getBytes(StandardCharsets.UTF_8);
    HttpServer server =
        HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 50);
    server.setExecutor(work -> new Thread(work).start());
    server.createContext("/", exchange -> {
      exchange.getResponseHeaders().set("Content-Type", "application/json");
      boolean known = exchange.getRequestURI().getPath().equals("/known");
      exchange.sendResponseHeaders(200, known ? body.length : 0);
      try (OutputStream out = exchange.getResponseBody()) {
        out.write(body);
      }
    });
    server.start();
    return server;
  }

  private Command.Running begun() throws Exception {
    Command.Running running = Command.in(folder).startedBy(listeningToSignals(), "run", classes);
    Instant end = Instant.now().plus(Duration.ofSeconds(60));
    while (Files.notExists(folder.resolve("running"))) {
      assertTrue(Instant.now().isBefore(end) && running.process().isAlive(), "it does not run");
      Thread.sleep(50);
    }
    return running;
  }

  /** A build in the background ignores SIGINT, and its children with it; this undoes it. */
  static List<String> listeningToSignals() throws Exception {
    List<String> program = List.of("env", "--default-signal=INT");
    List<String> probe = List.of("env", "--default-signal=INT", "true");
    boolean known = new ProcessBuilder(probe)
            .redirectErrorStream(true)
            .redirectOutput(ProcessBuilder.Redirect.DISCARD)
            .start()
            .waitFor()
        == 0;
    return known ? program : List.of();
  }

  private static void signal(Command.Running running, String signal) throws Exception {
    String pid = String.valueOf(running.process().pid());
    assertEquals(0, new ProcessBuilder("kill", "-" + signal, pid).start().waitFor());
  }
}
