package org.oddlantern.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** What depends on a terminal, and what gets a run ready before its words are read. */
class TerminalTest {

  private static final String SUITE = """
      import org.oddlantern.suite.Case;

      public class QuietTest {
        @Case("the bees are quiet") void quiet() throws Exception { Thread.sleep(300); }
        @Case("the bees hum") void hum() { throw new AssertionError("a very long sentence that does not end before the line of a narrow terminal does"); }
      }
      """;

  private String classes = "";

  @BeforeEach
  void compile() throws Exception {
    Shell.emptyFolder();
    classes = Shell.compiled("QuietTest", SUITE).toString();
  }

  @AfterEach
  void forget() {
    System.clearProperty("odd-lantern.terminal");
    System.clearProperty("odd-lantern.columns");
  }

  @Test
  void linesFitTheTerminalAndTheSecondRunKnowsHowLongTheFirstTook() {
    Shell.says(1, "run", classes);
    System.setProperty("odd-lantern.terminal", "true");
    System.setProperty("odd-lantern.columns", "50");
    String told = Shell.says(1, "run", classes);
    String seen = told.replaceAll("\u001b\\[[0-9;]*[mK]", "").replaceAll("[^\n]*\r", "");
    assertTrue(seen.lines().allMatch(line -> line.length() <= 50), seen);
    System.setProperty("odd-lantern.columns", "7");
    assertTrue(
        Shell.says(1, "run", classes).contains("failed"),
        "a width that nobody has is not believed");
  }

  @Test
  void aCauseIsShownOnlyIfThatIsAskedFor() throws Exception {
    Shell.write("odd-lantern-out/counts.json/in-the-way", "a folder has the name of the file");
    Shell.Output plain = Shell.run("run", classes);
    assertEquals(1, plain.status());
    assertTrue(plain.out().contains("problem   the counts could not be written"), plain.out());
    assertFalse(plain.out().contains("\n\tat "), plain.out());
    assertFalse(plain.out().contains("connections"), plain.out());
    Shell.Output debug = Shell.run("run", classes, "--debug");
    assertTrue(debug.out().contains("\n\tat "), debug.out());
    Path log = Path.of("odd-lantern-out", "connections.log");
    assertTrue(debug.out().contains("debug     " + log), debug.out());
    assertTrue(Files.exists(log));
  }
}
