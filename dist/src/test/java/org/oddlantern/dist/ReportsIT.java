package org.oddlantern.dist;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What a run tells and keeps besides its pages, and what is different from an earlier one. */
class ReportsIT {

  private static final String SUITE = """
      import static org.oddlantern.check.Checks.*;
      import org.oddlantern.suite.*;

      public class HiveYardTest {
        static int tried;

        @Case("a *hive* is weighed | and told") void weighed() { holdsSlowly(SLOW); }
        @Case("the gate is shut") @Retries(1) void gate() { if (tried++ == 0) throw new AssertionError("it was open"); }
        @Case("nobody is stung") void stung() { if (STUNG) throw new AssertionError("the keeper was stung"); }
        @Case("honey is sold") @Pending void sold() {}

        public static class OfANeighbour {
          @Case("the fence holds") void fence() {
            step("the fence is walked along");
            System.out.println("a long walk: \\u00fcber the hill");
          }
        }

        private static void holdsSlowly(int millis) {
          try { Thread.sleep(millis); } catch (InterruptedException e) { throw new IllegalStateException(e); }
        }
      }
      """;

  @TempDir
  Path folder;

  private String bad = "";

  @BeforeEach
  void compile() throws Exception {
    bad = compiled("bad", "300", "true").toString();
  }

  private String compiled(String name, String slow, String stung) throws IOException {
    Path own = Files.createDirectories(folder.resolve(name));
    return Sources.compile(own, "HiveYardTest", SUITE.replace("SLOW", slow).replace("STUNG", stung))
        .toString();
  }

  @Test
  void theConsoleTellsAsMuchAsIsAskedForAndFitsTheTerminal() throws Exception {
    String quiet = run(1, bad, "--console", "quiet");
    assertTrue(quiet.contains("the keeper was stung") && !quiet.contains("the fence holds"), quiet);
    Command.Output narrow = Command.in(folder)
        .with("ODD_LANTERN_OPTS", "-Dodd-lantern.terminal=true -Dodd-lantern.columns=50")
        .with("NO_COLOR", "1")
        .with("LC_ALL", "POSIX")
        .with("CI", "true")
        .run("run", bad);
    String plain = narrow.out();
    assertFalse(plain.contains("\u001b"), plain);
    assertTrue(
        plain.contains("printed   a long walk: \\u00fcber the\n                    hill\n"), plain);
    assertTrue(
        plain.contains(
            "failed    HiveYardTest: nobody is stung  at\n          HiveYardTest.java:9\n"),
        plain);
    Command.Output coloured = Command.in(folder)
        .with("ODD_LANTERN_OPTS", "-Dodd-lantern.terminal=true -Dodd-lantern.columns=200")
        .with("NO_COLOR", "")
        .with("LC_ALL", "C.UTF-8")
        .run("run", bad);
    assertTrue(coloured.out().contains("\u001b[1;38;5;131mfailed"), coloured.out());
    assertTrue(coloured.out().contains("a long walk: \u00fcber the hill"), coloured.out());
  }

  private String run(int status, String classes, String... options) throws Exception {
    String[] words =
        Stream.concat(Stream.of("run", classes), Stream.of(options)).toArray(String[]::new);
    Command.Output output = Command.in(folder).run(words);
    assertEquals(status, output.status(), output.out() + output.err());
    return output.out();
  }
}
