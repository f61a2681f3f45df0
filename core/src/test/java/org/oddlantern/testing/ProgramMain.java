package org.oddlantern.testing;

import com.sun.net.httpserver.HttpServer;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Duration;
import java.util.List;
import org.oddlantern.program.Program;
import org.oddlantern.program.RunningProgram;

/**
 * A program to be started by a test: {@code serve} answers at the port of the variable PORT, and dies when
 * asked for /crash; {@code start FILE} starts another and writes down the numbers of its processes.
 */
public final class ProgramMain {

  private ProgramMain() {}

  public static void main(String[] arguments) throws Exception {
    if (arguments[0].equals("serve")) {
      serve(Integer.parseInt(System.getenv("PORT")));
    } else {
      start(Path.of(arguments[1]));
    }
  }

  private static void serve(int port) throws Exception {
    System.out.println("process " + ProcessHandle.current().pid());
    HttpServer server =
        HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), port), 0);
    server.createContext("/", exchange -> {
      String path = exchange.getRequestURI().getPath();
      System.out.println(
          "asked " + path + " " + exchange.getRequestHeaders().getFirst("traceparent"));
      if (path.equals("/crash")) {
        System.out.println("the hive is on fire");
        Runtime.getRuntime().halt(9);
      }
      byte[] body = "{\"up\":true}".getBytes(StandardCharsets.UTF_8);
      exchange.getResponseHeaders().set("Content-Type", "application/json");
      exchange.sendResponseHeaders(path.equals("/broken") ? 500 : 200, body.length);
      exchange.getResponseBody().write(body);
      exchange.close();
    });
    server.start();
    System.out.println("serving at " + port);
  }

  private static void start(Path said) throws Exception {
    RunningProgram program = Program.of("sh", "-c", "echo $$; sleep 1000 & echo $!; wait")
        .startedUntilSaying("\\d+", Duration.ofSeconds(10));
    while (program.lastLines().size() < 2) {
      Thread.sleep(10);
    }
    Path written = Files.write(said.resolveSibling("written"), List.copyOf(program.lastLines()));
    Files.move(written, said, StandardCopyOption.ATOMIC_MOVE);
    Thread.sleep(1_000_000);
  }
}
