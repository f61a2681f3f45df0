package org.oddlantern.internal;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Finds the files a suite names: on its class path first, then in the folder of the settings file,
 * never in the working directory. Immutable and thread-safe.
 *
 * @param loader the class path of the suites
 * @param folder the folder of the settings file, or null if there is none
 */
public record Resources(ClassLoader loader, @Nullable Path folder) {

  /**
   * The files of the case at work; outside a run those on the class path alone.
   *
   * @return where to look
   */
  public static Resources current() {
    return CurrentCase.part(Resources.class).orElseGet(() -> new Resources(contextLoader(), null));
  }

  /**
   * Reads a file as UTF-8 text.
   *
   * @param name a name relative to the class path or the settings folder, or an absolute one
   * @return its text
   * @throws IllegalArgumentException if there is no such file, with every place searched
   */
  public String text(String name) {
    return new String(bytes(name), StandardCharsets.UTF_8);
  }

  /**
   * Reads a file.
   *
   * @param name a name relative to the class path or the settings folder, or an absolute one
   * @return its bytes
   * @throws IllegalArgumentException if there is no such file, with every place searched
   */
  public byte[] bytes(String name) {
    return find(name).orElseThrow(() -> missing(name));
  }

  /**
   * Reads a file that may be missing.
   *
   * @param name a name relative to the class path or the settings folder, or an absolute one
   * @return its bytes; empty if there is no such file
   */
  public Optional<byte[]> find(String name) {
    CurrentCase.part(ReadFiles.class).ifPresent(read -> read.add(name));
    try {
      return read(name);
    } catch (IOException e) {
      throw new UncheckedIOException("the file " + name + " cannot be read: " + e.getMessage(), e);
    }
  }

  private Optional<byte[]> read(String name) throws IOException {
    Path path = Path.of(name);
    if (path.isAbsolute()) {
      return Files.isRegularFile(path) ? Optional.of(Files.readAllBytes(path)) : Optional.empty();
    }
    try (InputStream stream = loader.getResourceAsStream(name)) {
      if (stream != null) {
        return Optional.of(stream.readAllBytes());
      }
    }
    Path beside = folder == null ? null : folder.resolve(name);
    return beside != null && Files.isRegularFile(beside)
        ? Optional.of(Files.readAllBytes(beside))
        : Optional.empty();
  }

  private IllegalArgumentException missing(String name) {
    if (Path.of(name).isAbsolute()) {
      return new IllegalArgumentException("there is no file " + name);
    }
    return new IllegalArgumentException(
        "there is no file '%s': looked on the class path of the suites%s. Put it beside the suites (in a Maven project: src/test/resources/%s)"
            .formatted(
                name,
                folder == null
                    ? " (there is no settings file whose folder could hold it)"
                    : ", then in " + folder,
                name));
  }

  private static ClassLoader contextLoader() {
    ClassLoader context = Thread.currentThread().getContextClassLoader();
    return context == null ? ClassLoader.getSystemClassLoader() : context;
  }
}
