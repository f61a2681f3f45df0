package org.oddlantern.internal.reports.summary;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.oddlantern.internal.described.Coverage;
import org.oddlantern.internal.described.Deviation;
import org.oddlantern.internal.described.OperationCoverage;
import org.oddlantern.internal.reports.RunData;

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
    JsonFile.write(file, out -> {
      out.number("format", FORMAT);
      out.text("run", run.started().run());
      out.number("operations", run.described().operations());
      out.number("called", run.described().called());
      out.number("perCent", run.described().perCent());
      out.list("descriptions", run.described().coverages(), one -> write(one, out));
    });
  }

  private static void write(Coverage coverage, JsonFile out) {
    out.text("name", coverage.document().name());
    out.text("title", coverage.document().title());
    out.list("operations", coverage.operations(), one -> write(one, out));
    out.list("otherwise", coverage.deviations(), one -> write(one, out));
    out.texts("problems", coverage.problems());
  }

  private static void write(OperationCoverage one, JsonFile out) {
    out.text("method", one.operation().method());
    out.text("template", one.operation().path().text());
    if (one.operation().about().deprecated()) {
      out.flag("deprecated", true);
    }
    out.number("calls", one.calls());
    out.texts("cases", one.cases());
    out.list("statuses", one.statuses(), status -> {
      out.text("status", status.written());
      out.flag("described", status.described());
      out.number("came", status.count());
    });
    parts("parameters", one.parameters(), out);
    parts("contentTypes", one.types(), out);
    List<Placed> places = new ArrayList<>();
    one.places()
        .forEach((status, those) -> those.forEach(place -> places.add(new Placed(status, place))));
    out.list("places", places, placed -> {
      out.text("status", placed.status());
      out.text("place", placed.place().path());
      out.flag("required", placed.place().required());
      out.flag("came", placed.place().seen());
      out.texts("neverAs", placed.place().unseen());
    });
  }

  private static void parts(String name, List<OperationCoverage.Part> parts, JsonFile out) {
    out.list(name, parts, part -> {
      out.text("name", part.words());
      out.flag("seen", part.seen());
    });
  }

  private static void write(Coverage.Seen seen, JsonFile out) {
    Deviation one = seen.deviation();
    out.text("operation", one.subject().operation());
    out.text("rule", one.subject().rule().words());
    out.text("where", one.finding().where());
    out.text("wanted", one.finding().wanted());
    out.text("got", one.finding().got());
    out.text("at", one.proposal().place());
    out.text("lines", one.proposal().lines());
    out.texts("cases", seen.cases());
  }

  /** A place of the replies of a status. */
  private record Placed(String status, OperationCoverage.Place place) {}
}
