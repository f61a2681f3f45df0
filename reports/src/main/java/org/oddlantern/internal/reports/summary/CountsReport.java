package org.oddlantern.internal.reports.summary;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.Counts;
import org.oddlantern.internal.record.Mark;
import org.oddlantern.internal.reports.Comparison;
import org.oddlantern.internal.reports.RunData;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.shaded.tools.jackson.core.JsonGenerator;
import org.oddlantern.shaded.tools.jackson.core.exc.JacksonIOException;

/** Writes how many cases ended how, as JSON: for dashboards, and for people who want counts alone. */
public final class CountsReport {

  /** The version of what is written. */
  private static final int FORMAT = 1;

  private CountsReport() {}

  /**
   * Writes the counts.
   *
   * @param run the run
   * @param comparison what is different from an earlier run; null if nobody asked
   * @param file where they go
   * @throws IOException if they cannot be written
   */
  public static void write(RunData run, @Nullable Comparison comparison, Path file)
      throws IOException {
    try (OutputStream stream = new BufferedOutputStream(Files.newOutputStream(file));
        JsonGenerator out = JsonMapping.standard().generator(stream)) {
      write(run, comparison, out);
    } catch (JacksonIOException e) {
      throw e.getCause();
    }
  }

  private static void write(RunData run, @Nullable Comparison comparison, JsonGenerator out) {
    out.writeStartObject();
    out.writeNumberProperty("format", FORMAT);
    out.writeStringProperty("run", run.started().run());
    out.writeStringProperty("name", run.started().name());
    out.writeStringProperty("environment", run.started().environment());
    out.writeStringProperty("startedAt", run.started().startedAt().toString());
    out.writeNumberProperty("tookMicros", run.took().toNanos() / 1_000);
    out.writeBooleanProperty("complete", run.ended() != null && !run.ended().stopped());
    out.writeStringProperty("verdict", run.verdict());
    out.writeNumberProperty("cases", run.cases().size());
    counts(out, "counts", run.cases());
    out.writeObjectPropertyStart("marks");
    for (Mark mark : Mark.values()) {
      out.writeNumberProperty(mark.word(), run.marked(mark).size());
    }
    out.writeEndObject();
    out.writeNumberProperty("leftBehind", run.leftBehind().size());
    together(run, out);
    out.writeArrayPropertyStart("suites");
    run.bySuite().forEach((suite, cases) -> {
      out.writeStartObject();
      out.writeStringProperty("suite", suite);
      counts(out, "counts", cases);
      out.writeNumberProperty(
          "tookMicros", cases.stream().mapToLong(CaseRecord::tookMicros).sum());
      out.writeEndObject();
    });
    out.writeEndArray();
    if (comparison != null) {
      write(comparison, out);
    }
    out.writeEndObject();
  }

  /** What is counted beside cases. */
  private static void together(RunData run, JsonGenerator out) {
    if (!run.promises().documents().isEmpty()) {
      out.writeObjectPropertyStart("promises");
      run.promises()
          .counts()
          .forEach((keeping, count) -> out.writeNumberProperty(keeping.word(), count));
      out.writeEndObject();
    }
    if (!run.examined().isEmpty()) {
      out.writeObjectPropertyStart("blindSpots");
      out.writeNumberProperty("places", run.examined().places());
      out.writeNumberProperty("watched", run.examined().watched());
      out.writeEndObject();
    }
    if (!run.described().isEmpty()) {
      out.writeObjectPropertyStart("described");
      out.writeNumberProperty("operations", run.described().operations());
      out.writeNumberProperty("called", run.described().called());
      out.writeNumberProperty("otherwise", run.described().deviations().size());
      out.writeEndObject();
    }
  }

  private static void write(Comparison comparison, JsonGenerator out) {
    out.writeObjectPropertyStart("comparedWith");
    out.writeStringProperty("run", comparison.before().started().run());
    out.writeNumberProperty("newlyBroken", comparison.newlyBroken().size());
    out.writeNumberProperty("mended", comparison.mended().size());
    out.writeNumberProperty("slower", comparison.slower().size());
    out.writeNumberProperty("added", comparison.added().size());
    out.writeNumberProperty("gone", comparison.gone().size());
    out.writeEndObject();
  }

  private static void counts(JsonGenerator out, String name, List<CaseRecord> cases) {
    out.writeObjectPropertyStart(name);
    Counts.of(cases).byWord().forEach(out::writeNumberProperty);
    out.writeEndObject();
  }
}
