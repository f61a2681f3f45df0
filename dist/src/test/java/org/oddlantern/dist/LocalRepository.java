package org.oddlantern.dist;

import java.io.IOException;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.stream.Stream;

/**
 * A local repository as Maven would have it after an install: what was just built, and links to everything
 * else of the machine's own, which is left as it is.
 */
final class LocalRepository {

  private static final String VERSION = System.getProperty("built.version");
  private static final Path ROOT = Path.of("..");

  private LocalRepository() {}

  /** Makes it anew in a folder of the build. */
  static Path made() throws IOException {
    Path repository = Files.createDirectories(Path.of("target", "repository").toAbsolutePath());
    Path machines = Path.of(System.getProperty(
        "maven.repo.local", System.getProperty("user.home") + "/.m2/repository"));
    Files.createDirectories(machines);
    link(machines, repository, "org");
    Path org = Files.createDirectories(repository.resolve("org"));
    if (Files.isDirectory(machines.resolve("org"))) {
      link(machines.resolve("org"), org, "oddlantern");
    }
    Path own = org.resolve("oddlantern");
    put(own, "odd-lantern-parent", ROOT.resolve("pom.xml"), null);
    put(
        own,
        "odd-lantern",
        ROOT.resolve("bundle/target/published-pom.xml"),
        jar("bundle", "odd-lantern"));
    put(
        own,
        "odd-lantern-dist",
        ROOT.resolve("dist/pom.xml"),
        Path.of("target", "odd-lantern.zip"));
    return repository;
  }

  private static Path jar(String module, String name) {
    return ROOT.resolve(module).resolve("target").resolve(name + "-" + VERSION + ".jar");
  }

  private static void put(Path own, String name, Path pom, Path artifact) throws IOException {
    Path folder = Files.createDirectories(own.resolve(name).resolve(VERSION));
    copy(pom, folder.resolve(name + "-" + VERSION + ".pom"));
    if (artifact != null) {
      String ending = artifact.toString().replaceAll(".*\\.", "");
      copy(artifact, folder.resolve(name + "-" + VERSION + "." + ending));
    }
  }

  /** Tests in several JVMs make the same one, and what is being read must not change. */
  private static void copy(Path from, Path to) throws IOException {
    if (Files.exists(to) && Files.mismatch(from, to) < 0) {
      return;
    }
    Path whole = Files.createTempFile(to.getParent(), "copied", ".tmp");
    Files.copy(from, whole, StandardCopyOption.REPLACE_EXISTING);
    Files.move(whole, to, StandardCopyOption.ATOMIC_MOVE);
  }

  private static void link(Path from, Path to, String without) throws IOException {
    try (Stream<Path> all = Files.list(from)) {
      for (Path each : all.toList()) {
        String name = each.getFileName().toString();
        if (!name.equals(without)) {
          try {
            Files.createSymbolicLink(to.resolve(name), each);
          } catch (FileAlreadyExistsException e) {
            // from an earlier test
          }
        }
      }
    }
  }
}
