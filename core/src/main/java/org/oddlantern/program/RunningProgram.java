package org.oddlantern.program;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.OptionalInt;
import java.util.concurrent.Callable;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.oddlantern.evidence.internal.Answering;
import org.oddlantern.evidence.internal.Question;
import org.oddlantern.http.internal.CaseRecorder;
import org.oddlantern.http.internal.Closing;
import org.oddlantern.http.internal.KnownPrograms;
import org.oddlantern.http.internal.ServiceLog;
import org.oddlantern.internal.CurrentCase;
import org.oddlantern.internal.GrowingPause;

/**
 * A program that was started. What it says, on its output and its error output, is its log: where a call to
 * it fails, the lines that belong to the call are reported with it, and if it has ended, how. Thread-safe; the
 * run ends it with what the supply or case has made that started it.
 */
public final class RunningProgram implements AutoCloseable {

  private static final int FEW = 20;

  /** A connection is gone a moment before the process is. */
  private static final Duration LENT = Duration.ofSeconds(5);

  private static final Duration MOMENT = Duration.ofMillis(400);

  private final Launch launch;
  private final Ready ready;
  private final Path folder;
  private final KnownPrograms programs;
  private final KnownPrograms.Known known = new Told();
  private Started now;
  private volatile boolean closed;

  RunningProgram(Launch launch, Ready ready) {
    this.launch = launch;
    this.ready = ready;
    this.programs = KnownPrograms.ofRun();
    try {
      this.folder = Files.createTempDirectory("odd-lantern-program");
    } catch (IOException e) {
      throw new UncheckedIOException("the output of a program has no place: " + e.getMessage(), e);
    }
    folder.toFile().deleteOnExit();
    try {
      this.now = begun();
    } catch (ProgramProblem e) {
      cleared();
      throw e;
    }
    programs.add(known);
    CurrentCase.part(CaseRecorder.class)
        .ifPresent(recorder -> recorder.undoNoted(new Closing("end", this, !launch.isWatched())));
  }

  /** Its own port may have been lent to somebody else for a moment while it was gone. */
  private void awaitPort() {
    long end = System.nanoTime() + LENT.toNanos();
    GrowingPause pause = new GrowingPause(Duration.ofMillis(20), Duration.ofMillis(250));
    Duration left = LENT;
    while (!ready.taken().isEmpty() && left.toNanos() > 0 && pause.slept(left)) {
      left = Duration.ofNanos(end - System.nanoTime());
    }
  }

  private Started begun() {
    String taken = ready.taken();
    if (!taken.isEmpty()) {
      throw new ProgramProblem("the program " + launch.name() + " was not started: " + taken);
    }
    Started started = new Started(launch, new Output(folder.resolve("output.log"), ready.line()));
    try {
      await(started);
      return started;
    } catch (ProgramProblem e) {
      started.end();
      throw e;
    }
  }

  private void await(Started started) {
    if (ready.words().isEmpty()) {
      return;
    }
    long begun = System.nanoTime();
    GrowingPause pause = new GrowingPause(Duration.ofMillis(20), Duration.ofMillis(250));
    while (true) {
      String missing = ready.missing(started.output);
      if (missing.isEmpty() && started.isRunning()) {
        return;
      }
      Duration passed = Duration.ofNanos(System.nanoTime() - begun);
      if (!started.isRunning()) {
        started.drained();
        String when = ready.missing(started.output).isEmpty() ? "after " : "before ";
        throw new ProgramProblem("the program " + launch.name() + " ended with "
            + started.status() + " after " + passed.toMillis() + " ms, " + when + ready.words()
            + started.output.words(FEW));
      }
      Duration left = ready.limit().minus(passed);
      if (left.isNegative() || left.isZero() || !pause.slept(left)) {
        throw new ProgramProblem("the program " + launch.name() + " did not come up within "
            + ready.limit().toMillis() + " ms: " + missing + started.output.words(FEW));
      }
    }
  }

  /** Whether it runs. */
  public boolean isRunning() {
    return seen(Boolean.class, "whether it runs", () -> current().isRunning());
  }

  /**
   * The status it has ended with; as shells give it, 128 and the number of the signal if one has ended it.
   *
   * @return the status; empty while it runs
   */
  public OptionalInt exitStatus() {
    return seen(OptionalInt.class, "its exit status", () -> {
      Started one = current();
      return one.isRunning() ? OptionalInt.empty() : OptionalInt.of(one.process.exitValue());
    });
  }

  /**
   * The last lines that it said since it was started last, up to 1,000, without empty ones.
   *
   * @return the lines in order
   */
  public List<String> lastLines() {
    @SuppressWarnings("unchecked") // it holds what was put there
    List<String> lines =
        seen(List.class, "its last lines", () -> current().output.lastLines());
    return lines;
  }

