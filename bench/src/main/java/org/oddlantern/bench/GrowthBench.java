package org.oddlantern.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/** Runs of ever more cases of one suite, whole processes with reports, against the same calls by hand. */
public final class GrowthBench {

  private static final Pattern TOOK = Pattern.compile("\"tookMicros\":(\\d+)");
  private static final List<Integer> SIZES = List.of(1_000, 10_000, 50_000);

  private final BothSides sides;
  private final int rounds;

  private GrowthBench(BothSides sides, int rounds) {
    this.sides = sides;
    this.rounds = rounds;
  }

  /**
   * Starts here.
   *
   * @param arguments how many rounds, 3 unless given
   * @throws Exception if a side fails
   */
  public static void main(String[] arguments) throws Exception {
    int rounds = arguments.length > 0 ? Integer.parseInt(arguments[0]) : 3;
    Path folder = Files.createTempDirectory("bench");
    try (PlainService service = new PlainService()) {
      new GrowthBench(new BothSides(service.address(), folder), rounds).all();
    }
  }

  private void all() throws Exception {
    sides.command("SlowTest", "/fast", SIZES.get(0));
    double least = 0;
    for (int cases : SIZES) {
      double perCase = one(cases);
      least = least == 0 ? perCase : Math.min(least, perCase);
      System.out.printf(
          Locale.ROOT,
          "  after the run %.0f us a case, %.2f times the least%n",
          perCase,
          perCase / least);
    }
  }

  /** Microseconds for each case that the process takes after the run itself. */
  private double one(int cases) throws Exception {
    List<Measured> command = new ArrayList<>();
    List<Measured> hand = new ArrayList<>();
    List<Measured> after = new ArrayList<>();
    Path out = sides.folder().resolve("SlowTest");
    for (int i = 0; i < rounds; i++) {
      Measured whole = sides.command("SlowTest", "/fast", cases);
      command.add(whole);
      after.add(new Measured(whole.wall() - run(out), 0, 0, ""));
      hand.add(sides.byHand("/fast", cases, SlowByHand.class, "1"));
    }
    System.out.printf(
        Locale.ROOT,
        "%,d cases, JDK %d, %d rounds: %s; largest page %.1f MB%n",
        cases,
        Runtime.version().feature(),
        rounds,
        Ratio.all(command, hand),
        largest(out.resolve("report")) / 1e6);
    return Ratio.median(after, Measured::wall) / 1_000 / cases;
  }

  /** Nanoseconds that the run took, by its journal. */
  private static long run(Path out) throws IOException {
    try (Stream<String> lines = Files.lines(out.resolve("journal.jsonl"))) {
      Matcher told = TOOK.matcher(lines.reduce((first, second) -> second).orElseThrow());
      if (!told.find()) {
        throw new IllegalStateException("the journal has no end");
      }
      return 1_000 * Long.parseLong(told.group(1));
    }
  }

  private static long largest(Path report) throws IOException {
    try (Stream<Path> files = Files.walk(report)) {
      return files
          .filter(file -> file.toString().endsWith(".html"))
          .mapToLong(file -> file.toFile().length())
          .max()
          .orElse(0);
    }
  }
}
