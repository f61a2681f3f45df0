package org.oddlantern.dist;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What the console looks like depends on the terminal and the variables that a process is given. */
class ReportsIT {

  private static final String SUITE = """
      import org.oddlantern.suite.*;

      public class HiveYardTest {
        @Case("nobody is stung") void stung() { throw new AssertionError("the keeper was stung"); }

        public static class OfANeighbour {
          @Case("the fence holds") void fence() {
            System.out.println("a long walk: \\u00fcber the hill");
          }
        }
      }
      """;

  @TempDir
  Path folder;

  @Test
  void theConsoleTellsAsMuchAsIsAskedForAndFitsTheTerminal() throws Exception {
    String bad = Sources.compile(folder, "HiveYardTest", SUITE).toString();
    Command.Output quiet = Command.in(folder).run("run", bad, "--console", "quiet");
    assertEquals(1, quiet.status());
    assertTrue(quiet.out().contains("the keeper was stung"), quiet.out());
    assertFalse(quiet.out().contains("the fence holds"), quiet.out());
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
        plain.startsWith("Odd Lantern  ")
            && plain.lines().findFirst().orElse("").length() <= 50,
        plain);
    Command.Output coloured = Command.in(folder)
        .with("ODD_LANTERN_OPTS", "-Dodd-lantern.terminal=true -Dodd-lantern.columns=200")
        .with("NO_COLOR", "")
        .with("LC_ALL", "C.UTF-8")
        .run("run", bad);
    assertTrue(coloured.out().contains("\u001b[1;38;5;131mfailed"), coloured.out());
    assertTrue(coloured.out().contains("a long walk: \u00fcber the hill"), coloured.out());
  }
}
