package org.oddlantern.internal.reports.summary;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.oddlantern.internal.record.OperationRecord;
import org.oddlantern.internal.reports.ExaminedRun;
import org.oddlantern.internal.reports.RunData;
import org.oddlantern.internal.reports.WatchedOperation;

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
    JsonFile.write(file, out -> write(run.examined(), run.started().run(), out));
  }

  private static void write(ExaminedRun run, String id, JsonFile out) {
    out.number("format", FORMAT);
    out.text("run", id);
    out.number("places", run.places());
    out.number("watched", run.watched());
    out.number("perCent", run.perCent());
    out.number("examined", run.examined());
    out.number("tried", run.tried());
    out.number("untried", run.untried());
    out.list("notExamined", run.notExamined(), one -> {
      out.text("case", one.id());
      out.text("reason", one.reason());
    });
    out.list("operations", run.operations(), one -> write(run, one, out));
  }

  private static void write(ExaminedRun run, WatchedOperation one, JsonFile out) {
    OperationRecord operation = one.operation();
    out.text("service", operation.service());
    out.text("method", operation.method());
    out.text("template", operation.template());
    if (operation.isCall()) {
      out.number("status", operation.status());
    }
    out.texts("cases", one.cases());
    out.texts("lines", run.lines(one));
    out.list("places", one.places(), seen -> {
      out.text("place", seen.place().place());
      out.text("watch", seen.place().watch().word());
      out.text("case", seen.id());
      out.texts("unnoticed", seen.place().unnoticed());
      out.text("carriedTo", seen.place().carried());
      out.text("known", seen.place().known());
    });
  }
}
