package org.oddlantern.internal.run;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.CurrentCase;
import org.oddlantern.internal.plan.BoundMethod;
import org.oddlantern.internal.plan.CaseDefinition;
import org.oddlantern.internal.plan.PlannedCase;

/** Does a case once more with answers that are told again, in the thread that asks. */
final class CaseAgain {

  private final Workshop workshop;
  private final PlannedCase one;
  private final Performance before;

  /**
   * A case.
   *
   * @param workshop one in which nothing is sent or told
   * @param one the case
   * @param before how it was done
   */
  CaseAgain(Workshop workshop, PlannedCase one, Performance before) {
    this.workshop = workshop;
    this.one = one;
    this.before = before;
  }

  /** Does it; whatever it throws is what came of it. */
  Done done(Retelling retelling) {
    CaseDefinition definition = one.definition();
    String id = definition.id().toString();
    ReplayLog log = new ReplayLog(id, RunNames.ascii(definition.id().brief()), workshop, retelling);
    Work work =
        new Work(workshop, id, definition.suite(), definition.environment(), before.attempt(), log);
    List<Object> instances = new ArrayList<>();
    Thread thread = Thread.currentThread();
    ClassLoader loader = thread.getContextClassLoader();
    thread.setContextClassLoader(workshop.order().loader());
    workshop.atWork().put(thread, id);
    long nanos = System.nanoTime();
    try (CurrentCase.Binding binding = work.begun()) {
      Done done = done(work, log, retelling, instances);
      return done.within(System.nanoTime() - nanos);
    } finally {
      instances.forEach(CaseAgain::closed);
      workshop.atWork().remove(thread);
      thread.setContextClassLoader(loader);
    }
  }

  private Done done(Work work, CaseLog log, Retelling retelling, List<Object> instances) {
    BoundMethod bound = one.bound();
    try {
      Object value = new Instances(
              (type, asker) -> before.values().value(type, asker, work), instances::add)
          .call(bound.maker().suite(), bound.maker().method());
      List<String> news = log.settle(false, true);
      String wrong = news.isEmpty() ? retelling.trouble() : news.get(0);
      long warnings = log.entries().stream().mapToLong(LogEntry::warnings).sum();
      return new Done(wrong, value, warnings, 0);
    } catch (Throwable thrown) {
      return new Done(words(thrown, retelling), null, 0, 0);
    } finally {
      log.cutOff("the case has been done again");
    }
  }

  private static String words(Throwable thrown, Retelling retelling) {
    if (!retelling.trouble().isEmpty()) {
      return retelling.trouble();
    }
    String message = String.valueOf(thrown.getMessage()).strip();
    String first = message.lines().findFirst().orElse("").strip();
    return thrown.getClass().getSimpleName() + (first.isEmpty() ? "" : ": " + first);
  }

  private static void closed(Object instance) {
    if (instance instanceof AutoCloseable closeable) {
      try {
        closeable.close();
      } catch (Throwable e) {
        // what is closed was never there
      }
    }
  }

  /**
   * What came of it.
   *
   * @param wrong why it did not pass, in words; empty if it passed
   * @param value what it returned; null if nothing
   * @param warnings how many warnings do not hold
   * @param nanos how long it took
   */
  record Done(String wrong, @Nullable Object value, long warnings, long nanos) {

    boolean hasPassed() {
      return wrong.isEmpty();
    }

    private Done within(long took) {
      return new Done(wrong, value, warnings, took);
    }
  }
}
