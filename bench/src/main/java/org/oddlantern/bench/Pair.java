package org.oddlantern.bench;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Executors;

/**
 * Runs both sides in turn, each as a whole process, against one service, and prints the ratio of their
 * medians. The first pair only warms the machine up.
 */
public final class Pair {

  /** The options of the distribution's script, without its class-data archive. */
  private static final List<String> AS_THE_COMMAND =
      List.of("-XX:TieredStopAtLevel=1", "-XX:+UseSerialGC");

  private Pair() {}

  /**
   * Starts here.
   *
   * @param arguments how many pairs, how many exchanges; 9 and 10,000 unless given
   * @throws Exception if a side fails
   */
  public static void main(String[] arguments) throws Exception {
    int pairs = arguments.length > 0 ? Integer.parseInt(arguments[0]) : 9;
    int exchanges = arguments.length > 1 ? Integer.parseInt(arguments[1]) : 10_000;
    System.out.println("both started plainly: " + run(pairs, exchanges, List.of()));
    System.out.println(
        "both started as the command starts: " + run(pairs, exchanges, AS_THE_COMMAND));
  }

  static String run(int pairs, int exchanges, List<String> options) throws Exception {
    HttpServer server =
        HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
    server.createContext("/hives/", Pair::answer);
    server.setExecutor(Executors.newCachedThreadPool());
    server.start();
    String address = "http://127.0.0.1:" + server.getAddress().getPort();
    Path journal = Files.createTempDirectory("bench").resolve("journal.jsonl");
    List<Measured> lantern = new ArrayList<>();
    List<Measured> byHand = new ArrayList<>();
    for (int i = 0; i <= pairs; i++) {
      Measured one = side(LanternSide.class, address, exchanges, options, journal.toString());
      Measured other = side(HandwrittenSide.class, address, exchanges, options);
      if (i > 0) {
        lantern.add(one);
        byHand.add(other);
      }
    }
    server.stop(0);
    return "%d exchanges, %d pairs, JDK %s%nwall   %s%ncpu    %s"
        .formatted(
            exchanges,
            pairs,
            Runtime.version().feature(),
            ratio(
                lantern.stream().mapToLong(Measured::wall).toArray(),
                byHand.stream().mapToLong(Measured::wall).toArray()),
            ratio(
                lantern.stream().mapToLong(Measured::cpu).toArray(),
                byHand.stream().mapToLong(Measured::cpu).toArray()));
  }

  private static void answer(HttpExchange exchange) throws IOException {
    String id = exchange.getRequestURI().getPath().substring("/hives/".length());
    byte[] body = ("{\"id\":" + id
            + ",\"label\":\"Foxglove\",\"kind\":\"stack\",\"queenYear\":2026,\"plot\":\"north slope\"}")
        .getBytes(StandardCharsets.UTF_8);
    exchange.getResponseHeaders().add("Content-Type", "application/json");
    exchange.sendResponseHeaders(200, body.length);
    exchange.getResponseBody().write(body);
    exchange.close();
  }

  private static Measured side(
      Class<?> main, String address, int exchanges, List<String> options, String... arguments)
      throws Exception {
    List<String> line = new ArrayList<>(List.of(
        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
        "-cp",
        System.getProperty("java.class.path"),
        "-D" + Workload.ADDRESS + "=" + address,
        "-D" + Workload.EXCHANGES + "=" + exchanges,
        main.getName()));
    line.addAll(1, options);
    line.addAll(List.of(arguments));
    long start = System.nanoTime();
    Process process =
        new ProcessBuilder(line).redirectError(ProcessBuilder.Redirect.INHERIT).start();
    String out = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    int status = process.waitFor();
    long wall = System.nanoTime() - start;
    if (status != 0 || !out.startsWith(Cost.WORD)) {
      throw new IllegalStateException(
          main.getSimpleName() + " ended with " + status + " and said: " + out);
    }
    return new Measured(wall, Long.parseLong(out.substring(Cost.WORD.length()).trim()));
  }

  private static String ratio(long[] lantern, long[] byHand) {
    double a = median(lantern);
    double b = median(byHand);
    return String.format(
        Locale.ROOT, "%.2f times (%.0f ms against %.0f ms by hand)", a / b, a / 1e6, b / 1e6);
  }

  private static double median(long[] values) {
    long[] sorted = values.clone();
    Arrays.sort(sorted);
    return (sorted[(sorted.length - 1) / 2] + sorted[sorted.length / 2]) / 2.0;
  }

  /** The cost of one process in nanoseconds. */
  private record Measured(long wall, long cpu) {}
}
