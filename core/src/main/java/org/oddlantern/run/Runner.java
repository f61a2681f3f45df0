package org.oddlantern.run;

import java.lang.reflect.Type;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import org.oddlantern.config.Environment;
import org.oddlantern.config.EnvironmentSettings;
import org.oddlantern.http.internal.CaseRecorder;
import org.oddlantern.http.internal.CookieJar;
import org.oddlantern.http.internal.PooledTransport;
import org.oddlantern.http.internal.Surroundings;
import org.oddlantern.http.internal.TokenStore;
import org.oddlantern.http.internal.Transport;
import org.oddlantern.http.internal.Undo;
import org.oddlantern.internal.CurrentCase;
import org.oddlantern.internal.Resources;
import org.oddlantern.json.KnownPaths;
import org.oddlantern.payload.Fresh;
import org.oddlantern.plan.CaseDefinition;
import org.oddlantern.plan.PlannedCase;
import org.oddlantern.plan.Want;
import org.oddlantern.schema.KnownSchemas;

/**
 * Runs the cases of a plan in one lane: each as soon as its makers and its predecessors have finished,
 * in source order. Hands values on, puts back what was made, tells listeners.
 *
 * <pre>{@code
 * RunResult result = new Runner(order, Clock.systemUTC()).run(List.of(console, journal));
 * }</pre>
 */
public final class Runner {

  private static final Duration UNDO_LIMIT = Duration.ofSeconds(10);

  private final RunOrder order;
  private final Clock clock;
  private final String run;
  private final Masker masker;
  private final Recording recording;
  private final Ledger ledger;
  private final Map<Integer, Attempt> attempts = new HashMap<>();
  private final Map<String, Integer> counts = new LinkedHashMap<>();
  private final TokenStore tokens = new TokenStore();
  private final KnownPaths paths = new KnownPaths();
  private final Lane lane = new Lane();
  private final Environments environments;
  private final KnownSchemas schemas;
  private String notReady = "";
  private int leftBehind;

  /**
   * A runner for one run.
   *
   * @param order what to run, and on what
   * @param clock tells when things happen
   * @throws org.oddlantern.config.SettingsProblem if a suite is pinned to an environment that is not there
   */
  public Runner(RunOrder order, Clock clock) {
    this.order = order;
    this.clock = clock;
    this.environments = new Environments(order);
    this.schemas = order.settings().schemas(order.loader(), environments.all(), order.variables());
    this.run = RunNames.fresh();
    this.masker = new Masker(order.settings().mask());
    this.recording = new Recording(masker);
    this.ledger = new Ledger(order.plan().cases());
  }

  /**
   * Runs every case; whatever one throws, the others run.
   *
   * @param listeners who hears of it
   * @return what came of it
   */
  public RunResult run(List<RunListener> listeners) {
    Broadcast broadcast = new Broadcast(listeners);
    Instant start = clock.instant();
    long nanos = System.nanoTime();
    broadcast.tell(started(start));
    try (Transport transport = new PooledTransport();
        lane) {
      notReady = new Readying(order, environments).waited(quiet(transport));
      runAll(transport, broadcast);
    }
    broadcast.tell(new RunEvent.Ended(
        clock.instant(), (System.nanoTime() - nanos) / 1_000, Map.copyOf(counts), leftBehind));
    return new RunResult(Map.copyOf(counts), leftBehind, broadcast.problems());
  }

  private RunEvent.Started started(Instant start) {
    List<PlannedCase> cases = order.plan().cases();
    int suites =
        (int) cases.stream().map(one -> one.definition().suite()).distinct().count();
    return new RunEvent.Started(
        RunEvent.Started.FORMAT,
        run,
        order.name(),
        order.environment().name(),
        order.seed(),
        start,
        cases.size(),
        suites,
        warnings());
  }

  private List<String> warnings() {
    List<String> warnings = new ArrayList<>(order.plan().warnings());
    warnings.addAll(environments.warnings());
    return warnings;
  }

