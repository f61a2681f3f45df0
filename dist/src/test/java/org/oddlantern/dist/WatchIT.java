package org.oddlantern.dist;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The command that runs again when somebody compiles, with real edits and a real compiler. */
class WatchIT {

  private static final String SUITE = """
      import org.oddlantern.suite.*;

      public class WatchTest {
        @Case("the first one holds") void first() {}
        @Case("the second one holds") void second() { throw new AssertionError("not yet"); }
      }
      """;

  @TempDir
  Path folder;

  private Command.Running running;
  private int seen;

  @Test
  void whatFailedComesFirstThenTheRestAndKeysAreHeard() throws Exception {
    String classes = Sources.compile(folder, "WatchTest", SUITE).toString();
    running = Command.in(folder).started("run", classes, "--watch");
    try (OutputStream keys = running.process().getOutputStream()) {
      assertTrue(until("w runs the whole").contains("1 failed, 1 unproven in "));

      Sources.compile(folder, "WatchTest", SUITE.replace("not yet", "nearly"));
      String again = until("w runs the whole");
      assertTrue(again.contains("WatchTest.class\n"), again);
      assertTrue(
          again.indexOf("the second one holds") < again.indexOf("the first one holds"), again);
      assertTrue(again.contains("nearly"), again);
      String page = Files.readString(folder.resolve("odd-lantern-out/report/index.html"));
      assertTrue(page.contains("the first one holds") && page.contains("the second one holds"));

      keys.write('b');
      keys.flush();
      String failed = until("w runs the whole");
      assertTrue(failed.contains("1 failed in ") && !failed.contains("the first one"), failed);

      Sources.compile(folder, "WatchTest", SUITE.replace("second(", "second(int number"));
      assertTrue(until("w runs the whole").contains("it takes int, which cannot be handed"));

      Sources.compile(
          folder, "WatchTest", SUITE.replace("throw new AssertionError(\"not yet\");", ""));
      assertTrue(until("w runs the whole").contains("together  All 2 cases passed"));
      keys.write('w');
      keys.flush();
      assertTrue(until("w runs the whole").contains("2 unproven in "));
      keys.write('e');
      keys.flush();
      assertEquals(0, running.ended().status());
    } finally {
      running.process().destroyForcibly();
    }
  }

  /** What was printed since the last time, up to and with a text. */
  private String until(String text) throws Exception {
    long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(180);
    while (System.nanoTime() < end) {
      String all = Files.readString(running.out());
      int found = all.indexOf(text, seen);
      if (found >= 0) {
        String news = all.substring(seen, found + text.length());
        seen = found + text.length();
        return news;
      }
      Thread.sleep(20);
    }
    throw new AssertionError(text + " did not come in 180 s:\n" + Files.readString(running.out())
        + Files.readString(running.err()));
  }
}
