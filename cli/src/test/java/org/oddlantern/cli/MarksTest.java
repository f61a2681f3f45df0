package org.oddlantern.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Cases that do not run, are known to fail, or are chosen by tags and by an earlier run. */
class MarksTest {

  private static final String SUITE = """
      import org.oddlantern.suite.*;

      @Tagged("keeping")
      public class MarkedTest {
        public record Queen(String mark) {}

        @Case("the queen is found")
        @Skipped(why = "the hive is closed for winter", until = "2999-03-01")
        Queen find() { return new Queen("blue"); }

        @Case("the queen is marked")
        void mark(Queen queen) {}

        @Case("a swarm is reported")
        @Pending
        @Tagged("slow")
        void swarm() {}

        @Case("frames are counted by halves")
        @KnownFault("BEE-17")
        @Tagged("slow")
        void halves() { if (!Boolean.getBoolean("fixed")) throw new AssertionError("wanted 4.5"); }

        @Case("honey is sweet")
        void honey() {}

        @Case("bees are quiet")
        @Tagged("loud")
        void quiet() { throw new AssertionError("wanted silence"); }
      }
      """;

  private final Path folder = Shell.emptyFolder();

  private String classes = "";

  @BeforeEach
  void compile() throws Exception {
    classes = Shell.compiled("MarkedTest", SUITE).toString();
  }

  @Test
  void eachIsToldByItsWordWithItsReason() throws Exception {
    String told = run(0, "--without-tag", "loud");
    assertTrue(told.replaceAll(" +\\d+ ms", " N ms").contains("""
            skipped             the queen is found
                      the hive is closed for winter, until 2999-03-01
            skipped             the queen is marked
                      MarkedTest#find is skipped, so its value is missing: 'the queen is found'
            pending             a swarm is reported
            known fault N ms  frames are counted by halves
                      BEE-17, at MarkedTest.java:22
            unproven N ms  honey is sweet

            unproven  1 case passed and checked nothing

            1 known fault, 2 skipped, 1 pending, 1 unproven in\
            """), told);
    String xml = Files.readString(folder.resolve("odd-lantern-out/junit-xml/TEST-MarkedTest.xml"));
    assertTrue(xml.contains("tests=\"5\" failures=\"0\" errors=\"0\" skipped=\"5\""), xml);
    assertTrue(xml.contains("<skipped message=\"known fault BEE-17: wanted 4.5\"/>"), xml);
    String page = Files.readString(folder.resolve("odd-lantern-out/report/index.html"));
    assertTrue(
        page.contains("0 of 5 cases passed, 1 known fault, 2 skipped, 1 pending, 1 unproven."),
        page);
  }

  @Test
  void strictnessAndRunsInWhichNothingRan() throws Exception {
    String pending = run(1, "--without-tag", "loud", "--fail-on", "pending,skipped");
    assertTrue(pending.contains("strict    2 skipped, and --fail-on skipped was asked"), pending);
    String nothing = run(3, "--case", "MarkedTest#find", "--case", "MarkedTest#swarm");
    assertTrue(nothing.contains("nothing ran: every case is skipped or pending"), nothing);
    Shell.Output none = command("--tag", "lowd");
    assertEquals(3, none.status());
    assertEquals(
        "odd-lantern: no case that was asked for is tagged lowd (did you mean loud?); the tags are keeping, loud, slow\n",
        none.err());
  }

  @Test
  void aFaultThatIsGoneIsFixedOnlyIfSomethingWasChecked() throws Exception {
    System.setProperty("fixed", "true");
    try {
      String green = Shell.says(0, "run", classes, "--case", "MarkedTest#halves");
      assertTrue(green.contains("frames are counted by halves"), green);
      assertFalse(green.contains("(fixed)"), green);
      assertTrue(green.contains("1 unproven in"), green);
      Shell.says(0, "run", classes, "--case", "MarkedTest#halves", "--fail-on", "fixed");
    } finally {
      System.clearProperty("fixed");
    }
  }

  @Test
  void whatFailedLastTimeIsRunAgain() throws Exception {
    run(1);
    Path journal = folder.resolve("odd-lantern-out/journal.jsonl");
    Path old = Files.move(journal, folder.resolve("old.jsonl"));
    String again = run(1, "--failed-in", old.toString());
    assertTrue(again.contains(", 1 case in 1 suite,"), again);
    assertTrue(again.contains("failed "), again);
    run(0, "--case", "MarkedTest#honey");
    Shell.Output nothing = command("--failed-in", journal.toString());
    assertEquals(3, nothing.status());
    assertTrue(
        nothing.err().startsWith("odd-lantern: nothing failed in the run of "), nothing.err());
    assertEquals(2, command("--failed-in", "gone.jsonl").status());
    String list = Shell.run("list", classes).out();
    for (String part :
        List.of("tags keeping, slow", "known fault BEE-17", "pending", "skipped: the hive")) {
      assertTrue(list.contains(part), list);
    }
  }

  private String run(int status, String... options) throws Exception {
    Shell.Output output = command(options);
    assertEquals(status, output.status(), output.out() + output.err());
    return output.out();
  }

  private Shell.Output command(String... options) throws Exception {
    String[] words = new String[options.length + 2];
    words[0] = "run";
    words[1] = classes;
    System.arraycopy(options, 0, words, 2, options.length);
    return Shell.run(words);
  }
}
