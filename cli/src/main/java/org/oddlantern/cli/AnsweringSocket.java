package org.oddlantern.cli;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.Locale;

/** A socket of our own that gives every request the same reply, for the training of the archive. */
final class AnsweringSocket implements AutoCloseable {

  private static final byte[] REPLY =
      "HTTP/1.1 200 OK\r\nContent-Type: application/json\r\nContent-Length: 8\r\n\r\n{\"id\":7}"
          .getBytes(StandardCharsets.US_ASCII);

  private static final String LENGTH = "content-length:";

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
      BufferedReader in = new BufferedReader(
          new InputStreamReader(connection.getInputStream(), StandardCharsets.ISO_8859_1));
      OutputStream out = connection.getOutputStream();
      int octets = 0;
      for (String line = in.readLine(); line != null; line = in.readLine()) {
        if (line.isEmpty()) {
          in.skip(octets);
          out.write(REPLY);
          octets = 0;
        } else if (line.toLowerCase(Locale.ROOT).startsWith(LENGTH)) {
          octets = Integer.parseInt(line.substring(LENGTH.length()).strip());
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
