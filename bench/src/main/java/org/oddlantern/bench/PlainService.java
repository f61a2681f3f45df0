package org.oddlantern.bench;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.Objects;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.LockSupport;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A service that costs next to nothing, since it runs on the machine whose speed is measured: a thread for
 * each connection, one path of each kind, no more of HTTP than both sides use.
 */
final class PlainService implements AutoCloseable {

  private static final Pattern SLOW = Pattern.compile("/slow(\\d+)/.*");
  private static final String FILLING = "honey ".repeat(100_000 / 6);
  private static final String HUGE = "honey ".repeat((20 << 20) / 6);

  private final ServerSocket socket;

  PlainService() throws IOException {
    socket = new ServerSocket(0, 1_000, InetAddress.getLoopbackAddress());
    begin(this::listen);
  }

  String address() {
    return "http://127.0.0.1:" + socket.getLocalPort();
  }

  private void listen() throws IOException {
    while (true) {
      Socket connection = socket.accept();
      begin(() -> answerAll(connection));
    }
  }

  private static void answerAll(Socket connection) throws IOException {
    try (connection) {
      connection.setTcpNoDelay(true);
      BufferedReader in = new BufferedReader(
          new InputStreamReader(connection.getInputStream(), StandardCharsets.ISO_8859_1));
      OutputStream out = connection.getOutputStream();
      for (String line = in.readLine(); line != null; line = in.readLine()) {
        long came = System.nanoTime();
        while (!Objects.requireNonNullElse(in.readLine(), "").isEmpty()) {
          // header fields say nothing that matters here
        }
        String path = line.split(" ", 3)[1];
        Matcher slow = SLOW.matcher(path);
        if (slow.matches()) {
          sleepUntil(came + TimeUnit.MILLISECONDS.toNanos(Long.parseLong(slow.group(1))));
        }
        out.write(reply(path));
      }
    }
  }

  private static void sleepUntil(long end) {
    for (long left = end - System.nanoTime(); left > 0; left = end - System.nanoTime()) {
      LockSupport.parkNanos(left);
    }
  }

  private static String filling(String path) {
    return path.startsWith("/long") ? FILLING : path.startsWith("/huge") ? HUGE : "";
  }

  private static byte[] reply(String path) {
    String body = "{\"id\":" + path.substring(path.lastIndexOf('/') + 1)
        + ",\"label\":\"Foxglove\",\"notes\":\"" + filling(path)
        + "\"}";
    return ("HTTP/1.1 200 OK\r\nContent-Type: application/json\r\nContent-Length: " + body.length()
            + "\r\n\r\n" + body)
        .getBytes(StandardCharsets.ISO_8859_1);
  }

  private static void begin(Work work) {
    Thread thread = new Thread(() -> {
      try {
        work.done();
      } catch (IOException e) {
        // the other side has gone
      }
    });
    thread.setDaemon(true);
    thread.start();
  }

  @Override
  public void close() throws IOException {
    socket.close();
  }

  /** What a thread does until its connection ends. */
  private interface Work {
    void done() throws IOException;
  }
}
