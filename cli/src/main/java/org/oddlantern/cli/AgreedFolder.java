package org.oddlantern.cli;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * The resources of suites, with the files that hold what was agreed on.
 *
 * @param resources the folder
 */
record AgreedFolder(Path resources) {

  private static final Path COMPILED = Path.of("target", "test-classes");

  Path resolve(String name) {
    return resources.resolve(name);
  }

  /** What a file holds; null if there is none. */
  @Nullable
  String text(String name) {
    Path file = resolve(name);
    try {
      return Files.isRegularFile(file) ? Files.readString(file) : null;
    } catch (IOException e) {
      throw new Misuse("the file " + file + " cannot be read: " + e);
    }
  }

  /** Writes a file, also where the build has copied the others to, so that a run without it is told. */
  void write(String name, String text) {
    write(resolve(name), text);
    if (resources.endsWith(Path.of("src", "test", "resources")) && Files.isDirectory(COMPILED)) {
      write(COMPILED.resolve(name), text);
    }
  }

  private static void write(Path file, String text) {
    try {
      Path folder = file.toAbsolutePath().getParent();
      if (folder != null) {
        Files.createDirectories(folder);
      }
      Files.write(file, text.getBytes(StandardCharsets.UTF_8));
    } catch (IOException e) {
      throw new Misuse("the file " + file + " cannot be written (" + e
          + "); what was agreed on before it is written");
    }
  }

  /** The names of all files, in order. */
  List<String> files() {
    Path agreed = resources.resolve("agreed");
    if (!Files.isDirectory(agreed)) {
      return List.of();
    }
    try (Stream<Path> all = Files.walk(agreed)) {
      return all.filter(Files::isRegularFile)
          .map(file -> "agreed/" + agreed.relativize(file).toString().replace('\\', '/'))
          .sorted()
          .toList();
    } catch (IOException e) {
      throw new UncheckedIOException(agreed + " cannot be read: " + e.getMessage(), e);
    }
  }
}
