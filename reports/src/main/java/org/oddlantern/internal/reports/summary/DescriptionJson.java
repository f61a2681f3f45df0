package org.oddlantern.internal.reports.summary;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.oddlantern.internal.described.Coverage;
import org.oddlantern.internal.described.Deviation;
import org.oddlantern.internal.described.OperationCoverage;
import org.oddlantern.internal.reports.RunData;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.WellFormed;
import org.oddlantern.shaded.tools.jackson.core.JsonGenerator;
import org.oddlantern.shaded.tools.jackson.core.exc.JacksonIOException;

/** Writes what a run has seen of the descriptions of its services, as JSON, for tools of one's own. */
public final class DescriptionJson {

  /** The version of what is written. */
  private static final int FORMAT = 1;

  private DescriptionJson() {}

  /**
   * Writes it; takes away what an earlier run has written, if nothing is described now.
   *
   * @param run the run
   * @param file where it goes
   * @throws IOException if it cannot be written
   */
  public static void write(RunData run, Path file) throws IOException {
    if (run.described().isEmpty()) {
      Files.deleteIfExists(file);
      return;
    }
    try (OutputStream stream = new BufferedOutputStream(Files.newOutputStream(file));
        JsonGenerator out = JsonMapping.standard().generator(stream)) {
      out.writeStartObject();
      out.writeNumberProperty("format", FORMAT);
      out.writeStringProperty("run", run.started().run());
      out.writeNumberProperty("operations", run.described().operations());
      out.writeNumberProperty("called", run.described().called());
      out.writeNumberProperty("perCent", run.described().perCent());
      out.writeArrayPropertyStart("descriptions");
      run.described().coverages().forEach(one -> write(one, out));
      out.writeEndArray();
      out.writeEndObject();
    } catch (JacksonIOException e) {
      throw e.getCause();
    }
  }

  private static void write(Coverage coverage, JsonGenerator out) {
    out.writeStartObject();
    text(out, "name", coverage.document().name());
    text(out, "title", coverage.document().title());
    out.writeArrayPropertyStart("operations");
    coverage.operations().forEach(one -> write(one, out));
    out.writeEndArray();
    out.writeArrayPropertyStart("otherwise");
    coverage.deviations().forEach(one -> write(one, out));
    out.writeEndArray();
    texts(out, "problems", coverage.problems());
    out.writeEndObject();
  }

  private static void write(OperationCoverage one, JsonGenerator out) {
    out.writeStartObject();
    text(out, "method", one.operation().method());
    text(out, "template", one.operation().path().text());
    if (one.operation().about().deprecated()) {
      out.writeBooleanProperty("deprecated", true);
    }
    out.writeNumberProperty("calls", one.calls());
    texts(out, "cases", one.cases());
    out.writeArrayPropertyStart("statuses");
    for (OperationCoverage.Status status : one.statuses()) {
      out.writeStartObject();
      text(out, "status", status.written());
      out.writeBooleanProperty("described", status.described());
      out.writeNumberProperty("came", status.count());
      out.writeEndObject();
    }
    out.writeEndArray();
    parts(out, "parameters", one.parameters());
    parts(out, "contentTypes", one.types());
    out.writeArrayPropertyStart("places");
    one.places().forEach((status, places) -> places.forEach(place -> write(status, place, out)));
    out.writeEndArray();
    out.writeEndObject();
  }

  private static void write(String status, OperationCoverage.Place place, JsonGenerator out) {
    out.writeStartObject();
    text(out, "status", status);
    text(out, "place", place.path());
    out.writeBooleanProperty("required", place.required());
    out.writeBooleanProperty("came", place.seen());
    texts(out, "neverAs", place.unseen());
    out.writeEndObject();
  }

  private static void parts(JsonGenerator out, String name, List<OperationCoverage.Part> parts) {
    out.writeArrayPropertyStart(name);
    for (OperationCoverage.Part part : parts) {
      out.writeStartObject();
      text(out, "name", part.words());
      out.writeBooleanProperty("seen", part.seen());
      out.writeEndObject();
    }
    out.writeEndArray();
  }

  private static void write(Coverage.Seen seen, JsonGenerator out) {
    Deviation one = seen.deviation();
    out.writeStartObject();
    text(out, "operation", one.subject().operation());
    text(out, "rule", one.subject().rule().words());
    text(out, "where", one.finding().where());
    text(out, "wanted", one.finding().wanted());
    text(out, "got", one.finding().got());
    text(out, "at", one.proposal().place());
    text(out, "lines", one.proposal().lines());
    texts(out, "cases", seen.cases());
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