  /** A case that is done again sees what it saw. */
  private <A> A seen(Class<A> type, String what, Callable<A> look) {
    return Answering.ofCase()
        .answer(Question.of(type, Question.Kind.GIVEN, launch.name() + ", " + what), look)
        .orThrow();
  }

  /**
   * Ends it at once, without asking it to (SIGKILL), as if it had crashed. It can be started again.
   *
   * @throws ProgramProblem if it does not end even so
   */
  public void kill() {
    if (!Answering.ofCase().isAgain()) {
      current().kill();
    }
  }

  /**
   * Ends it and starts it again, as it was started before.
   *
   * @throws ProgramProblem if it does not end, or does not come up again
   * @throws IllegalStateException if it was closed
   */
  public synchronized void restart() {
    if (closed) {
      throw new IllegalStateException("the program " + launch.name()
          + " is closed; it lasts as long as the supply that started it");
    }
    if (!Answering.ofCase().isAgain()) {
      now.end();
      awaitPort();
      now = begun();
    }
  }

  /**
   * Ends it, with all that it has started: it is asked to, and ended by force if it takes too long.
   *
   * @throws ProgramProblem if it does not end even so
   */
  @Override
  public void close() {
    if (Answering.ofCase().isAgain()) {
      return;
    }
    closed = true;
    programs.remove(known);
    try {
      current().end();
    } finally {
      cleared();
    }
  }

  /** The program and how it is. */
  @Override
  public String toString() {
    String ended = known.ended();
    return ended.isEmpty() ? "the program " + launch.name() : ended;
  }

  private synchronized Started current() {
    return now;
  }

  private void cleared() {
    try (Stream<Path> files = Files.list(folder)) {
      for (Path file : files.toList()) {
        Files.deleteIfExists(file);
      }
      Files.deleteIfExists(folder);
    } catch (IOException e) {
      // it lies among temporary files, where somebody else will find it
    }
  }

  /** What is reported of it when a call goes wrong. */
  private final class Told implements KnownPrograms.Known {

    @Override
    public boolean servesAt(int port) {
      return ready.port() == 0 ? launch.isTold(port) : ready.port() == port;
    }

    @Override
    public ServiceLog log() {
      return new ServiceLog(folder.resolve("output.log"));
    }

    @Override
    public String ended() {
      Started one = current();
      if (!one.gone(MOMENT)) {
        return "";
      }
      one.drained();
      return "the program " + launch.name() + " has ended with " + one.status()
          + one.output.words(3);
    }
  }

  /** One start of it. */
  private static final class Started {
    private final Launch launch;
    private final Process process;
    private final Output output;
    private final Thread reader;

    Started(Launch launch, Output output) {
      this.launch = launch;
      this.output = output;
      this.process = launch.start();
      this.reader = new Thread(this::read, "output of " + launch.name());
      reader.setDaemon(true);
      reader.start();
    }

    private void read() {
      try {
        output.read(process.getInputStream());
      } catch (IOException e) {
        // it was closed while it was read
      }
    }

    boolean isRunning() {
      return process.isAlive();
    }

    String status() {
      int status = process.exitValue();
      return "status " + status
          + switch (status) {
            case 130 -> " (interrupted)";
            case 137 -> " (killed)";
            case 139 -> " (segmentation fault)";
            case 143 -> " (asked to end)";
            default -> "";
          };
    }

    /** What it said at the very end is read a moment later. */
    void drained() {
      try {
        reader.join(500);
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
      }
    }

    void end() {
      List<ProcessHandle> all = family();
      if (launch.isWatched()) {
        try {
          process.getOutputStream().close(); // whoever watches over it hears that
        } catch (IOException e) {
          // it has gone by itself
        }
      } else {
        all.forEach(ProcessHandle::destroy);
      }
      gone(launch.patience().plusMillis(1_500));
      kill(all);
    }

    void kill() {
      kill(List.of());
    }

    /** By force, with what it had started earlier, which may have lost its parent since. */
    private void kill(List<ProcessHandle> earlier) {
      Stream.concat(earlier.stream(), family().stream())
          .filter(ProcessHandle::isAlive)
          .forEach(ProcessHandle::destroyForcibly);
      if (!gone(Duration.ofSeconds(5))) {
        throw new ProgramProblem("the program " + launch.name() + " (process " + process.pid()
            + ") does not end, not even by force");
      }
      drained();
    }

    private boolean gone(Duration limit) {
      try {
        return process.waitFor(limit.toMillis(), TimeUnit.MILLISECONDS);
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
        return false;
      }
    }

    /** The process with all that it has started. */
    private List<ProcessHandle> family() {
      return Stream.concat(process.descendants(), Stream.of(process.toHandle())).toList();
    }
  }
}
