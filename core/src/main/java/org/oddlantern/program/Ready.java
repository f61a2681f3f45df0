package org.oddlantern.program;

import java.io.IOException;
import java.net.HttpURLConnection;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.net.URI;
import java.time.Duration;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * When a program has come up.
 *
 * @param words what is waited for, in words; empty for nothing
 * @param limit for how long
 * @param port where it serves then; 0 if nobody knows
 * @param url what must answer; null for nothing
 * @param line what it must say; null for nothing
 */
record Ready(
    String words,
    Duration limit,
    int port,
    @Nullable URI url,
    @Nullable Pattern line) {

  private static final int CONNECT = 1_000;

  static final Ready AT_ONCE = new Ready("", Duration.ZERO, 0, null, null);

  static Ready answering(URI url, Duration limit) {
    int port = url.getPort() >= 0 ? url.getPort() : url.getScheme().equals("https") ? 443 : 80;
    return new Ready("GET " + url + " answered", limit, port, url, null);
  }

  static Ready listening(int port, Duration limit) {
    if (port < 1 || port > 65_535) {
      throw new IllegalArgumentException("a port is between 1 and 65535, not " + port);
    }
    return new Ready("it listened at port " + port, limit, port, null, null);
  }

  static Ready saying(Pattern line, Duration limit) {
    return new Ready("it said '" + line + "'", limit, 0, null, line);
  }

  /** Why there is no way to see when it is ready; empty if there is. */
  String taken() {
    return port > 0 && isListening()
        ? "somebody listens at port " + port
            + " already, so there is no way to see when this program is ready; end the other, or take Program.freePort()"
        : "";
  }

  /** What is still missing; empty if it is ready. */
  String missing(Output output) {
    if (line != null) {
      return output.hasSaid() ? "" : "it said nothing like '" + line + "'";
    }
    if (url != null) {
      return answer(url);
    }
    return port == 0 || isListening() ? "" : "nothing listens at port " + port;
  }

  private static String answer(URI url) {
    try {
      HttpURLConnection connection = (HttpURLConnection) url.toURL().openConnection();
      connection.setConnectTimeout(CONNECT);
      connection.setReadTimeout(2 * CONNECT);
      connection.setInstanceFollowRedirects(false);
      try {
        int status = connection.getResponseCode();
        return status > 0 && status < 400 ? "" : "GET " + url + " was answered " + status;
      } finally {
        connection.disconnect();
      }
    } catch (IOException e) {
      return "GET " + url + " was not answered: " + e.getMessage();
    }
  }

  private boolean isListening() {
    String host = url == null ? InetAddress.getLoopbackAddress().getHostAddress() : url.getHost();
    try (Socket socket = new Socket()) {
      socket.connect(new InetSocketAddress(host, port), CONNECT);
      // a call from a free port to itself is answered by nobody else (RFC 9293, simultaneous open)
      return socket.getLocalPort() != port;
    } catch (IOException e) {
      return false;
    }
  }
}