  private void runAll(Transport transport, Broadcast broadcast) {
    List<PlannedCase> cases = order.plan().cases();
    int[] open = new int[cases.size()];
    List<List<Integer>> followers = new ArrayList<>();
    cases.forEach(one -> followers.add(new ArrayList<>()));
    TreeSet<Integer> ready = new TreeSet<>();
    for (PlannedCase one : cases) {
      open[one.order()] = one.after().size();
      one.after().forEach(before -> followers.get(before).add(one.order()));
      if (open[one.order()] == 0) {
        ready.add(one.order());
      }
    }
    for (Integer next = ready.pollFirst(); next != null; next = ready.pollFirst()) {
      runOne(cases.get(next), transport, broadcast);
      for (int follower : followers.get(next)) {
        if (--open[follower] == 0) {
          ready.add(follower);
        }
      }
    }
  }

  private void runOne(PlannedCase one, Transport transport, Broadcast broadcast) {
    CaseDefinition definition = one.definition();
    CaseLog log = new CaseLog(
        run + "/" + RunNames.ascii(definition.id().brief()),
        masker::learn,
        undo -> broadcast.tell(
            new RunEvent.UndoNoted(definition.id().toString(), masker.text(undo.line()))));
    Instant start = clock.instant();
    long nanos = System.nanoTime();
    Attempt attempt = attempt(one, surroundings(transport, log, environments.of(definition)));
    long micros = (System.nanoTime() - nanos) / 1_000;
    attempts.put(one.order(), attempt);
    CaseRecord record = record(one, attempt, log, start, micros);
    counts.merge(record.word(), 1, Integer::sum);
    broadcast.tell(new RunEvent.CaseFinished(record));
    ledger.finished(one, attempt, log.undos()).forEach(entry -> putBack(entry, broadcast));
  }

  private Surroundings surroundings(
      Transport transport, CaseLog log, EnvironmentSettings environment) {
    return new Surroundings(
        new GatedTransport(transport), log, new CookieJar(), tokens, environment.readOnlyReason());
  }

  /** Where nobody hears: what happens there belongs to no case. */
  private Surroundings quiet(Transport transport) {
    return new Surroundings(transport, CaseRecorder.NONE, new CookieJar(), tokens, "");
  }

  private Attempt attempt(PlannedCase one, Surroundings surroundings) {
    CaseDefinition definition = one.definition();
    Attempt marked = new Marks(definition.marks(), clock).attempt(definition.position());
    if (marked != null) {
      return marked;
    }
    if (!notReady.isEmpty()) {
      return Attempt.blocked(notReady);
    }
    Attempt spread = spread(one);
    if (spread != null) {
      return spread;
    }
    Attempt attempt = limited(one, surroundings);
    CaseLog log = (CaseLog) surroundings.recorder();
    List<String> unseen = log.settle();
    if (attempt.outcome() == Outcome.PASSED && !unseen.isEmpty()) {
      attempt = Attempt.failed(String.join("\n", unseen), definition.position().toString());
    }
    boolean known =
        attempt.outcome() == Outcome.FAILED && !definition.marks().knownFault().isEmpty();
    return known ? attempt.known() : attempt;
  }

  /** What its makers leave for it: blocked if one broke, else skipped if one did not run (rule 15). */
  private @Nullable Attempt spread(PlannedCase one) {
    Attempt skipped = null;
    for (int maker : one.makers().values()) {
      Attempt made = attempts.get(maker);
      if (made != null && !made.outcome().isGreen()) {
        return Attempt.blocked(cause(maker, made));
      }
      if (made != null && made.outcome() != Outcome.PASSED && skipped == null) {
        skipped = Attempt.skipped(cause(maker, made));
      }
    }
    return skipped;
  }

  /** The first cause: a maker that was held up itself tells its own. */
  private String cause(int maker, Attempt made) {
    boolean passedOn = !order.plan().cases().get(maker).makers().isEmpty()
        && (made.outcome() == Outcome.BLOCKED || made.outcome() == Outcome.SKIPPED);
    if ((made.outcome() == Outcome.BLOCKED || passedOn) && made.problem() != null) {
      return made.problem().message();
    }
    CaseDefinition definition = order.plan().cases().get(maker).definition();
    return "%s, which makes what this case takes, %s ('%s')"
        .formatted(definition.id().brief(), made.outcome().told(), definition.title());
  }

  /** Runs the case in the lane, within its limit. */
  private Attempt limited(PlannedCase one, Surroundings surroundings) {
    CaseDefinition definition = one.definition();
    try {
      return lane.run(
          () -> invoke(one, surroundings),
          definition.marks().timeLimit(),
          thread -> abandon(thread, surroundings));
    } catch (Lane.TimeLimitPassed e) {
      return Thrown.attempt(e, definition.suite(), masker);
    }
  }

