package org.oddlantern.cli;

import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import org.oddlantern.internal.run.Runner;

/**
 * Stops a run when the process is told to end, by Ctrl-C or by SIGTERM, and lets the process end only when
 * everything was put back and written.
 */
final class StopSignal implements AutoCloseable {

  /** A run puts back within 30 s; the rest is for what was running and for writing reports. */
  private static final int SECONDS = 90;

  static final int STATUS = 130;

  private final Terminal terminal;
  private final Runner runner;
  private final CountDownLatch done = new CountDownLatch(1);
  private final Thread hook = new Thread(this::stop, "odd-lantern stop");

  StopSignal(Terminal terminal, Runner runner) {
    this.terminal = terminal;
    this.runner = runner;
    Runtime.getRuntime().addShutdownHook(hook);
  }

  private void stop() {
    boolean exited = runner.wasExitedByCase();
    terminal.out().println("stopped   putting back what is alive, for 30 s at most");
    terminal.out().flush();
    runner.stop();
    try {
      if (!done.await(SECONDS, TimeUnit.SECONDS)) {
        terminal.out().println("problem   the run did not come to its end");
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
    terminal.out().flush();
    Runtime.getRuntime().halt(exited ? 1 : STATUS);
  }

  /** Everything is written. */
  @Override
  public void close() {
    done.countDown();
    try {
      Runtime.getRuntime().removeShutdownHook(hook);
    } catch (IllegalStateException e) {
      // the process is ending already, with the hook
    }
  }
}
