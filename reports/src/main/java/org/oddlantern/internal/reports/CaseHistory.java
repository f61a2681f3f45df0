package org.oddlantern.internal.reports;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.record.Mark;
import org.oddlantern.internal.record.Outcome;

/**
 * A case over the runs.
 *
 * @param id the case
 * @param suite its suite
 * @param title its title, as it was last
 * @param went how it went, run by run; null where it was not there
 */
public record CaseHistory(String id, String suite, String title, List<@Nullable Went> went) {

  /**
   * How a case went in one run.
   *
   * @param outcome how it ended
   * @param marks what else there was to say of it
   * @param micros how long it took
   */
  public record Went(Outcome outcome, List<Mark> marks, long micros) {

    /** Whether it passed only after it had failed. */
    public boolean flaky() {
      return marks.contains(Mark.FLAKY);
    }

    /** Whether it passed, and checked something. */
    public boolean passed() {
      return outcome.hasPassed(marks);
    }

    /**
     * Whether it broke the build, or nearly did.
     *
     * @return true if it was broken or flaky
     */
    public boolean troubled() {
      return flaky() || !outcome.isGreen();
    }
  }

  /**
   * In how many runs it was broken.
   *
   * @return the number
   */
  public int broken() {
    return (int)
        went.stream().filter(one -> one != null && !one.outcome().isGreen()).count();
  }

  /**
   * In how many runs it was broken or flaky.
   *
   * @return the number
   */
  public int troubles() {
    return (int) went.stream().filter(one -> one != null && one.troubled()).count();
  }

  /**
   * In how many runs it was there.
   *
   * @return the number
   */
  public int times() {
    return (int) went.stream().filter(one -> one != null).count();
  }

  /**
   * Whether it broke in some runs and passed in others without a lasting change: from good to bad and back.
   *
   * @return true if it is unstable
   */
  public boolean unstable() {
    int turns = 0;
    Boolean before = null;
    for (Went one : went) {
      if (one != null) {
        boolean bad = one.troubled();
        if (before != null && before != bad) {
          turns++;
        }
        before = bad;
      }
    }
    return turns > 1 || went.stream().anyMatch(one -> one != null && one.flaky());
  }

  /**
   * How much slower the newer half of its runs is than the older one, by their medians.
   *
   * @return 1 if it is as fast; 1 if there are too few runs to tell
   */
  public double slowdown() {
    List<Long> times = new ArrayList<>();
    for (Went one : went) {
      if (one != null && one.outcome() == Outcome.PASSED) {
        times.add(one.micros());
      }
    }
    if (times.size() < 6) {
      return 1;
    }
    double older = median(times.subList(0, times.size() / 2));
    double newer = median(times.subList(times.size() / 2, times.size()));
    return older <= 0 || newer - older < 5_000 ? 1 : newer / older;
  }

  private static double median(List<Long> values) {
    List<Long> sorted = values.stream().sorted().toList();
    return sorted.get(sorted.size() / 2);
  }
}
