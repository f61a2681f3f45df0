package org.oddlantern.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.Locale;
import org.oddlantern.json.NotJson;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** Reads the JSON files that are named on the command line. */
final class JsonFiles {

  private JsonFiles() {}

  /** The tree in a file; {@code -} is the standard input. */
  static JsonNode read(String file) {
    try {
      byte[] bytes =
          file.equals("-") ? System.in.readAllBytes() : Files.readAllBytes(Path.of(file));
      return parsed(file, bytes);
    } catch (NoSuchFileException e) {
      throw new Misuse("there is no file " + file);
    } catch (IOException e) {
      throw new Misuse("the file " + file + " cannot be read: " + e);
    }
  }

  private static JsonNode parsed(String file, byte[] bytes) {
    String name = file.equals("-") ? "standard input" : file;
    try {
      return JsonMapping.standard().parse(bytes);
    } catch (NotJson e) {
      throw new Misuse(String.format(
          Locale.ROOT,
          "%s, line %d, column %d: this is not JSON: %s",
          name,
          e.line(),
          e.column(),
          e.getMessage()));
    }
  }
}
