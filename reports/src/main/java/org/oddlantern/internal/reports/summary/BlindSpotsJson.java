package org.oddlantern.internal.reports.summary;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.oddlantern.internal.record.ExaminedRecord;
import org.oddlantern.internal.record.OperationRecord;
import org.oddlantern.internal.record.WatchedPlace;
import org.oddlantern.internal.reports.ExaminedRun;
import org.oddlantern.internal.reports.RunData;
import org.oddlantern.internal.reports.WatchedOperation;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.WellFormed;
import org.oddlantern.shaded.tools.jackson.core.JsonGenerator;
import org.oddlantern.shaded.tools.jackson.core.exc.JacksonIOException;

/** Writes what the cases of a run would notice, as JSON: every place of every operation, for tools of one's own. */
public final class BlindSpotsJson {

  /** The version of what is written. */
  private static final int FORMAT = 1;

  private BlindSpotsJson() {}

  /**
   * Writes it; takes away what an earlier run has written, if this one was not asked.
   *
   * @param run the run
   * @param file where it goes
   * @throws IOException if it cannot be written
   */
  public static void write(RunData run, Path file) throws IOException {
    if (run.examined().isEmpty()) {
      Files.deleteIfExists(file);
      return;
    }
    try (OutputStream stream = new BufferedOutputStream(Files.newOutputStream(file));
        JsonGenerator out = JsonMapping.standard().generator(stream)) {
      write(run.examined(), run.started().run(), out);
    } catch (JacksonIOException e) {
      throw e.getCause();
    }
  }

  private static void write(ExaminedRun run, String id, JsonGenerator out) {
    out.writeStartObject();
    out.writeNumberProperty("format", FORMAT);
    out.writeStringProperty("run", id);
    out.writeNumberProperty("places", run.places());
    out.writeNumberProperty("watched", run.watched());
    out.writeNumberProperty("perCent", run.perCent());
    out.writeNumberProperty("examined", run.examined());
    out.writeNumberProperty("tried", run.tried());
    out.writeNumberProperty("untried", run.untried());
    out.writeArrayPropertyStart("notExamined");
    for (ExaminedRecord one : run.notExamined()) {
      out.writeStartObject();
      text(out, "case", one.id());
      text(out, "reason", one.reason());
      out.writeEndObject();
    }
    out.writeEndArray();
    out.writeArrayPropertyStart("operations");
    run.operations().forEach(one -> write(run, one, out));
    out.writeEndArray();
    out.writeEndObject();
  }

  private static void write(ExaminedRun run, WatchedOperation one, JsonGenerator out) {
    OperationRecord operation = one.operation();
    out.writeStartObject();
    text(out, "service", operation.service());
    text(out, "method", operation.method());
    text(out, "template", operation.template());
    if (operation.isCall()) {
      out.writeNumberProperty("status", operation.status());
    }
    texts(out, "cases", one.cases());
    texts(out, "lines", run.lines(one));
    out.writeArrayPropertyStart("places");
    for (WatchedOperation.Seen seen : one.places()) {
      WatchedPlace place = seen.place();
      out.writeStartObject();
      text(out, "place", place.place());
      text(out, "watch", place.watch().word());
      text(out, "case", seen.id());
      texts(out, "unnoticed", place.unnoticed());
      text(out, "carriedTo", place.carried());
      text(out, "known", place.known());
      out.writeEndObject();
    }
    out.writeEndArray();
    out.writeEndObject();
  }

  private static void text(JsonGenerator out, String name, String text) {
    if (!text.isEmpty()) {
      out.writeStringProperty(name, WellFormed.of(text));
    }
  }

  private static void texts(JsonGenerator out, String name, List<String> texts) {
    if (!texts.isEmpty()) {
      out.writeArrayPropertyStart(name);
      texts.forEach(text -> out.writeString(WellFormed.of(text)));
      out.writeEndArray();
    }
  }
}
