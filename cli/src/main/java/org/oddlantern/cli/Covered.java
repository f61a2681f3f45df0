package org.oddlantern.cli;

import java.util.List;
import java.util.Locale;
import org.oddlantern.internal.reports.DescribedRun;

/**
 * What {@code --covered-at-least} asks: how many of the described operations must be called, or the exit
 * status is 1.
 *
 * @param least how many per cent; below 0 if nobody asked
 */
record Covered(int least) {

  /** What the run is to fail on, in sentences; empty if there is nothing. */
  List<String> found(DescribedRun run) {
    if (least < 0 || run.operations() > 0 && run.perCent() >= least) {
      return List.of();
    }
    return List.of(
        run.operations() == 0
            ? "no service is described, and --covered-at-least " + least
                + " was asked: say 'description: openapi.yaml' of the service in the settings"
            : String.format(
                Locale.ROOT,
                "%d of %d operations were called (%d %%), and --covered-at-least %d was asked",
                run.called(),
                run.operations(),
                run.perCent(),
                least));
  }
}
