package org.oddlantern.testing;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;

/**
 * Keeps connections, answers each path with the head that was written for it, byte for byte, and remembers
 * the heads that came. A connection is closed without a word after so many replies.
 */
public final class ScriptedServer implements AutoCloseable {

  /** The heads of requests, in order, a letter for each byte. */
  public final List<String> heads = new CopyOnWriteArrayList<>();

  private final Map<String, String> answers = new ConcurrentHashMap<>();
  private final ServerSocket server;
  private volatile int repliesOfAConnection = Integer.MAX_VALUE;

  public ScriptedServer() throws IOException {
    server = new ServerSocket(0, 50, InetAddress.getLoopbackAddress());
    daemon(() -> {
      while (!server.isClosed()) {
        Socket socket = server.accept();
        daemon(() -> serve(socket));
      }
    });
  }

  /** What a path answers: a status line and header lines. */
  public ScriptedServer answering(String path, String... lines) {
    answers.put(path, String.join("\r\n", lines) + "\r\nContent-Length: 0\r\n\r\n");
    return this;
  }

  /** A path that hears a request and closes the connection. */
  public ScriptedServer closingAt(String path) {
    answers.put(path, "");
    return this;
  }

  public ScriptedServer closingAfter(int replies) {
    repliesOfAConnection = replies;
    return this;
  }

  public String address() {
    return "http://127.0.0.1:" + server.getLocalPort();
  }

  /** A header of the last request. */
  public String last(String name) {
    String start = name.toLowerCase(java.util.Locale.ROOT) + ": ";
    return heads
        .get(heads.size() - 1)
        .lines()
        .filter(line -> line.toLowerCase(java.util.Locale.ROOT).startsWith(start))
        .map(line -> line.substring(start.length()))
        .findFirst()
        .orElse("");
  }

  @Override
  public void close() throws IOException {
    server.close();
  }

  private void serve(Socket socket) throws IOException {
    try (socket) {
      BufferedReader in = new BufferedReader(
          new InputStreamReader(socket.getInputStream(), StandardCharsets.ISO_8859_1));
      OutputStream out = socket.getOutputStream();
      for (int replies = 0; replies < repliesOfAConnection; replies++) {
        List<String> head = new ArrayList<>();
        for (String line = in.readLine(); line != null && !line.isEmpty(); line = in.readLine()) {
          head.add(line);
        }
        if (head.isEmpty()) {
          return;
        }
        heads.add(String.join("\n", head));
        String path = head.get(0).split(" ", -1)[1];
        String answer = answers.getOrDefault(path, "HTTP/1.1 200 OK\r\nContent-Length: 0\r\n\r\n");
        if (answer.isEmpty()) {
          return;
        }
        out.write(answer.getBytes(StandardCharsets.ISO_8859_1));
        out.flush();
      }
    }
  }

  private static void daemon(Work work) {
    Thread thread = new Thread(
        () -> {
          try {
            work.done();
          } catch (IOException e) {
            // the peer has gone, or the test is over
          }
        },
        "scripted-server");
    thread.setDaemon(true);
    thread.start();
  }

  private interface Work {
    void done() throws IOException;
  }
}
