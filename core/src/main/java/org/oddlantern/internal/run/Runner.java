package org.oddlantern.internal.run;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.oddlantern.http.internal.CaseRecorder;
import org.oddlantern.http.internal.CookieJar;
import org.oddlantern.http.internal.PooledTransport;
import org.oddlantern.http.internal.Surroundings;
import org.oddlantern.internal.connections.ConnectionLog;
import org.oddlantern.internal.journal.LateSecrets;
import org.oddlantern.internal.plan.Planned;
import org.oddlantern.internal.plan.PlannedCase;
import org.oddlantern.internal.plan.PlannedSupply;
import org.oddlantern.internal.record.Outcome;
import org.oddlantern.internal.record.RunListener;
import org.oddlantern.json.internal.JsonMapping;

/**
 * Runs the cases of a plan: each as soon as its makers and its predecessors have finished, side by side in
 * as many lanes as were asked for. Hands values on, puts back what was made, tells listeners.
 *
 * <pre>{@code
 * RunResult result = new Runner(order, Clock.systemUTC()).run(List.of(console, journal));
 * }</pre>
 */
public final class Runner {

  /** For putting back everything that is still alive at the end. */
  private static final Duration TOGETHER = Duration.ofSeconds(30);

  private final RunOrder order;
  private final RunFrame frame;
  private final Schedule schedule;
  private final Lanes lanes;
  private final Handed handed;
  private final Ledger ledger;
  private volatile @Nullable Broadcast told;
  private volatile boolean stopped;

  /**
   * A runner for one run.
   *
   * @param order what to run, and on what
   * @param clock tells when things happen
   * @throws org.oddlantern.config.SettingsProblem if a suite is pinned to an environment that is not
   *     there, or a service or database in use cannot be made
   * @throws org.oddlantern.internal.plan.PlanRefused if a sample is known by a secret
   */
  public Runner(RunOrder order, Clock clock) {
    List<Planned> nodes = order.plan().nodes();
    this.order = order;
    this.frame = new RunFrame(order, clock);
    new SettingsCheck(order, frame.environments(), frame.masker(), frame.descriptions()).done();
    this.schedule = new Schedule(nodes, order.lanes(), order.shuffled() ? order.seed() : "");
    this.lanes = new Lanes(order.lanes());
    this.handed = new Handed(nodes);
    this.ledger = new Ledger(nodes, handed::ended);
  }

  /**
   * Gets ready what every run needs and what depends on none: mapping of JSON, the client. A run does
   * without; a program that has something else to do first may call this in a thread beside.
   */
  public static void prepare() {
    RunNames.fresh();
    JsonMapping.standard().parse("[0]");
    PooledTransport.prepare();
  }

  /**
   * Runs every case; whatever one throws, the others run. To be called once.
   *
   * @param listeners who hears of it
   * @return what came of it
   */
  public RunResult run(List<RunListener> listeners) {
    return run(listeners, null);
  }

  /**
   * The same, with a log of what the HTTP library says about connections.
   *
   * @param listeners who hears of it
   * @param connections the log, which the caller closes; null if none is wanted
   * @return what came of it
   */
  public RunResult run(List<RunListener> listeners, @Nullable ConnectionLog connections) {
    RunFrame.Begun begun = frame.begun(listeners, connections);
    try (begun;
        lanes) {
      told = begun.workshop().broadcast();
      runAll(begun);
    }
    return begun.ended(stopped);
  }

  /**
   * Hides in the journal of this run what was no secret yet when it was told. To be called once nobody
   * writes it any more.
   *
   * @param journal the journal
   * @return whether there was anything to hide
   * @throws IOException if the journal cannot be read or written
   */
  public boolean hideLateSecrets(Path journal) throws IOException {
    return new LateSecrets(frame.masker()).hidden(journal);
  }

  /**
   * Stops the run: nothing more starts, what runs is interrupted, everything alive is put back within 30 s,
   * and {@link #run} returns. May be called from any thread, and more than once.
   */
  public void stop() {
    stopped = true;
    schedule.stop();
    lanes.stop();
  }

  /**
   * Whether a case has told the process to end, which is a problem of the run then.
   *
   * @return true if one has
   */
  public boolean wasExitedByCase() {
    Optional<String> exit = frame.exit();
    Broadcast broadcast = told;
    if (broadcast != null) {
      exit.ifPresent(broadcast::problem);
    }
    return exit.isPresent();
  }

  private void runAll(RunFrame.Begun begun) {
    Workshop workshop = begun.workshop();
    String held =
        new Readying(order, frame.environments()).waited(workshop.known(), quiet(workshop));
    Examiner examiner = new Examiner(workshop);
    try (OutsideCalls calls = examiner.isWanted() ? OutsideCalls.heard() : null) {
      workOff(begun, held, examiner);
    }
  }

  private void workOff(RunFrame.Begun begun, String held, Examiner examiner) {
    Workshop workshop = begun.workshop();
    CaseRunner cases = new CaseRunner(workshop, handed, begun.entries(), ledger, examiner);
    Throwable broken =
        lanes.workOff(schedule, (one, lane) -> runOne(one, lane, held, cases, begun));
    if (broken != null) {
      stopped = true;
      workshop
          .broadcast()
          .problem("the run could not go on; what had finished is reported: " + broken);
    }
    for (PlannedCase one : order.plan().cases()) {
      if (!handed.has(one)) {
        cases.interrupted(one);
      }
    }
    if (!stopped) {
      examiner.ended();
    }
    new PutBacks(begun, lanes.first(), TOGETHER).all(ledger.rest());
  }

  private void runOne(Planned one, Lane lane, String held, CaseRunner cases, RunFrame.Begun begun) {
    PutBacks putBacks = new PutBacks(begun, lane, Duration.ofDays(1));
    if (one instanceof PlannedCase planned) {
      cases.run(planned, lane, held, putBacks, made -> ended(one, made, putBacks));
    } else {
      ended(one, cases.supply((PlannedSupply) one, lane, held), putBacks);
    }
  }

  private void ended(Planned one, CaseRunner.Made made, PutBacks putBacks) {
    Attempt attempt = made.attempt();
    handed.put(one, attempt);
    List<Belonging> ending = ledger.finished(
        one, attempt.value() != null, attempt.outcome() == Outcome.PASSED, made.belongings());
    if (stopped) {
      ledger.keep(ending);
    } else {
      putBacks.all(ending);
    }
  }

  /** Where nobody hears: what happens there belongs to no case. */
  private static Surroundings quiet(Workshop workshop) {
    return new Surroundings(
        workshop.transport(), CaseRecorder.NONE, new CookieJar(), workshop.tokens(), "");
  }
}
