package org.oddlantern.cli;

import org.oddlantern.run.Journal;
import org.oddlantern.run.Runner;

/** Gets ready what a run needs while the command line and the suites are still being read. */
final class HeadStart {

  private HeadStart() {}

  static void begin() {
    Thread thread = new Thread(
        () -> {
          Runner.prepare();
          Journal.prepare();
        },
        "odd-lantern head start");
    thread.setDaemon(true);
    thread.start();
  }
}
