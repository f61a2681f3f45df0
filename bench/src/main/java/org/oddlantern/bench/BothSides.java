package org.oddlantern.bench;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * A suite by the command as people start it, and the same calls by hand.
 *
 * @param address of the service
 * @param folder where the command writes
 */
record BothSides(String address, Path folder) {

  /** With journal, JUnit XML and pages, in a folder named like the suite. */
  Measured command(String suite, String path, int exchanges, String... lanes) throws Exception {
    List<String> line = new ArrayList<>(List.of(
        "dist/target/odd-lantern/odd-lantern/bin/odd-lantern",
        "run",
        "bench/target/classes",
        "--class-path",
        "bench/target/classes", // nothing else: else Maven is asked
        "--case",
        suite,
        "--set",
        "services.hives.url=" + address + path,
        "--out",
        folder.resolve(suite).toString()));
    if (lanes.length > 0) {
      line.addAll(List.of("--lanes", lanes[0]));
    }
    return Measured.of(
        line, Map.of("ODD_LANTERN_OPTS", "-D" + Workload.EXCHANGES + "=" + exchanges));
  }

  Measured byHand(String path, int exchanges, Class<?> main, String... arguments) throws Exception {
    List<String> line = new ArrayList<>(List.of(
        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
        "-cp",
        RunBench.classPath(),
        "-D" + Workload.ADDRESS + "=" + address + path,
        "-D" + Workload.EXCHANGES + "=" + exchanges,
        main.getName()));
    line.addAll(List.of(arguments));
    return Measured.of(line, Map.of());
  }
}
