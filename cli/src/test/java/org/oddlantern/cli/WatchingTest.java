package org.oddlantern.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.ByteArrayOutputStream;
import java.io.InputStream;
import java.io.PipedInputStream;
import java.io.PipedOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

/** The command that runs again when somebody compiles, with real edits and a real compiler. */
class WatchingTest {

  private static final String SUITE = """
      import org.oddlantern.suite.*;

      public class WatchTest {
        @Case("the first one holds") void first() {}
        @Case("the second one holds") void second() { throw new AssertionError("not yet"); }
      }
      """;

  private final Path folder = Shell.emptyFolder();
  private final InputStream before = System.in;
  private final ByteArrayOutputStream out = new ByteArrayOutputStream();
  private int seen;

  @AfterEach
  void giveBack() {
    System.setIn(before);
  }

  @Test
  void whatFailedComesFirstThenTheRestAndKeysAreHeard() throws Exception {
    String classes = Shell.compiled("WatchTest", SUITE).toString();
    try (PipedOutputStream keys = new PipedOutputStream()) {
      System.setIn(new PipedInputStream(keys));
      CompletableFuture<Integer> status =
          CompletableFuture.supplyAsync(() -> watched("run", classes, "--watch"));
      assertTrue(until("w runs the whole").contains("1 failed, 1 unproven in "));

      Shell.compiled("WatchTest", SUITE.replace("not yet", "nearly"));
      String again = until("w runs the whole");
      assertTrue(again.contains("WatchTest.class\n"), again);
      assertTrue(
          again.indexOf("the second one holds") < again.indexOf("the first one holds"), again);
      assertTrue(again.contains("nearly"), again);
      String page = Files.readString(folder.resolve("odd-lantern-out/report/index.html"));
      assertTrue(page.contains("the first one holds") && page.contains("the second one holds"));

      press(keys, 'b');
      String failed = until("w runs the whole");
      assertTrue(failed.contains("1 failed in ") && !failed.contains("the first one"), failed);

      Shell.compiled("WatchTest", SUITE.replace("second(", "second(int number"));
      assertTrue(until("w runs the whole").contains("it takes int, which cannot be handed"));

      Shell.compiled("WatchTest", SUITE.replace("throw new AssertionError(\"not yet\");", ""));
      assertTrue(until("w runs the whole").contains("together  0 of 2 cases passed, 2 unproven."));
      press(keys, 'w');
      assertTrue(until("w runs the whole").contains("2 unproven in "));
      press(keys, 'b');
      assertTrue(until("w runs the whole").contains("nothing failed in the last run"));
      press(keys, 'e');
      assertEquals(0, status.get(60, TimeUnit.SECONDS));
    }
  }

  private int watched(String... words) {
    PrintStream told = new PrintStream(out, true, StandardCharsets.UTF_8);
    return Main.commandLine(new Terminal(told, false), told, words).execute(words);
  }

  private static void press(PipedOutputStream keys, char key) throws Exception {
    keys.write(key);
    keys.flush();
  }

  /** What was printed since the last time, up to and with a text. */
  private String until(String text) throws Exception {
    long end = System.nanoTime() + TimeUnit.SECONDS.toNanos(120);
    while (System.nanoTime() < end) {
      String all = out.toString(StandardCharsets.UTF_8);
      int found = all.indexOf(text, seen);
      if (found >= 0) {
        String news = all.substring(seen, found + text.length());
        seen = found + text.length();
        return news;
      }
      Thread.sleep(20);
    }
    throw new AssertionError(text + " did not come:\n" + out.toString(StandardCharsets.UTF_8));
  }
}
