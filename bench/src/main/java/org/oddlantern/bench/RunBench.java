package org.oddlantern.bench;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.File;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Executors;
import java.util.stream.Stream;

/**
 * Whole runs: many cases in lanes on a slow service, many long replies in a small heap, and the start of a
 * run of one case, each as processes of their own against one service.
 */
public final class RunBench {

  private static final List<String> AS_THE_COMMAND =
      List.of("-Xshare:auto", "-Xlog:disable", "-XX:TieredStopAtLevel=1", "-XX:+UseSerialGC");

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
    HttpServer server =
        HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
    server.createContext("/fast/hives/", exchange -> answer(exchange, 0, 0));
    server.createContext("/slow/hives/", exchange -> answer(exchange, 50, 0));
    server.createContext("/long/hives/", exchange -> answer(exchange, 0, 100_000));
    server.setExecutor(Executors.newCachedThreadPool());
    server.start();
    RunBench bench = new RunBench(
        "http://127.0.0.1:" + server.getAddress().getPort(), Files.createTempDirectory("bench"));
    try {
      switch (arguments[0]) {
        case "lanes" -> bench.lanes(rounds);
        case "memory" -> bench.memory();
        default -> bench.start(rounds);
      }
    } finally {
      server.stop(0);
    }
  }

  private void lanes(int rounds) throws Exception {
    List<Long> lantern = new ArrayList<>();
    List<Long> byHand = new ArrayList<>();
    for (int i = 0; i < rounds; i++) {
      String out = java(
          List.of(),
          "/slow",
          2_000,
          SuiteSide.class,
          "SlowTest",
          "50",
          folder.resolve("slow").toString());
      lantern.add(micros(out, SuiteSide.WORD));
      byHand.add(micros(java(List.of(), "/slow", 2_000, SlowByHand.class, "50"), SuiteSide.WORD));
    }
    System.out.printf(
        Locale.ROOT,
        "2,000 cases of 50 ms in 50 lanes, JDK %d, %d rounds: %.2f s, %.2f times the ideal 2 s, %.2f times the same calls by hand (%.2f s)%n",
        Runtime.version().feature(),
        rounds,
        median(lantern) / 1e6,
        median(lantern) / 2e6,
        median(lantern) / median(byHand),
        median(byHand) / 1e6);
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
    List<String> archived = new ArrayList<>(AS_THE_COMMAND);
    archived.add("-XX:SharedArchiveFile=" + folder.resolve("byhand.jsa"));
    List<String> archiving = new ArrayList<>(AS_THE_COMMAND);
    archiving.add("-XX:ArchiveClassesAtExit=" + folder.resolve("byhand.jsa"));
    java(archiving, "/fast", 1, OneByHand.class);
    command();
    for (int i = 0; i < rounds; i++) {
      command.add(timed(this::command));
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

  /** The command of the distribution as people start it. */
  private String command() throws Exception {
    return ended(new ProcessBuilder(
        "dist/target/odd-lantern/odd-lantern/bin/odd-lantern",
        "run",
        "bench/target/classes",
        "--case",
        "OneTest",
        "--set",
        "services.hives.url=" + address + "/fast",
        "--out",
        folder.resolve("one").toString()));
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
  private static String classPath() throws IOException {
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

  private static void answer(HttpExchange exchange, int millis, int filling) throws IOException {
    try {
      Thread.sleep(millis);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
    String id = exchange.getRequestURI().getPath().replaceAll(".*/", "");
    byte[] body = ("{\"id\":" + id + ",\"notes\":\"" + "honey ".repeat(filling / 6) + "\"}")
        .getBytes(StandardCharsets.UTF_8);
    exchange.getResponseHeaders().add("Content-Type", "application/json");
    exchange.sendResponseHeaders(200, body.length);
    exchange.getResponseBody().write(body);
    exchange.close();
  }

  /** One side of a comparison. */
  private interface Side {
    String run() throws Exception;
  }
}
