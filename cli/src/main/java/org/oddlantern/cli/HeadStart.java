package org.oddlantern.cli;

import org.oddlantern.internal.run.Runner;

/**
 * Gets ready what a run needs while the command line and the suites are still being read, on a processor
 * that has nothing else to do then. It ends when the run begins.
 */
final class HeadStart {

  /** From here on the first cases of a run are so many that it pays to warm up for them. */
  private static final int MANY_LANES = 16;

  private final int lanes;
  private volatile boolean over;

  private HeadStart(int lanes) {
    this.lanes = lanes;
  }

  /** For a command that does not run anything, or has not begun. */
  static HeadStart none() {
    return new HeadStart(0);
  }

  /** Begins, for what the words of the command line ask for. */
  static HeadStart begun(String... words) {
    HeadStart start = new HeadStart(lanes(words));
    Thread thread = new Thread(start::run, "odd-lantern head start");
    thread.setDaemon(true);
    thread.start();
    return start;
  }

  private void run() {
    Runner.prepare();
    if (lanes >= MANY_LANES && Runtime.getRuntime().availableProcessors() > 1) {
      new WarmUp(() -> over).run();
    }
  }

  /** The run begins, and wants all processors. */
  void end() {
    over = true;
  }

  /** The lanes that are asked for; 1 if that cannot be told before everything is read. */
  private static int lanes(String... words) {
    for (int i = 0; i < words.length; i++) {
      String value = words[i].equals("--lanes") && i + 1 < words.length
          ? words[i + 1]
          : words[i].startsWith("--lanes=") ? words[i].substring("--lanes=".length()) : "";
      if (value.matches("[1-9]\\d{0,3}")) {
        return Integer.parseInt(value);
      }
    }
    return 1;
  }
}
