package org.oddlantern.testing;

import java.io.IOException;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;

/** Answers every connection with bytes of the test's choosing, however wrong. */
public final class RawServer implements AutoCloseable {

  /** What is sent once a request has come; the socket is closed after it. */
  @FunctionalInterface
  public interface Answer {
    void send(OutputStream out) throws Exception;
  }

  private final ServerSocket server;

  public RawServer(Answer answer) throws IOException {
    server = new ServerSocket(0, 50, InetAddress.getLoopbackAddress());
    Thread thread = new Thread(() -> serve(answer), "raw-server");
    thread.setDaemon(true);
    thread.start();
  }

  /** Sends a text and closes. */
  public static RawServer saying(String text) throws IOException {
    return new RawServer(out -> out.write(text.getBytes(StandardCharsets.ISO_8859_1)));
  }

  public String address() {
    return "http://127.0.0.1:" + server.getLocalPort();
  }

  @Override
  public void close() throws IOException {
    server.close();
  }

  private void serve(Answer answer) {
    while (!server.isClosed()) {
      try (Socket socket = server.accept()) {
        socket.getInputStream().read(new byte[65_536]);
        answer(socket, answer);
      } catch (Exception e) {
        // the peer has gone, or the test is over
      }
    }
  }

  private static void answer(Socket socket, Answer answer) throws Exception {
    try {
      answer.send(socket.getOutputStream());
      socket.getOutputStream().flush();
    } catch (Reset e) {
      socket.setSoLinger(true, 0);
    }
  }

  /** Ends an answer with a reset of the connection. */
  public static final class Reset extends Exception {
    private static final long serialVersionUID = 1L;
  }
}
