package org.oddlantern.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Supplies, samples, tries and lanes from the command line, and who gives what to whom. */
class FlowTest {

  private static final String SUITE = """
      import java.util.List;
      import org.oddlantern.suite.*;

      public class FlowTest {
        public record Kind(String name, int frames) {}
        public record Keeper(String name) {}
        public record Hive(int frames) {}
        public record Moved(int frames) {}

        static int tried;

        @Samples
        static List<Kind> kinds() { return SampleFile.read("kinds.csv", Kind.class); }

        @Supply("a keeper")
        static Keeper keeper() { return new Keeper("wren"); }

        @TidyUp
        static void leave(Keeper keeper) { System.out.println("left"); }

        @Case("a {name} hive has {frames} frames")
        Hive make(Kind kind, Keeper keeper) { return new Hive(kind.frames()); }

        @Case("it is moved")
        Moved move(@Changes Hive hive) { return new Moved(hive.frames()); }

        @Case("all are counted")
        void count(List<Moved> all) {}

        @Case("it is given up")
        void giveUp(@UsesUp Hive hive) {}

        @Case("the weather is told")
        @Retries(1)
        void weather() { if (tried++ == 0) throw new AssertionError("fog"); }
      }
      """;

  private final Path folder = Shell.emptyFolder();

  private String classes = "";

  @BeforeEach
  void compile() throws Exception {
    Path compiled = Shell.compiled("FlowTest", SUITE);
    Files.writeString(compiled.resolve("kinds.csv"), "name,frames\nlong,20\nstraw,0\n");
    classes = compiled.toString();
  }

  @Test
  void samplesTriesAndSuppliesAreToldAsTheyAre() throws Exception {
    String told = run(0);
    assertTrue(
        told.contains("warning   FlowTest assigns the field 'tried' in weather (FlowTest.java:"),
        told);
    for (String part : List.of(
        "a long hive has 20 frames\n",
        "a straw hive has 0 frames\n",
        "it is given up [straw]\n",
        "the weather is told  (flaky)\n          before    failed after ",
        "at FlowTest.java:35: fog",
        "8 unproven in",
        "2 things put back, 0 left behind")) {
      assertTrue(told.contains(part), () -> part + "\nis not in\n" + told);
    }
    String page = Files.readString(folder.resolve("odd-lantern-out/report/suite-1-FlowTest.html"));
    for (String part : List.of(
        "<span class=\"word\">supplied</span> a keeper",
        "try 1 failed",
        "<span class=\"word\">put back</span> tidy up with FlowTest#leave")) {
      assertTrue(page.contains(part), part);
    }
    assertTrue(run(1, "--fail-on", "flaky").contains("strict    1 flaky"));
    String sentences = Shell.says(0, "list", classes, "--as", "markdown");
    assertTrue(
        sentences.contains("\n5 cases in 1 suite, 8 cases with their samples.\n"), sentences);
  }

  @Test
  void oneSampleRunsInManyLanesAndLanesAreChecked() throws Exception {
    String told = run(0, "--lanes", "8", "--case", "FlowTest#move[straw]");
    assertTrue(told.contains(", 2 cases in 1 suite, "), told);
    assertTrue(told.contains("FlowTest: a straw hive has 0 frames  (needed)"), told);
    assertTrue(told.contains(", 8 lanes"), told);
    assertTrue(run(0, "--lanes", "auto").contains("8 unproven in"));
    String shuffled = run(0, "--shuffle", "--seed", "s1");
    assertTrue(shuffled.contains(", seed s1, shuffled\n"), shuffled);
    assertEquals(order(shuffled), order(run(0, "--shuffle", "--seed", "s1")));
    Set<List<String>> orders = new HashSet<>();
    for (int seed = 0; seed < 5; seed++) {
      orders.add(order(run(0, "--shuffle", "--seed", "s" + seed)));
    }
    assertTrue(orders.size() > 1, orders + "");
    Shell.Output wrong = Shell.run("run", classes, "--lanes", "many");
    assertEquals(2, wrong.status());
    assertEquals(
        "odd-lantern: --lanes takes a number from 1 to 1000, or auto, not many\n", wrong.err());
    Shell.Output none = Shell.run("run", classes, "--case", "FlowTest#make[strew]");
    assertEquals(3, none.status());
    assertTrue(none.err().contains("did you mean FlowTest#make[straw]?"), none.err());
  }

  @Test
  void partsMakeTheWholeAndAreBalancedByEarlierRuns() throws Exception {
    run(0, "--out", "whole");
    int cases = 0;
    for (int part = 1; part <= 3; part++) {
      String told = run(0, "--part", part + "/3", "--times-from", "whole", "--out", "part" + part);
      cases += Integer.parseInt(told.replaceAll("(?s).*environment none, (\\d+) case.*", "$1"));
    }
    assertEquals(8, cases);
    assertTrue(run(0, "--part", "9/9").contains("this part has no cases"));
    Shell.Output wrong = Shell.run("run", classes, "--part", "3/2");
    assertEquals(2, wrong.status());
    assertEquals(
        "odd-lantern: --part 3/2: there is no part 3 of 2; parts are counted from 1\n",
        wrong.err());
    assertEquals(
        2, Shell.run("run", classes, "--part", "1/2", "--times-from", "src").status());
  }

  @Test
  void theGraphTellsWhoGivesWhatToWhom() throws Exception {
    assertEquals(
        """
        Kind, made by FlowTest#kinds, as samples
          read by      FlowTest#make

        Keeper, made by FlowTest#keeper, one for each who takes it
          read by      FlowTest#make
          put back by  FlowTest#leave

        Hive, made by FlowTest#make, one for each sample
          changed by   FlowTest#move
          used up by   FlowTest#giveUp

        Moved, made by FlowTest#move, one for each sample
          read by      FlowTest#count
        """, Shell.run("list", classes, "--graph").out().replaceAll("(?s)^.*?(?=Kind, )", ""));
    String drawing = Shell.run("list", classes, "--as", "dot").out();
    for (String line : List.of(
        "digraph plan {",
        "    \"FlowTest#keeper\" [label=\"keeper\", shape=ellipse];",
        "  \"FlowTest#make\" -> \"FlowTest#move\" [label=\"Hive\\nchanged\", style=bold];",
        "  \"FlowTest#make\" -> \"FlowTest#giveUp\" [label=\"Hive\\nused up\", style=dashed];")) {
      assertTrue(drawing.lines().anyMatch(line::equals), () -> line + "\nis not in\n" + drawing);
    }
  }

  private String run(int status, String... options) throws Exception {
    String[] words = new String[options.length + 2];
    words[0] = "run";
    words[1] = classes;
    System.arraycopy(options, 0, words, 2, options.length);
    Shell.Output output = Shell.run(words);
    assertEquals(status, output.status(), output.out() + output.err());
    return output.out();
  }

  private static List<String> order(String told) {
    return told.lines()
        .filter(line -> line.startsWith("unproven ") || line.startsWith("passed "))
        .map(line -> line.replaceAll("^\\w+ +[\\d.]+ m?s +", ""))
        .toList();
  }
}
