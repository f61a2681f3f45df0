package org.oddlantern.bench;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import java.util.function.Function;

/**
 * What a whole process has cost. Processor time and memory are those that Linux tells while it runs, looked
 * at every few milliseconds.
 *
 * @param wall nanoseconds from its start to its end
 * @param processor nanoseconds of processor time
 * @param memory bytes that it held at once, at most
 * @param out what it printed
 */
record Measured(long wall, long processor, long memory, String out) {

  private static final int PAUSE = 5;

  static Measured of(List<String> line, Map<String, String> environment) throws Exception {
    return of(line, environment, process -> List.of(process.toHandle()));
  }

  /** Of a process that leaves the work to others, like a build: what these cost, and how long it took itself. */
  static Measured ofChild(List<String> line, Map<String, String> environment) throws Exception {
    return of(line, environment, process -> process.descendants().toList());
  }

  private static Measured of(
      List<String> line,
      Map<String, String> environment,
      Function<Process, List<ProcessHandle>> watched)
      throws Exception {
    ProcessBuilder builder =
        new ProcessBuilder(line).redirectError(ProcessBuilder.Redirect.INHERIT);
    builder.environment().putAll(environment);
    Path out = Files.createTempFile("measured", ".txt");
    long start = System.nanoTime();
    Process process = builder.redirectOutput(out.toFile()).start();
    long processor = 0;
    long memory = 0;
    while (!process.waitFor(PAUSE, TimeUnit.MILLISECONDS)) {
      for (ProcessHandle one : watched.apply(process)) {
        processor = Math.max(
            processor, one.info().totalCpuDuration().map(Duration::toNanos).orElse(0L));
        memory = Math.max(memory, held(one.pid()));
      }
    }
    long wall = System.nanoTime() - start;
    String told = Files.readString(out, StandardCharsets.UTF_8);
    Files.delete(out);
    if (process.exitValue() != 0) {
      throw new IllegalStateException(line + " ended with " + process.exitValue() + ": " + told);
    }
    return new Measured(wall, processor, memory, told);
  }

  private static long held(long process) {
    try {
      return Files.readAllLines(Path.of("/proc", String.valueOf(process), "status")).stream()
          .filter(line -> line.startsWith("VmHWM:"))
          .mapToLong(line -> 1024 * Long.parseLong(line.replaceAll("\\D", "")))
          .findFirst()
          .orElse(0);
    } catch (IOException e) {
      return 0; // it has just ended, or this is no Linux
    }
  }
}
