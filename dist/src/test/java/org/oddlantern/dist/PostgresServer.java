package org.oddlantern.dist;

import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/** A PostgreSQL of the machine's, with a database {@code yard} of its own in a folder that is removed. */
final class PostgresServer implements AutoCloseable {

  private static final Path VERSIONS = Path.of("/usr/lib/postgresql");

  private final Path programs;
  private final Path folder;
  private final int port;

  private PostgresServer(Path programs, Path folder, int port) {
    this.programs = programs;
    this.folder = folder;
    this.port = port;
  }

  /** Where its programs are; null if the machine has none. */
  static @Nullable Path programs() throws IOException {
    if (!Files.isDirectory(VERSIONS)) {
      return null;
    }
    try (Stream<Path> versions = Files.list(VERSIONS)) {
      return versions
          .map(version -> version.resolve("bin"))
          .filter(bin -> Files.isExecutable(bin.resolve("initdb")))
          .max(Path::compareTo)
          .orElse(null);
    }
  }

  static PostgresServer started(Path programs) throws IOException, InterruptedException {
    Path folder = Files.createTempDirectory("postgres");
    int port;
    try (ServerSocket free = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
      port = free.getLocalPort();
    }
    PostgresServer server = new PostgresServer(programs, folder, port);
    if (isRoot()) {
      run(List.of("chown", "postgres", folder.toString()));
    }
    server.does("initdb", "-D", folder + "/data", "-U", "wren", "-A", "trust", "-E", "UTF8");
    server.does(
        "pg_ctl",
        "-D",
        folder + "/data",
        "-w",
        "-l",
        folder + "/log",
        "-o",
        "-p " + port + " -k " + folder + " -c listen_addresses=127.0.0.1 -c fsync=off",
        "start");
    server.does("createdb", "-h", "127.0.0.1", "-p", port + "", "-U", "wren", "yard");
    return server;
  }

  int port() {
    return port;
  }

  @Override
  public void close() throws IOException, InterruptedException {
    does("pg_ctl", "-D", folder + "/data", "-m", "immediate", "stop");
    run(List.of("rm", "-rf", folder.toString()));
  }

  /** It refuses to run as root. */
  private void does(String program, String... arguments) throws IOException, InterruptedException {
    List<String> words = new ArrayList<>();
    if (isRoot()) {
      words.addAll(List.of("runuser", "-u", "postgres", "--"));
    }
    words.add(programs.resolve(program).toString());
    words.addAll(List.of(arguments));
    run(words);
  }

  private static boolean isRoot() {
    return System.getProperty("user.name").equals("root");
  }

  private static void run(List<String> words) throws IOException, InterruptedException {
    Path out = Files.createTempFile("out", ".txt");
    Process process = new ProcessBuilder(words)
        .directory(Path.of("/tmp").toFile())
        .redirectErrorStream(true)
        .redirectOutput(out.toFile())
        .start();
    boolean ended = process.waitFor(60, TimeUnit.SECONDS);
    String printed = Files.readString(out);
    Files.delete(out);
    if (!ended || process.exitValue() != 0) {
      throw new IOException(String.join(" ", words) + ": " + printed);
    }
  }
}
