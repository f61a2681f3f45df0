package org.oddlantern.internal.reports.summary;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.function.Consumer;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.WellFormed;
import org.oddlantern.shaded.tools.jackson.core.JsonGenerator;
import org.oddlantern.shaded.tools.jackson.core.exc.JacksonIOException;

/**
 * A file of JSON for tools of one's own. What is empty is left out, and any text comes out well-formed.
 *
 * @param out writes the rest
 */
record JsonFile(JsonGenerator out) {

  /**
   * Writes one object.
   *
   * @param file where it goes
   * @param members writes what is in it
   * @throws IOException if it cannot be written
   */
  static void write(Path file, Consumer<JsonFile> members) throws IOException {
    try (OutputStream stream = new BufferedOutputStream(Files.newOutputStream(file));
        JsonGenerator out = JsonMapping.standard().generator(stream)) {
      new JsonFile(out).object(() -> members.accept(new JsonFile(out)));
    } catch (JacksonIOException e) {
      throw e.getCause();
    }
  }

  void object(Runnable members) {
    out.writeStartObject();
    members.run();
    out.writeEndObject();
  }

  /** A list of objects. */
  <T> void list(String name, List<T> items, Consumer<T> members) {
    out.writeArrayPropertyStart(name);
    items.forEach(item -> object(() -> members.accept(item)));
    out.writeEndArray();
  }

  void number(String name, long value) {
    out.writeNumberProperty(name, value);
  }

  void flag(String name, boolean value) {
    out.writeBooleanProperty(name, value);
  }

  void text(String name, String text) {
    if (!text.isEmpty()) {
      out.writeStringProperty(name, WellFormed.of(text));
    }
  }

  void texts(String name, List<String> texts) {
    if (!texts.isEmpty()) {
      out.writeArrayPropertyStart(name);
      texts.forEach(text -> out.writeString(WellFormed.of(text)));
      out.writeEndArray();
    }
  }
}
