package org.oddlantern.cli;

import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.zip.CRC32;
import org.jspecify.annotations.Nullable;

/**
 * A module that Maven builds: its class path is asked of Maven once, and kept as long as the build files
 * stay the same.
 *
 * @param folder the folder of its {@code pom.xml}
 */
record MavenModule(Path folder) {

  private static final String GOAL =
      "org.apache.maven.plugins:maven-dependency-plugin:3.11.0:build-classpath";

  /** The module that a class folder like {@code target/test-classes} belongs to. */
  static Optional<MavenModule> of(Path place) {
    Path target = place.toAbsolutePath().normalize().getParent();
    Path folder = target == null ? null : target.getParent();
    return target != null && folder != null && target.endsWith("target") && hasPom(folder)
        ? Optional.of(new MavenModule(folder))
        : Optional.empty();
  }

  private static boolean hasPom(Path folder) {
    return Files.isRegularFile(folder.resolve("pom.xml"));
  }

  Path testClasses() {
    return folder.resolve("target").resolve("test-classes");
  }

  /** What the module's tests need besides its own classes. */
  List<Path> classPath() {
    boolean compiled = Files.isDirectory(testClasses());
    try {
      List<Path> kept = compiled ? kept() : null;
      return kept == null ? asked(compiled) : kept;
    } catch (IOException e) {
      throw new Misuse("the class path of " + folder + " cannot be asked of Maven: " + e
          + "; name it with --class-path");
    }
  }

  private @Nullable List<Path> kept() throws IOException {
    if (!Files.isRegularFile(file())) {
      return null;
    }
    List<String> lines = Files.readAllLines(file());
    if (lines.size() != 2 || !lines.get(0).equals(key())) {
      return null;
    }
    List<Path> entries = entries(lines.get(1));
    return entries.stream().allMatch(Files::exists) ? entries : null;
  }

  private List<Path> asked(boolean compiled) throws IOException {
    System.err.println(
        compiled
            ? "odd-lantern: asking Maven for the class path, once until a pom.xml changes ..."
            : "odd-lantern: compiling with Maven, since there is no " + shown(testClasses())
                + " ...");
    Files.createDirectories(file().getParent());
    Path answer = Files.createTempFile(file().getParent(), "class-path", ".txt");
    try {
      List<String> goals = compiled ? List.of(GOAL) : List.of("test-compile", GOAL);
      if (!among(answer)) {
        MavenCall alone = MavenCall.in(folder, goals, answer);
        if (!alone.succeeds()) {
          throw new Misuse("Maven could not " + (compiled ? "give the class path" : "compile")
              + " in " + shown(folder) + ":\n" + alone.lastLines());
        }
      }
      String path = Files.readString(answer).trim();
      Files.write(file(), List.of(key(), path));
      return entries(path);
    } finally {
      Files.deleteIfExists(answer);
    }
  }

  private static Path shown(Path path) {
    Path here = Path.of("").toAbsolutePath();
    return path.startsWith(here) && !path.equals(here) ? here.relativize(path) : path;
  }

  /** A module of a larger build is asked for together with its siblings, installed or not. */
  private boolean among(Path answer) throws IOException {
    Path root = root();
    return !root.equals(folder)
        && MavenCall.in(
                root,
                List.of("-pl", root.relativize(folder).toString(), "-am", "test-compile", GOAL),
                answer)
            .succeeds();
  }

  private Path root() {
    Path root = folder;
    for (Path each = folder; each != null && hasPom(each); each = each.getParent()) {
      root = each;
    }
    return root;
  }

  /** Changes with the build files, up to the root of the build. */
  private String key() throws IOException {
    CRC32 sum = new CRC32();
    for (Path each = folder; each != null && hasPom(each); each = each.getParent()) {
      sum.update(Files.readAllBytes(each.resolve("pom.xml")));
    }
    return Long.toHexString(sum.getValue());
  }

  private Path file() {
    return folder.resolve("target").resolve("odd-lantern-class-path.txt");
  }

  private static List<Path> entries(String path) {
    return List.of(path.split(File.pathSeparator)).stream()
        .filter(entry -> !entry.isBlank())
        .map(Path::of)
        .toList();
  }
}
