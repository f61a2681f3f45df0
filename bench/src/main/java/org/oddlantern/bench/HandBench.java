package org.oddlantern.bench;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.ToLongFunction;

/**
 * The command with journal, JUnit XML and pages, against the same calls written by hand with the same HTTP
 * client, the same mapper and plain conditions, which record nothing: whole processes in turn.
 */
public final class HandBench {

  private final String address;
  private final Path folder;
  private final int rounds;

  private HandBench(String address, Path folder, int rounds) {
    this.address = address;
    this.folder = folder;
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
      HandBench bench =
          new HandBench(service.address(), Files.createTempDirectory("bench"), rounds);
      if (works.isEmpty() || works.contains("one")) {
        bench.pair("one case", "OneTest", "/fast", 1, OneByHand.class);
      }
      if (works.isEmpty() || works.contains("calls")) {
        bench.pair(
            "10,000 calls in ten cases", "ExchangesTest", "/fast", 10_000, HandwrittenSide.class);
      }
      if (works.isEmpty() || works.contains("lanes")) {
        bench.pair(
            "2,000 cases of 50 ms in 50 lanes", "SlowTest", "/slow", 2_000, SlowByHand.class, "50");
      }
    }
  }

  private void pair(
      String work, String suite, String path, int exchanges, Class<?> byHand, String... lanes)
      throws Exception {
    List<Measured> command = new ArrayList<>();
    List<Measured> hand = new ArrayList<>();
    for (int i = 0; i <= rounds; i++) {
      Measured one = command(suite, path, exchanges, lanes);
      Measured other = byHand(path, exchanges, byHand, lanes);
      if (i > 0) {
        command.add(one);
        hand.add(other);
      }
    }
    System.out.printf(
        Locale.ROOT,
        "%s, JDK %d, %d rounds: wall %s, processor %s, memory %s%n",
        work,
        Runtime.version().feature(),
        rounds,
        ratio(command, hand, Measured::wall, 1e9, "s"),
        ratio(command, hand, Measured::processor, 1e9, "s"),
        ratio(command, hand, Measured::memory, 1e6, "MB"));
  }

  /** The command of the distribution as people start it. */
  private Measured command(String suite, String path, int exchanges, String... lanes)
      throws Exception {
    List<String> line = new ArrayList<>(List.of(
        "dist/target/odd-lantern/odd-lantern/bin/odd-lantern",
        "run",
        "bench/target/classes",
        "--case",
        suite,
        "--set",
        "services.hives.url=" + address + path,
        "--out",
        folder.resolve(suite).toString()));
    if (lanes.length > 0) {
      line.addAll(List.of("--lanes", lanes[0]));
    }
    return Measured.of(
        line, Map.of("ODD_LANTERN_OPTS", "-D" + Workload.EXCHANGES + "=" + exchanges));
  }

  private Measured byHand(String path, int exchanges, Class<?> main, String... arguments)
      throws Exception {
    List<String> line = new ArrayList<>(List.of(
        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
        "-cp",
        RunBench.classPath(),
        "-D" + Workload.ADDRESS + "=" + address + path,
        "-D" + Workload.EXCHANGES + "=" + exchanges,
        main.getName()));
    line.addAll(List.of(arguments));
    return Measured.of(line, Map.of());
  }

  private static String ratio(
      List<Measured> ours,
      List<Measured> theirs,
      ToLongFunction<Measured> what,
      double unit,
      String word) {
    double a = median(ours, what) / unit;
    double b = median(theirs, what) / unit;
    return String.format(Locale.ROOT, "%.2f times (%.2f against %.2f %s)", a / b, a, b, word);
  }

  private static double median(List<Measured> all, ToLongFunction<Measured> what) {
    long[] sorted = all.stream().mapToLong(what).sorted().toArray();
    return (sorted[(sorted.length - 1) / 2] + sorted[sorted.length / 2]) / 2.0;
  }
}
