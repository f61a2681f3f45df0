package org.oddlantern.dist.pages;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.file.Files;
import java.nio.file.Path;

/** A folder as a build server serves it, maybe under a policy. */
record ServedFolder(HttpServer server, Path folder, String policy) implements AutoCloseable {

  static ServedFolder of(Path folder, String policy) throws IOException {
    HttpServer server =
        HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
    ServedFolder served = new ServedFolder(server, folder.toAbsolutePath().normalize(), policy);
    server.createContext("/", served::answer);
    server.start();
    return served;
  }

  String address(String page) {
    return "http://127.0.0.1:" + server.getAddress().getPort() + "/" + page;
  }

  private void answer(HttpExchange exchange) throws IOException {
    Path file = folder.resolve(exchange.getRequestURI().getPath().substring(1)).normalize();
    boolean there = file.startsWith(folder) && Files.isRegularFile(file);
    byte[] bytes = there ? Files.readAllBytes(file) : new byte[0];
    exchange.getResponseHeaders().add("Content-Type", type(file.toString()));
    if (!policy.isEmpty()) {
      exchange.getResponseHeaders().add("Content-Security-Policy", policy);
    }
    exchange.sendResponseHeaders(there ? 200 : 404, bytes.length == 0 ? -1 : bytes.length);
    exchange.getResponseBody().write(bytes);
    exchange.close();
  }

  private static String type(String file) {
    return file.endsWith(".html")
        ? "text/html; charset=utf-8"
        : file.endsWith(".css")
            ? "text/css"
            : file.endsWith(".js")
                ? "text/javascript"
                : file.endsWith(".png") ? "image/png" : "text/plain";
  }

  @Override
  public void close() {
    server.stop(0);
  }
}
