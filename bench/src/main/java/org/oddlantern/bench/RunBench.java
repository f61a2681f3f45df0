package org.oddlantern.bench;

import java.io.File;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * Whole runs: many cases in lanes on a slow service, many long replies in a small heap, and the start of a
 * run of one case, each as processes of their own against one service.
 */
public final class RunBench {

  private static final List<String> AS_THE_COMMAND =
      List.of("-Xshare:auto", "-Xlog:disable", "-XX:TieredStopAtLevel=1", "-XX:+UseSerialGC");

  private static final int CASES = 2_000;
  private static final String LANES = "50";
  private static final Pattern TOOK = Pattern.compile("\"tookMicros\":(\\d+)");

  private final String address;
  private final Path folder;

  private RunBench(String address, Path folder) {
    this.address = address;
    this.folder = folder;
  }

  /**
   * Starts here.
   *
   * @param arguments what to measure: lanes, memory or start; and how often, 7 unless given
   * @throws Exception if a side fails
   */
  public static void main(String[] arguments) throws Exception {
    int rounds = arguments.length > 1 ? Integer.parseInt(arguments[1]) : 7;
    try (PlainService service = new PlainService()) {
      RunBench bench = new RunBench(service.address(), Files.createTempDirectory("bench"));
      switch (arguments[0]) {
        case "lanes" -> bench.lanes(rounds);
        case "memory" -> bench.memory();
        default -> bench.start(rounds);
      }
    }
  }

  private void lanes(int rounds) throws Exception {
    List<Long> lantern = new ArrayList<>();
    List<Long> byHand = new ArrayList<>();
    List<String> archived = archived("/slow50", SlowByHand.class, "1");
    lanesByCommand();
    for (int i = 0; i < rounds; i++) {
      lantern.add(lanesByCommand());
      byHand.add(micros(java(archived, "/slow50", CASES, SlowByHand.class, LANES), SuiteSide.WORD));
    }
    System.out.printf(
        Locale.ROOT,
        "2,000 cases of 50 ms in 50 lanes, JDK %d, %d rounds: %.2f s, %.2f times the ideal 2 s, %.2f times the same calls by hand (%.2f s); best round %.2f s%n",
        Runtime.version().feature(),
        rounds,
        median(lantern) / 1e6,
        median(lantern) / 2e6,
        median(lantern) / median(byHand),
        median(byHand) / 1e6,
        Collections.min(lantern) / 1e6);
  }

  /** How long the run took, by its journal. */
  private long lanesByCommand() throws Exception {
    new BothSides(address, folder).command("SlowTest", "/slow50", CASES, LANES);
    try (Stream<String> lines = Files.lines(folder.resolve("SlowTest/journal.jsonl"))) {
      String last = lines.reduce((first, second) -> second).orElseThrow();
      Matcher told = TOOK.matcher(last);
      if (!told.find()) {
        throw new IllegalStateException("no end of the run in " + last);
      }
      return Long.parseLong(told.group(1));
    }
  }

  private void memory() throws Exception {
    Path out = folder.resolve("memory");
    String told = java(
        List.of("-Xmx256m", "-XX:+UseSerialGC"),
        "/long",
        10_000,
        SuiteSide.class,
        "SlowTest",
        "4",
        out.toString());
    System.out.printf(
        Locale.ROOT,
        "10,000 cases with replies of 100 kB in a heap of 256 MB: run %.1f s, with reports %.1f s; journal %.1f MB, bodies %.1f MB, index %.1f MB%n",
        micros(told, SuiteSide.WORD) / 1e6,
        micros(told, "all-micros ") / 1e6,
        size(out.resolve("journal.jsonl")) / 1e6,
        size(out.resolve("bodies")) / 1e6,
        size(out.resolve("report/index.html")) / 1e6);
  }

