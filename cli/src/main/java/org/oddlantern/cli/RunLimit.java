package org.oddlantern.cli;

import java.time.Duration;
import java.util.Timer;
import java.util.TimerTask;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.run.Runner;

/** Stops a run that takes longer than it may, so that a build server does not have to kill it. */
final class RunLimit implements AutoCloseable {

  private final Timer timer = new Timer("odd-lantern run limit", true);

  private RunLimit() {}

  /** Begins to count; null is no limit. */
  static RunLimit begun(@Nullable Duration limit, Terminal terminal, Runner runner) {
    RunLimit counting = new RunLimit();
    if (limit != null) {
      counting.timer.schedule(
          new TimerTask() {
            @Override
            public void run() {
              terminal
                  .out()
                  .println("stopped   the run has taken its limit of " + limit.toSeconds()
                      + " s; putting back what is alive, for 30 s at most");
              runner.stop();
            }
          },
          limit.toMillis());
    }
    return counting;
  }

  @Override
  public void close() {
    timer.cancel();
  }
}
