package org.oddlantern.run;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.function.Consumer;
import org.oddlantern.json.JsonMapping;
import org.oddlantern.json.NotJson;
import org.oddlantern.json.TypeMismatch;
import tools.jackson.databind.JsonNode;

/**
 * A journal as a run left it. A broken last line, as a killed run may leave it, is passed over.
 *
 * @param file the file
 */
public record Journal(Path file) {

  /**
   * Reads the journal from its first event to its last.
   *
   * @param events hears each event
   * @throws IOException if the file cannot be read or is no journal of a known format, with the line
   */
  public void read(Consumer<RunEvent> events) throws IOException {
    try (BufferedReader reader = Files.newBufferedReader(file, StandardCharsets.UTF_8)) {
      int number = 1;
      for (String line = reader.readLine(); line != null; number++) {
        String next = reader.readLine();
        hear(line, number, next == null, events);
        line = next;
      }
    } catch (UncheckedIOException e) {
      throw new IOException(file + " cannot be read: " + e.getMessage(), e);
    }
  }

  /**
   * The whole text of a body, also if it lies in a file beside the journal.
   *
   * @param body the body
   * @return the text; empty if it is no text
   * @throws IOException if its file cannot be read
   */
  public String text(BodyRecord body) throws IOException {
    if (body.text() != null) {
      return body.text();
    }
    return body.file() == null || body.isPicture()
        ? ""
        : Files.readString(file.resolveSibling(body.file()));
  }

  private void hear(String line, int number, boolean last, Consumer<RunEvent> events)
      throws IOException {
    JsonNode tree;
    try {
      tree = JsonMapping.standard().parse(line);
    } catch (NotJson e) {
      if (last && number > 1) {
        return;
      }
      throw new IOException(
          file + ", line " + number + ": this is not a line of a journal: " + e.getMessage(), e);
    }
    int format = tree.path("format").asInt(RunEvent.Started.FORMAT);
    if (format != RunEvent.Started.FORMAT) {
      throw new IOException(
          "%s is written in format %d; this version of Odd Lantern reads format %d"
              .formatted(file, format, RunEvent.Started.FORMAT));
    }
    try {
      events.accept(JsonMapping.standard().read(tree, RunEvent.class));
    } catch (TypeMismatch e) {
      throw new IOException(file + ", line " + number + ": " + e.getMessage(), e);
    }
  }
}
