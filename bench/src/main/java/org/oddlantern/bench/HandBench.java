package org.oddlantern.bench;

import java.nio.file.Files;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * The command with journal, JUnit XML and pages, against the same calls written by hand with the same HTTP
 * client, the same mapper and plain conditions, which record nothing: whole processes in turn.
 */
public final class HandBench {

  private final BothSides sides;
  private final int rounds;

  private HandBench(BothSides sides, int rounds) {
    this.sides = sides;
    this.rounds = rounds;
  }

  /**
   * Starts here.
   *
   * @param arguments how many rounds, 5 unless given; then which works, all unless given
   * @throws Exception if a side fails
   */
  public static void main(String[] arguments) throws Exception {
    int rounds = arguments.length > 0 ? Integer.parseInt(arguments[0]) : 5;
    List<String> works =
        List.of(arguments).subList(Math.min(1, arguments.length), arguments.length);
    try (PlainService service = new PlainService()) {
      HandBench bench = new HandBench(
          new BothSides(service.address(), Files.createTempDirectory("bench")), rounds);
      if (works.isEmpty() || works.contains("one")) {
        bench.pair("one case", "OneTest", "/fast", 1, OneByHand.class);
      }
      if (works.isEmpty() || works.contains("calls")) {
        bench.pair(
            "10,000 calls in ten cases", "ExchangesTest", "/fast", 10_000, HandwrittenSide.class);
      }
      if (works.isEmpty() || works.contains("lanes")) {
        bench.lanes(50);
      }
      if (works.isEmpty() || works.contains("waiting")) {
        bench.lanes(200); // what a processor four times as fast makes of 50 ms
      }
    }
  }

  private void lanes(int milliseconds) throws Exception {
    pair(
        "2,000 cases of " + milliseconds + " ms in 50 lanes",
        "SlowTest",
        "/slow" + milliseconds,
        2_000,
        SlowByHand.class,
        "50");
  }

  private void pair(
      String work, String suite, String path, int exchanges, Class<?> byHand, String... lanes)
      throws Exception {
    List<Measured> command = new ArrayList<>();
    List<Measured> hand = new ArrayList<>();
    for (int i = 0; i <= rounds; i++) {
      Measured one = sides.command(suite, path, exchanges, lanes);
      Measured other = sides.byHand(path, exchanges, byHand, lanes);
      if (i > 0) {
        command.add(one);
        hand.add(other);
      }
    }
    System.out.printf(
        Locale.ROOT,
        "%s, JDK %d, %d rounds: %s%n",
        work,
        Runtime.version().feature(),
        rounds,
        Ratio.all(command, hand));
  }
}
