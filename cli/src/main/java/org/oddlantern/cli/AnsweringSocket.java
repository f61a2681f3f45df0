package org.oddlantern.cli;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;

/** A socket of our own that gives every request without a body the same reply, for the training of the archive. */
final class AnsweringSocket implements AutoCloseable {

  private static final byte[] REPLY =
      "HTTP/1.1 200 OK\r\nContent-Type: application/json\r\nContent-Length: 8\r\n\r\n{\"id\":7}"
          .getBytes(StandardCharsets.US_ASCII);

  private final ServerSocket socket;

  AnsweringSocket() throws IOException {
    socket = new ServerSocket(0, 4, InetAddress.getLoopbackAddress());
    daemon(this::accept);
  }

  String address() {
    return "http://127.0.0.1:" + socket.getLocalPort();
  }

  private static void daemon(Runnable work) {
    Thread thread = new Thread(work, "odd-lantern training");
    thread.setDaemon(true);
    thread.start();
  }

  private void accept() {
    try {
      while (true) {
        Socket connection = socket.accept();
        daemon(() -> answer(connection));
      }
    } catch (IOException e) {
      // closed
    }
  }

  private static void answer(Socket accepted) {
    try (Socket connection = accepted) {
      connection.setTcpNoDelay(true);
      InputStream in = connection.getInputStream();
      OutputStream out = connection.getOutputStream();
      int ends = 0;
      for (int octet = in.read(); octet >= 0; octet = in.read()) {
        ends = octet == '\n' ? ends + 1 : octet == '\r' ? ends : 0;
        if (ends == 2) {
          out.write(REPLY);
          ends = 0;
        }
      }
    } catch (IOException e) {
      // who called has gone
    }
  }

  @Override
  public void close() throws IOException {
    socket.close();
  }
}
