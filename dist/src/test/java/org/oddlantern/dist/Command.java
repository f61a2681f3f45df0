package org.oddlantern.dist;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** The command of the distribution, run as a process of its own. */
public record Command(Path folder, Map<String, String> variables) {

  private static final Path HOME = Path.of(System.getProperty("dist.home"));

  /** One class archive for all processes of the tests makes them start faster. */
  private static final Path CACHE = Path.of(
      System.getProperty("java.io.tmpdir"), "odd-lantern-tests-" + System.getProperty("user.name"));

  public static Command in(Path folder) {
    return new Command(folder, Map.of());
  }

  public Command with(String variable, String value) {
    Map<String, String> more = new HashMap<>(variables);
    more.put(variable, value);
    return new Command(folder, more);
  }

  /** What a process printed and how it ended. */
  public record Output(int status, String out, String err) {}

  public Output run(String... words) throws IOException, InterruptedException {
    return started(words).ended();
  }

  /** Starts it and does not wait. */
  public Running started(String... words) throws IOException {
    return startedBy(List.of(), words);
  }

  /** Starts it by way of another program. */
  Running startedBy(List<String> program, String... words) throws IOException {
    List<String> line = new ArrayList<>(program);
    line.add(HOME.resolve("bin/odd-lantern").toString());
    line.addAll(List.of(words));
    Path out = Files.createTempFile("out", ".txt");
    Path err = Files.createTempFile("err", ".txt");
    ProcessBuilder builder = new ProcessBuilder(line)
        .directory(folder.toFile())
        .redirectOutput(out.toFile())
        .redirectError(err.toFile());
    builder.environment().put("JAVA_HOME", System.getProperty("java.home"));
    builder.environment().put("XDG_CACHE_HOME", CACHE.toString());
    builder.environment().put("ODD_LANTERN_ARCHIVE", "on");
    builder.environment().remove("ODD_LANTERN_ENV");
    builder.environment().putAll(variables);
    return new Running(builder.start(), out, err);
  }

  /** A process that may still run. */
  public record Running(Process process, Path out, Path err) {

    /** Waits for its end. */
    public Output ended() throws IOException, InterruptedException {
      if (!process.waitFor(5, TimeUnit.MINUTES)) {
        process.destroyForcibly();
        throw new IllegalStateException("the command did not end within five minutes");
      }
      return new Output(process.exitValue(), Files.readString(out), Files.readString(err));
    }
  }

  /** The jar of the demo whose name ends so. */
  public static Path demoJar(String ending) throws IOException {
    return jars(HOME.resolve("lib/demo"))
        .filter(jar -> jar.getFileName().toString().matches("odd-lantern-demo.*" + ending))
        .findFirst()
        .orElseThrow();
  }

  /** What the suites of the demo need beside themselves, as a class path. */
  public static String demoLibraries() throws IOException {
    return jars(HOME.resolve("lib/demo"))
        .map(Path::toString)
        .filter(jar -> !jar.endsWith("-tests.jar"))
        .collect(Collectors.joining(System.getProperty("path.separator")));
  }

  /** Every library of the distribution, as a class path. */
  static List<Path> libraries() throws IOException {
    return Stream.concat(jars(HOME.resolve("lib")), jars(HOME.resolve("lib/demo")))
        .toList();
  }

  private static Stream<Path> jars(Path folder) throws IOException {
    try (Stream<Path> files = Files.list(folder)) {
      return files.filter(file -> file.toString().endsWith(".jar")).toList().stream();
    }
  }
}
