package org.oddlantern.cli;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * One call of Maven, as the project has it or else as the machine has it.
 *
 * @param status how it ended
 * @param output what it printed
 */
record MavenCall(int status, String output) {

  private static final int TOLD = 20;

  static MavenCall in(Path folder, List<String> words, Path answer) throws IOException {
    List<String> command = new ArrayList<>(
        List.of(program(folder), "-B", "-q", "-Dmdep.outputFile=" + answer, "-DskipTests"));
    command.addAll(words);
    try {
      Process process = new ProcessBuilder(command)
          .directory(folder.toFile())
          .redirectErrorStream(true)
          .start();
      process.getOutputStream().close();
      String output = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
      return new MavenCall(process.waitFor(), output);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new IOException("Maven was interrupted", e);
    }
  }

  boolean succeeds() {
    return status == 0;
  }

  /** The end of what it printed. */
  String lastLines() {
    List<String> lines = output.lines().filter(line -> !line.isBlank()).toList();
    return String.join("\n", lines.subList(Math.max(0, lines.size() - TOLD), lines.size()));
  }

  private static String program(Path folder) {
    boolean windows =
        System.getProperty("os.name", "").toLowerCase(Locale.ROOT).contains("windows");
    for (Path each = folder; each != null; each = each.getParent()) {
      Path wrapper = each.resolve(windows ? "mvnw.cmd" : "mvnw");
      if (Files.isExecutable(wrapper)) {
        return wrapper.toString();
      }
    }
    return windows ? "mvn.cmd" : "mvn";
  }
}
