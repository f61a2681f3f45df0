package org.oddlantern.demo.beeyard;

import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;

/** Finds ports nobody listens on. */
final class FreePorts {

  private FreePorts() {}

  /** The port wanted if it is free, else any free one. */
  static int preferring(int port) throws IOException {
    InetAddress loopback = InetAddress.getLoopbackAddress();
    try (ServerSocket wanted = new ServerSocket(port, 1, loopback)) {
      return wanted.getLocalPort();
    } catch (IOException e) {
      try (ServerSocket any = new ServerSocket(0, 1, loopback)) {
        return any.getLocalPort();
      }
    }
  }
}
