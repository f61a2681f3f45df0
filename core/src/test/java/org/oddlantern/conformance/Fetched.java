package org.oddlantern.conformance;

import static org.junit.jupiter.api.Assertions.assertFalse;

import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Assumptions;

/** What is fetched of standards, and is not ours. */
final class Fetched {

  private static final Path FOLDER = Path.of("../conformance/fetched");

  private Fetched() {}

  /** A file or folder; where it is absent the test is skipped, unless CONFORMANCE says {@code required}. */
  static Path file(String name) {
    Path file = FOLDER.resolve(name);
    if (!Files.exists(file)) {
      assertFalse("required".equals(System.getenv("CONFORMANCE")), file + " was not fetched");
      Assumptions.abort("not fetched: " + file);
    }
    return file;
  }
}
