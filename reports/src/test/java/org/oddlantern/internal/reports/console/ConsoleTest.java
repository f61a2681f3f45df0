package org.oddlantern.internal.reports.console;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.internal.reports.MadeEvents;

/** What the console prints of one run with one of each outcome, in each of its ways. */
class ConsoleTest {

  @Test
  void aPlainRunTellsFailuresInFullAndTheEndInShort() {
    String told = told(new Style(false), Detail.PLAIN);
    for (String part : List.of(
        "Odd Lantern  Fennel Hill, environment local, 10 cases in 1 suite, seed seed-1, 3 lanes\n",
        "warning   a field is assigned\n",
        "at      $.label\n",
        "wanted  \"Heather\"\n",
        "got     \"Foxglove\"\n",
        "hint    another hive\n",
        "at      what was sent, $.kind\n",
        "unproven      4 ms  YardTest: the quiet case\n",
        "problem   a thread outlived its case\n",
        "left behind  by YardTest#fed\n",
        "\n1 failed, 1 errored, 1 blocked, 1 known fault, 1 skipped, 1 pending, 1 unproven, 3 passed in 1.0 s\n",
        "1 thing put back, 0 left behind\n",
        "the same values again: --seed seed-1\n")) {
      assertTrue(told.contains(part), () -> part + " is not in\n" + told);
    }
    assertFalse(told.contains("\u001b") || told.contains("\r"), told);
    assertFalse(told.contains("\n\n\n"), told);
  }

  @Test
  void aQuietRunTellsNothingOfWhatPassed() {
    String told = told(new Style(false), Detail.QUIET);
    assertTrue(told.contains("the weighed case") && told.contains("the stormy case"), told);
    assertFalse(told.contains("passed        8 ms") || told.contains("pending  "), told);
  }

  @Test
  void everyExchangeIsToldIfThatIsAskedFor() {
    String told = told(new Style(false), Detail.EXCHANGES);
    assertTrue(told.split("http://127.0.0.1:7411/api/hives", -1).length > 5, told);
    assertTrue(told.contains("select * from hive where id = ? with 4"), told);
  }

  @Test
  void aNarrowTerminalBreaksLinesAndHasALiveLine() {
    String told = told(new Style(true, 60, true, true), Detail.PLAIN);
    assertTrue(told.contains("\r\u001b[2K"), "a live line is drawn and erased");
    assertTrue(told.contains("of 10 done"), told);
    assertTrue(told.contains("\u001b[1;38;5;131m"), "what failed has a colour");
    String plain = told.replaceAll("\u001b\\[[0-9;]*[mK]", "").replaceAll("[^\n]*\r", "");
    List<String> wide = plain
        .lines()
        .filter(line -> line.length() > 60 && !line.contains("curl") && !line.contains("http"))
        .toList();
    assertEquals(List.of(), wide);
  }

  private static String told(Style style, Detail detail) {
    ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    ConsoleReport console = new ConsoleReport(
        new PrintStream(bytes, true, StandardCharsets.UTF_8),
        style,
        detail,
        Map.of("yard.YardTest#again", 9_000_000L),
        Path.of("out"));
    for (RunEvent event : MadeEvents.ofEverything()) {
      if (!(event instanceof RunEvent.CaseBegan) || console.hearsBeginnings()) {
        console.hear(event);
      }
    }
    return bytes.toString(StandardCharsets.UTF_8);
  }
}
