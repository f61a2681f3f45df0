package org.oddlantern.internal.run;

import java.lang.reflect.Type;
import java.time.Duration;
import java.util.List;
import java.util.NoSuchElementException;
import java.util.concurrent.Callable;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import org.oddlantern.config.Environment;
import org.oddlantern.evidence.internal.Answering;
import org.oddlantern.http.internal.Surroundings;
import org.oddlantern.http.internal.Undo;
import org.oddlantern.internal.CurrentCase;
import org.oddlantern.internal.record.Outcome;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.payload.Fresh;

/** One piece of a suite's own code, with its own record: an attempt of a case, a supply, a tidy-up. */
final class Work {

  private final Workshop workshop;
  private final String id;
  private final Class<?> suite;
  private final String environment;
  private final String attempt;
  private final CaseLog log;
  private final Surroundings surroundings;

  /**
   * A piece of work.
   *
   * @param workshop what all work with
   * @param id what the case, supply or tidy-up is known by
   * @param brief the same for a header
   * @param suite its class
   * @param environment the environment it works on; empty for the run's
   * @param attempt who it works for, as far as the id does not say; may be empty
   * @param answering how it comes by answers
   * @param noted hears of calls that said how they are undone
   */
  Work(
      Workshop workshop,
      String id,
      String brief,
      Class<?> suite,
      String environment,
      String attempt,
      Answering answering,
      Consumer<Undo> noted) {
    this(
        workshop,
        id,
        suite,
        environment,
        attempt,
        new CaseLog(
            id,
            RunNames.ascii(brief),
            workshop,
            undo -> {
              if (undo.outlivesRun()) {
                workshop
                    .broadcast()
                    .tell(new RunEvent.UndoNoted(
                        workshop.masker().id(id), workshop.masker().text(undo.line())));
              }
              noted.accept(undo);
            },
            answering));
  }

  /** A piece of work that is recorded by a log of its own. */
  Work(
      Workshop workshop,
      String id,
      Class<?> suite,
      String environment,
      String attempt,
      CaseLog log) {
    this.workshop = workshop;
    this.id = id;
    this.suite = suite;
    this.environment = environment;
    this.attempt = attempt;
    this.log = log;
    this.surroundings = workshop.surroundings(log, environment);
  }

  /** Does it in the lane, within a limit, and asks for what is due at its end. */
  Attempt done(Lane lane, Duration limit, Callable<@Nullable Object> body) {
    return done(lane, limit, false, body);
  }

  /**
   * The same in this thread.
   *
   * @param left ends it in another thread, if it does not let go of this one
   * @throws Turn.Left if another thread has gone on meanwhile
   */
  Attempt doneHere(
      Lane lane, Duration limit, Callable<@Nullable Object> body, Consumer<Attempt> left) {
    try {
      return lane.runHere(() -> inThisThread(body, false), limit, why -> left.accept(ended(why)));
    } catch (Lane.TimeLimitPassed | Lane.Stopped e) {
      return ended(e);
    }
  }

  /** The same for what puts something back: what is gone is fine, and stopping the run does not stop it. */
  Attempt putBack(Lane lane, Duration limit, Callable<@Nullable Object> body) {
    return done(lane, limit, true, body);
  }

  private Attempt done(
      Lane lane, Duration limit, boolean putsBack, Callable<@Nullable Object> body) {
    try {
      return lane.run(() -> inThisThread(body, putsBack), limit, !putsBack);
    } catch (Lane.TimeLimitPassed | Lane.Stopped e) {
      return ended(e);
    }
  }

  private Attempt inThisThread(Callable<@Nullable Object> body, boolean putsBack) {
    Thread thread = Thread.currentThread();
    log.begun(thread);
    workshop.atWork().put(thread, id);
    try {
      return workshop.bound(surroundings, () -> settled(attempted(body), putsBack));
    } finally {
      workshop.atWork().remove(thread);
    }
  }

  /** What came of it when it was ended from outside. */
  private Attempt ended(Exception why) {
    if (why instanceof Lane.TimeLimitPassed) {
      log.cutOff("the case was ended by its time limit before it came to this call");
      return Thrown.attempt(why, suite, workshop.masker());
    }
    log.cutOff("the run was stopped before the case came to this call");
    return Attempt.interrupted("it was running when the run was stopped");
  }

  private Attempt attempted(Callable<@Nullable Object> body) {
    try {
      return Attempt.passed(body.call());
    } catch (Throwable thrown) {
      Attempt attempt = Thrown.attempt(thrown, suite, workshop.masker());
      return thrown instanceof NoSuchElementException ? attempt.explained(log.missed()) : attempt;
    }
  }

  /**
   * What came of it, once it was asked for what is due at its end, in the thread of the case and within
   * its limit, since checks may be as slow and as broken as cases.
   */
  Attempt settled(Attempt attempt, boolean putsBack) {
    try {
      List<String> news = log.settle(putsBack, attempt.outcome() == Outcome.PASSED);
      return attempt.outcome() == Outcome.PASSED && !news.isEmpty()
          ? Attempt.failed(String.join("\n", news), "")
          : attempt;
    } catch (Throwable thrown) {
      return Thrown.attempt(thrown, suite, workshop.masker());
    }
  }

  /** Makes what follows in this thread part of it, until the binding is closed. */
  CurrentCase.Binding begun() {
    log.begun(Thread.currentThread());
    return workshop.bind(surroundings);
  }

  /** What may be taken without being made: an environment and fresh values of its own. */
  @Nullable
  Object builtIn(Type type) {
    if (type == Environment.class) {
      return workshop.environment(environment, surroundings);
    }
    return type == Fresh.class ? Fresh.seeded(workshop.order().seed(), id + attempt) : null;
  }

  CaseLog log() {
    return log;
  }
}
