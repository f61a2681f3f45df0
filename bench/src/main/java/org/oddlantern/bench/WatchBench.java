package org.oddlantern.bench;

import java.io.BufferedReader;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;

/** How long it takes from a saved class to the first result of the command that watches. */
public final class WatchBench {

  private static final Path COMMAND =
      Path.of("dist/target/odd-lantern/odd-lantern/bin/odd-lantern").toAbsolutePath();

  private WatchBench() {}

  /**
   * Starts here.
   *
   * @param arguments how often, 9 unless given
   * @throws Exception if the command fails
   */
  public static void main(String[] arguments) throws Exception {
    int rounds = arguments.length > 0 ? Integer.parseInt(arguments[0]) : 9;
    Path folder = Files.createTempDirectory("watch");
    Path saved = Path.of("bench/target/classes/org/oddlantern/bench/OneTest.class");
    Path watched = folder.resolve("classes/org/oddlantern/bench/OneTest.class");
    Files.createDirectories(watched.getParent());
    Files.copy(saved, watched);
    Files.writeString(folder.resolve("odd-lantern.yaml"), "environments: { none: {} }\n");
    try (PlainService service = new PlainService()) {
      Process process = new ProcessBuilder(List.of(
              COMMAND.toString(),
              "run",
              folder.resolve("classes").toString(),
              "--watch",
              "--set",
              "services.hives.url=" + service.address() + "/fast"))
          .directory(folder.toFile())
          .redirectErrorStream(true)
          .start();
      try (BufferedReader out = new BufferedReader(
          new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8))) {
        until(out, "watching");
        double[] millis = measured(rounds, saved, watched, out);
        System.out.printf(
            Locale.ROOT,
            "from a saved class to its first result, JDK %d, %d rounds: median %.0f ms, most %.0f ms%n",
            Runtime.version().feature(),
            rounds,
            millis[rounds / 2],
            millis[rounds - 1]);
      } finally {
        process.destroy();
      }
    }
  }

  private static double[] measured(int rounds, Path saved, Path watched, BufferedReader out)
      throws Exception {
    double[] millis = new double[rounds];
    for (int i = 0; i < rounds; i++) {
      Thread.sleep(300);
      Files.copy(saved, watched, StandardCopyOption.REPLACE_EXISTING);
      long start = System.nanoTime();
      until(out, "passed");
      millis[i] = (System.nanoTime() - start) / 1e6;
      until(out, "watching");
    }
    Arrays.sort(millis);
    return millis;
  }

  private static void until(BufferedReader out, String word) throws Exception {
    for (String line = out.readLine(); line != null; line = out.readLine()) {
      if (line.startsWith(word)) {
        return;
      }
    }
    throw new IllegalStateException("the command ended before it said " + word);
  }
}
