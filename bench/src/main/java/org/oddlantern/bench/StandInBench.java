package org.oddlantern.bench;

import java.io.IOException;
import java.io.InputStream;
import java.net.InetAddress;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.apache.hc.core5.http.ContentType;
import org.apache.hc.core5.http.impl.bootstrap.HttpServer;
import org.apache.hc.core5.http.impl.bootstrap.ServerBootstrap;
import org.apache.hc.core5.http.io.SocketConfig;
import org.apache.hc.core5.http.io.entity.StringEntity;
import org.apache.hc.core5.io.CloseMode;
import org.oddlantern.standin.Answer;
import org.oddlantern.standin.StandIn;

/**
 * What an answer of a stand-in costs, as a multiple of a plain answer of the same HTTP server library: in
 * turn, in one process, asked by the same bare client over connections that are kept. The stand-in finds the
 * answer by a pattern and keeps what it was asked.
 */
public final class StandInBench {

  private static final String JSON = "{\"rain\":false}";
  private static final byte[] REQUEST =
      """
      GET /forecast/moor HTTP/1.1
      Host: 127.0.0.1
      Accept: application/json
      traceparent: 00-0af7651916cd43dd8448eb211c80319c-b7ad6b7169203331-01

      """.replace("\n", "\r\n").getBytes(StandardCharsets.US_ASCII);

  private StandInBench() {}

  /**
   * Starts here.
   *
   * @param arguments how many rounds, how many requests in each; 15 and 20,000 unless given
   * @throws Exception if a side fails
   */
  public static void main(String[] arguments) throws Exception {
    int rounds = arguments.length > 0 ? Integer.parseInt(arguments[0]) : 15;
    int requests = arguments.length > 1 ? Integer.parseInt(arguments[1]) : 20_000;
    HttpServer plain = ServerBootstrap.bootstrap()
        .setLocalAddress(InetAddress.getLoopbackAddress())
        .setSocketConfig(SocketConfig.custom().setTcpNoDelay(true).build())
        .register(
            "/forecast/*",
            (request, response, context) ->
                response.setEntity(new StringEntity(JSON, ContentType.APPLICATION_JSON)))
        .setCanonicalHostName("127.0.0.1")
        .create();
    plain.start();
    for (int connections : new int[] {1, 8}) {
      List<Long> ours = new ArrayList<>();
      List<Long> others = new ArrayList<>();
      for (int i = 0; i < rounds + 3; i++) {
        try (StandIn standIn = StandIn.open()
            .answering("GET /forecast/{place}", Answer.of(200).json(Map.of("rain", false)))) {
          long own = time(standIn.port(), connections, requests);
          long other = time(plain.getLocalPort(), connections, requests);
          if (i >= 3) { // the first ones only warm up
            ours.add(own);
            others.add(other);
          }
        }
      }
      double a = median(ours);
      double b = median(others);
      System.out.println(String.format(
          Locale.ROOT,
          "%d connections: %.2f times a plain answer (%.1f against %.1f microseconds each)",
          connections,
          a / b,
          a / 1e3 / requests,
          b / 1e3 / requests));
    }
    plain.close(CloseMode.IMMEDIATE);
  }

  private static long time(int port, int connections, int requests) throws Exception {
    List<Thread> threads = new ArrayList<>();
    long start = System.nanoTime();
    for (int i = 0; i < connections; i++) {
      Thread thread = new Thread(() -> ask(port, requests / connections));
      thread.start();
      threads.add(thread);
    }
    for (Thread thread : threads) {
      thread.join();
    }
    return System.nanoTime() - start;
  }

  private static void ask(int port, int requests) {
    try (Socket socket = new Socket(InetAddress.getLoopbackAddress(), port)) {
      socket.setTcpNoDelay(true);
      InputStream in = socket.getInputStream();
      byte[] buffer = new byte[4_096];
      for (int i = 0; i < requests; i++) {
        socket.getOutputStream().write(REQUEST);
        int filled = 0;
        while (filled < JSON.length() || !endsWithBody(buffer, filled)) {
          int read = in.read(buffer, filled, buffer.length - filled);
          if (read < 0) {
            throw new IllegalStateException(
                "it ended with " + new String(buffer, 0, filled, StandardCharsets.US_ASCII));
          }
          filled += read;
        }
      }
    } catch (IOException e) {
      throw new IllegalStateException(e);
    }
  }

  private static boolean endsWithBody(byte[] buffer, int filled) {
    return new String(buffer, filled - JSON.length(), JSON.length(), StandardCharsets.US_ASCII)
        .equals(JSON);
  }

  private static double median(List<Long> values) {
    List<Long> sorted = values.stream().sorted().toList();
    return (sorted.get((sorted.size() - 1) / 2) + sorted.get(sorted.size() / 2)) / 2.0;
  }
}
