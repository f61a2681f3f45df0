package org.oddlantern.testing;

import com.sun.net.httpserver.HttpHandler;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.util.concurrent.Executors;

/** The JDK's own HTTP server at any port of the loopback address, with threads that keep no program alive. */
public final class LocalServer {

  private LocalServer() {}

  /** One that has started, and leaves every request to a handler. */
  public static HttpServer started(String name, HttpHandler handler) {
    try {
      return started(
          name,
          HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0),
          handler);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Starts one. */
  public static HttpServer started(String name, HttpServer server, HttpHandler handler) {
    server.createContext("/", handler);
    server.setExecutor(Executors.newCachedThreadPool(task -> {
      Thread thread = new Thread(task, name);
      thread.setDaemon(true);
      return thread;
    }));
    server.start();
    return server;
  }
}