  private void start(int rounds) throws Exception {
    List<Long> command = new ArrayList<>();
    List<Long> plain = new ArrayList<>();
    List<Long> alike = new ArrayList<>();
    List<String> archived = archived("/fast", OneByHand.class);
    oneByCommand();
    for (int i = 0; i < rounds; i++) {
      command.add(timed(this::oneByCommand));
      plain.add(timed(() -> java(List.of(), "/fast", 1, OneByHand.class)));
      alike.add(timed(() -> java(archived, "/fast", 1, OneByHand.class)));
    }
    System.out.printf(
        Locale.ROOT,
        "a run of one case, whole process, JDK %d, %d rounds: %.0f ms; %.2f times a bare program started plainly (%.0f ms), %.2f times one with the same JVM options and a class archive (%.0f ms)%n",
        Runtime.version().feature(),
        rounds,
        median(command) / 1e6,
        median(command) / median(plain),
        median(plain) / 1e6,
        median(command) / median(alike),
        median(alike) / 1e6);
  }

  private String oneByCommand() throws Exception {
    return new BothSides(address, folder).command("OneTest", "/fast", 1).out();
  }

  /** The command's JVM options, with a class archive that one call of this program has filled. */
  private List<String> archived(String path, Class<?> main, String... arguments) throws Exception {
    Path archive = folder.resolve(main.getSimpleName() + ".jsa");
    List<String> filling = new ArrayList<>(AS_THE_COMMAND);
    filling.add("-XX:ArchiveClassesAtExit=" + archive);
    java(filling, path, 1, main, arguments);
    List<String> options = new ArrayList<>(AS_THE_COMMAND);
    options.add("-XX:SharedArchiveFile=" + archive);
    return options;
  }

  private String java(
      List<String> options, String path, int exchanges, Class<?> main, String... arguments)
      throws Exception {
    List<String> line = new ArrayList<>();
    line.add(Path.of(System.getProperty("java.home"), "bin", "java").toString());
    line.addAll(options);
    line.addAll(List.of("-cp", classPath()));
    line.add("-D" + Workload.ADDRESS + "=" + address + path);
    line.add("-D" + Workload.EXCHANGES + "=" + exchanges);
    line.add(main.getName());
    line.addAll(List.of(arguments));
    return ended(new ProcessBuilder(line));
  }

  /** With every wildcard replaced, since a class archive fits one class path only. */
  static String classPath() throws IOException {
    List<String> entries = new ArrayList<>();
    for (String entry : System.getProperty("java.class.path").split(File.pathSeparator, -1)) {
      entries.add(Path.of(entry).toAbsolutePath().toString());
    }
    return String.join(File.pathSeparator, entries);
  }

  private static String ended(ProcessBuilder builder) throws Exception {
    Process process = builder.redirectError(ProcessBuilder.Redirect.INHERIT).start();
    String out = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    if (process.waitFor() != 0) {
      throw new IllegalStateException(builder.command() + " said: " + out);
    }
    return out;
  }

  private static long timed(Side side) throws Exception {
    long start = System.nanoTime();
    side.run();
    return System.nanoTime() - start;
  }

  private static long micros(String out, String word) {
    return out.lines()
        .filter(line -> line.startsWith(word))
        .mapToLong(line -> Long.parseLong(line.substring(word.length())))
        .findFirst()
        .orElseThrow();
  }

  private static double median(List<Long> values) {
    long[] sorted = values.stream().mapToLong(Long::longValue).sorted().toArray();
    return (sorted[(sorted.length - 1) / 2] + sorted[sorted.length / 2]) / 2.0;
  }

  private static double size(Path path) throws IOException {
    if (Files.notExists(path)) {
      return 0;
    }
    try (Stream<Path> files = Files.walk(path)) {
      return files
          .filter(Files::isRegularFile)
          .mapToLong(file -> file.toFile().length())
          .sum();
    }
  }

  /** One side of a comparison. */
  private interface Side {
    String run() throws Exception;
  }
}
