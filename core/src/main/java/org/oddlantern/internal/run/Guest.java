package org.oddlantern.internal.run;

import java.lang.reflect.Method;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.oddlantern.config.Environment;
import org.oddlantern.evidence.internal.Answering;
import org.oddlantern.internal.CurrentCase;
import org.oddlantern.internal.mask.Masker;
import org.oddlantern.internal.plan.CaseId;
import org.oddlantern.internal.plan.Position;
import org.oddlantern.internal.record.Mark;
import org.oddlantern.internal.record.Outcome;
import org.oddlantern.internal.record.ProblemRecord;
import org.oddlantern.payload.Fresh;

/** One case of a {@link GuestRun}, which belongs to the thread it began in. To be ended once. */
public final class Guest {

  private final GuestRun run;
  private final CaseFacts facts;
  private final Belongings belongings;
  private final Work work;
  private final CurrentCase.Binding binding;
  private final Instant start;
  private final long nanos = System.nanoTime();

  Guest(GuestRun run, Class<?> suite, Method method, String sample, String title, int order) {
    this.run = run;
    this.start = run.clock().instant();
    this.facts = facts(suite, method, sample, title, order);
    this.belongings = new Belongings(new Ledger(List.of(), ended -> {}));
    CaseId id = facts.id();
    this.work = new Work(
        run.begun().workshop(),
        id.toString(),
        id.brief(),
        suite,
        "",
        "",
        Answering.LIVE,
        undo -> belongings.add(belongings.life(), new UndoDeed(id.toString(), undo)));
    run.begun().entries().begun(facts, 1);
    this.binding = work.begun();
  }

  /**
   * The environment whose services record what the case sends.
   *
   * @return the environment of the run
   */
  public Environment environment() {
    return (Environment) taken(Environment.class);
  }

  /**
   * Values that are new at every run, and the same for a seed.
   *
   * @return a source of its own for this case
   */
  public Fresh fresh() {
    return (Fresh) taken(Fresh.class);
  }

  private Object taken(Class<?> type) {
    Object taken = work.builtIn(type);
    if (taken == null) {
      throw new IllegalStateException("a case does not get a " + type.getSimpleName());
    }
    return taken;
  }

  /**
   * The case has ended; what it made is put back.
   *
   * @param thrown what it threw; null if it passed
   * @return what its framework does not know yet and should fail it for: an error status that nobody
   *     looked at, failures in other threads, what is left behind; mostly empty
   */
  public List<String> ended(@Nullable Throwable thrown) {
    Attempt own =
        thrown == null ? Attempt.passed(null) : Thrown.attempt(thrown, facts.suite(), masker());
    Attempt attempt = work.settled(own, false);
    binding.close();
    boolean passed = attempt.outcome() == Outcome.PASSED;
    List<Mark> marks = new ArrayList<>();
    if (work.log().hasWarned()) {
      marks.add(Mark.WARNED);
    }
    told(attempt, marks, 1);
    putBack();
    List<String> news = new ArrayList<>();
    ProblemRecord problem = attempt.problem();
    if (thrown == null && !passed && problem != null) {
      news.add(problem.message());
    }
    news.addAll(run.keptBy(masker().id(facts.id().toString())));
    return news;
  }

  /**
   * The case turned out not to be meant for here and now.
   *
   * @param why the reason
   */
  public void skipped(String why) {
    binding.close();
    told(Attempt.skipped(masker().text(why)), List.of(), 0);
    putBack();
  }

  private void putBack() {
    try (Lane lane = new Lane(1, LaneThreads.of(1, "odd-lantern guest"))) {
      new PutBacks(run.begun(), lane, Duration.ofDays(1))
          .all(Ledger.newestFirst(belongings.sealed()));
    }
  }

  private void told(Attempt attempt, List<Mark> marks, int lane) {
    run.begun()
        .entries()
        .tell(facts, lane, attempt, marks, work.log(), List.of(), Entries.Took.since(start, nanos));
  }

  private Masker masker() {
    return run.begun().workshop().masker();
  }

  private static CaseFacts facts(
      Class<?> suite, Method method, String sample, String title, int order) {
    String file = suite.getName().replaceAll("\\$.*", "").replaceAll(".*\\.", "") + ".java";
    return new CaseFacts(
        new CaseId(suite.getName(), method.getName(), "", sample),
        suite,
        told -> title,
        new Position(file, 0, order),
        "",
        null,
        order,
        Set.of());
  }
}
