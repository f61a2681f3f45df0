package org.oddlantern.bench;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * Cases in a build, journal and reports included, against the same as plain JUnit 5 tests with an assertion
 * library, which leave what the build itself writes: {@code surefire:test} of compiled projects, in turn.
 */
public final class BuildBench {

  private static final int PER_CLASS = 20;

  private final Path folder;
  private final String address;

  private BuildBench(Path folder, String address) {
    this.folder = folder;
    this.address = address;
  }

  /**
   * Starts here.
   *
   * @param arguments how many rounds, 5 unless given; then how many cases, 200 and 2000 unless given
   * @throws Exception if a side fails
   */
  public static void main(String[] arguments) throws Exception {
    int rounds = arguments.length > 0 ? Integer.parseInt(arguments[0]) : 5;
    List<String> sizes = arguments.length > 1
        ? List.of(arguments).subList(1, arguments.length)
        : List.of("200", "2000");
    try (PlainService service = new PlainService()) {
      for (String size : sizes) {
        Path folder = Files.createTempDirectory("bench");
        new BuildBench(folder, service.address() + "/fast").compare(Integer.parseInt(size), rounds);
      }
    }
  }

  private void compare(int cases, int rounds) throws Exception {
    Path lantern = project("lantern", cases, "LanternSuite.txt", "lantern-pom.xml");
    Path plain = project("plain", cases, "PlainTests.txt", "plain-pom.xml");
    List<Measured> ours = new ArrayList<>();
    List<Measured> theirs = new ArrayList<>();
    for (int i = 0; i <= rounds; i++) {
      Measured one = maven(lantern, "-o", "surefire:test");
      Measured other = maven(plain, "-o", "surefire:test");
      if (i > 0) {
        ours.add(one);
        theirs.add(other);
      }
    }
    System.out.printf(
        Locale.ROOT,
        "surefire:test of %,d cases, JDK %d, %d rounds: %s%n",
        cases,
        Runtime.version().feature(),
        rounds,
        Ratio.all(ours, theirs));
  }

  private Path project(String name, int cases, String template, String build) throws Exception {
    Path project = Files.createDirectories(folder.resolve(name));
    Files.writeString(project.resolve("pom.xml"), resource(build));
    Files.writeString(
        project.resolve("odd-lantern.yaml"),
        "environment: here\nenvironments:\n  here: { services: { hives: { url: \"" + address
            + "\" } } }\n");
    Path sources = Files.createDirectories(project.resolve("src/test/java/hives"));
    String[] parts = resource(template).split("----\n", -1);
    for (int first = 0; first < cases; first += PER_CLASS) {
      StringBuilder source =
          new StringBuilder(parts[0].replace("NUMBER", String.valueOf(first / PER_CLASS)));
      for (int id = first; id < Math.min(cases, first + PER_CLASS); id++) {
        source.append(parts[1].replace("NUMBER", String.valueOf(id)));
      }
      Files.writeString(
          sources.resolve("Hives" + first / PER_CLASS + "Test.java"), source.append("}\n"));
    }
    maven(project, "test-compile");
    maven(project, "surefire:test"); // fetches what it needs
    return project;
  }

  private Measured maven(Path project, String... words) throws Exception {
    List<String> line = new ArrayList<>(
        List.of("mvn", "-B", "-q", "-f", project.resolve("pom.xml").toString()));
    line.add("-Dhives=" + address);
    line.addAll(List.of(words));
    return Measured.ofChild(line, Map.of());
  }

  private static String resource(String name) throws IOException {
    try (InputStream in = BuildBench.class.getResourceAsStream("/build/" + name)) {
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    }
  }
}
