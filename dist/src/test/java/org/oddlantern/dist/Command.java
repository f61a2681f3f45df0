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
    List<String> line = new ArrayList<>(List.of(HOME.resolve("bin/odd-lantern").toString()));
    line.addAll(List.of(words));
    Path out = Files.createTempFile("out", ".txt");
    Path err = Files.createTempFile("err", ".txt");
    ProcessBuilder builder = new ProcessBuilder(line)
        .directory(folder.toFile())
        .redirectOutput(out.toFile())
        .redirectError(err.toFile());
    builder.environment().put("JAVA_HOME", System.getProperty("java.home"));
    builder.environment().put("ODD_LANTERN_ARCHIVE", "off");
    builder.environment().remove("ODD_LANTERN_ENV");
    builder.environment().putAll(variables);
    Process process = builder.start();
    if (!process.waitFor(2, TimeUnit.MINUTES)) {
      process.destroyForcibly();
      throw new IllegalStateException(line + " did not end within two minutes");
    }
    return new Output(process.exitValue(), Files.readString(out), Files.readString(err));
  }

  /** The jar of the demo whose name ends so. */
  static Path demoJar(String ending) throws IOException {
    return jars(HOME.resolve("lib/demo"))
        .filter(jar -> jar.toString().endsWith(ending))
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
