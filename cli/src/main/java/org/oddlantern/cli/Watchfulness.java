package org.oddlantern.cli;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.oddlantern.internal.record.ExaminedRecord;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.internal.record.RunListener;
import org.oddlantern.internal.reports.ExaminedRun;

/** What {@code --watched-at-least} asks: how much of what came must be watched, or the exit status is 1. */
final class Watchfulness implements RunListener {

  private final int least;
  private final List<ExaminedRecord> records = new ArrayList<>();

  /**
   * A threshold.
   *
   * @param least how many per cent; below 0 if nobody asked
   */
  Watchfulness(int least) {
    this.least = least;
  }

  @Override
  public void hear(RunEvent event) {
    if (least >= 0 && event instanceof RunEvent.CaseExamined examined) {
      records.add(examined.record());
    }
  }

  /** What the run is to fail on, in sentences; empty if there is nothing. */
  List<String> found() {
    ExaminedRun run = new ExaminedRun(records);
    if (least < 0 || run.places() > 0 && run.perCent() >= least) {
      return List.of();
    }
    return List.of(
        run.places() == 0
            ? "no case could be examined, and --watched-at-least " + least + " was asked"
            : String.format(
                Locale.ROOT,
                "%d of %d places are watched (%d %%), and --watched-at-least %d was asked",
                run.watched(),
                run.places(),
                run.perCent(),
                least));
  }
}