  /** A case that does not let go sends nothing more, and what it notes is not waited for. */
  private static void abandon(Thread thread, Surroundings surroundings) {
    if (surroundings.transport() instanceof GatedTransport gate) {
      gate.shutFor(thread);
    }
  }

  private Attempt invoke(PlannedCase one, Surroundings surroundings) {
    CaseDefinition definition = one.definition();
    Environment environment = new Environment(
        order.settings(), environments.of(definition), order.variables(), surroundings);
    Fresh fresh = Fresh.seeded(order.seed(), definition.id().toString());
    Resources resources = new Resources(order.loader(), order.settings().folder());
    Instances instances =
        new Instances((type, asker) -> given(one, type, asker, environment, fresh));
    Thread thread = Thread.currentThread();
    ClassLoader before = thread.getContextClassLoader();
    thread.setContextClassLoader(order.loader());
    try (CurrentCase.Binding binding = CurrentCase.bind(
        List.of(surroundings, resources, surroundings.recorder(), paths, schemas))) {
      Object value = instances.call(definition);
      if (definition.handsOn() == null) {
        return Attempt.passed(null);
      }
      return value == null
          ? Attempt.errored(
              "it returned null, so there is nothing to hand on; return the value, or declare the method void")
          : Attempt.passed(value);
    } catch (Throwable thrown) {
      return Thrown.attempt(thrown, definition.suite(), masker);
    } finally {
      thread.setContextClassLoader(before);
    }
  }

  private Object given(
      PlannedCase one, Type type, Class<?> asker, Environment environment, Fresh fresh) {
    if (type == Environment.class) {
      return environment;
    }
    if (type == Fresh.class) {
      return fresh;
    }
    for (Map.Entry<Want, Integer> maker : one.makers().entrySet()) {
      Attempt made = attempts.get(maker.getValue());
      if (maker.getKey().type().equals(type)
          && maker.getKey().asker() == asker
          && made != null
          && made.value() != null) {
        return made.value();
      }
    }
    throw new IllegalStateException("no value of type " + type.getTypeName() + " was made for "
        + one.definition().place());
  }

  private CaseRecord record(
      PlannedCase one, Attempt attempt, CaseLog log, Instant start, long micros) {
    CaseDefinition definition = one.definition();
    log.teach(recording);
    List<Mark> marks = new ArrayList<>();
    if (log.hasWarned()) {
      marks.add(Mark.WARNED);
    }
    if (attempt.outcome() == Outcome.PASSED && !log.checkedSomething()) {
      marks.add(Mark.UNPROVEN);
    }
    if (one.needed()) {
      marks.add(Mark.NEEDED);
    }
    if (attempt.outcome() == Outcome.PASSED && !definition.marks().knownFault().isEmpty()) {
      marks.add(Mark.FIXED);
    }
    return new CaseRecord(
        definition.id().toString(),
        RunNames.suite(definition.suite()),
        masker.text(definition.title()),
        definition.position().toString(),
        one.order(),
        attempt.outcome(),
        marks,
        start,
        micros,
        log.exchanges(recording),
        log.queries(recording),
        masker.text(definition.marks().knownFault()),
        masked(attempt.problem()),
        masker.text(log.printing()));
  }

  private @Nullable ProblemRecord masked(@Nullable ProblemRecord problem) {
    return problem == null
        ? null
        : new ProblemRecord(
            problem.type(),
            masker.text(problem.message()),
            problem.at(),
            masker.text(problem.stack()));
  }

  private void putBack(Ledger.Entry entry, Broadcast broadcast) {
    Undo.Taken taken = entry.undo().takeBack(UNDO_LIMIT);
    if (!taken.problem().isEmpty()) {
      leftBehind++;
    }
    ExchangeRecord exchange = null;
    if (taken.exchange() != null) {
      recording.learn(taken.exchange());
      exchange = recording.record(taken.exchange(), List.of());
    }
    broadcast.tell(new RunEvent.PutBack(
        entry.maker().definition().id().toString(),
        masker.text(entry.undo().line()),
        masker.text(taken.problem()),
        exchange));
  }
}
