package org.oddlantern.internal.reports;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.Outcome;
import org.oddlantern.internal.record.RecordKind;

/**
 * What is different from an earlier run. Immutable.
 *
 * @param before the earlier run
 * @param newlyBroken cases that are broken now and were not then, or were not there
 * @param mended cases that hold now and were broken then
 * @param slower cases that take at least half as long again, and 50 ms more
 * @param added cases that were not there then and are not broken
 * @param gone titles of cases that are not there now
 */
public record Comparison(
    RunData before,
    List<CaseRecord> newlyBroken,
    List<CaseRecord> mended,
    List<Slower> slower,
    List<CaseRecord> added,
    List<String> gone) {

  private static final long LEAST_MICROS = 50_000;

  /**
   * A case that has grown slower.
   *
   * @param one the case now
   * @param micros how long it took then
   */
  public record Slower(CaseRecord one, long micros) {}

  /**
   * Compares.
   *
   * @param before the earlier run
   * @param now the later run
   * @return what is different
   */
  public static Comparison of(RunData before, RunData now) {
    Map<String, CaseRecord> old = byId(before);
    Comparison all = new Comparison(
        before,
        new ArrayList<>(),
        new ArrayList<>(),
        new ArrayList<>(),
        new ArrayList<>(),
        new ArrayList<>());
    Map<String, CaseRecord> cases = byId(now);
    cases.forEach((id, one) -> all.add(one, old.get(id)));
    old.forEach((id, one) -> {
      if (!cases.containsKey(id)) {
        all.gone.add(one.suite() + ": " + one.title());
      }
    });
    return new Comparison(
        before,
        List.copyOf(all.newlyBroken),
        List.copyOf(all.mended),
        List.copyOf(all.slower),
        List.copyOf(all.added),
        List.copyOf(all.gone));
  }

  private void add(CaseRecord one, @Nullable CaseRecord was) {
    boolean broken = !one.outcome().isGreen();
    if (was == null) {
      (broken ? newlyBroken : added).add(one);
    } else if (broken && was.outcome().isGreen()) {
      newlyBroken.add(one);
    } else if (one.outcome() == Outcome.PASSED && !was.outcome().isGreen()) {
      mended.add(one);
    } else if (one.outcome() == Outcome.PASSED
        && was.outcome() == Outcome.PASSED
        && isSlower(one, was)) {
      slower.add(new Slower(one, was.tookMicros()));
    }
  }

  private static boolean isSlower(CaseRecord one, CaseRecord was) {
    long more = one.tookMicros() - was.tookMicros();
    return more >= LEAST_MICROS && more * 2 >= was.tookMicros();
  }

  private static Map<String, CaseRecord> byId(RunData run) {
    Map<String, CaseRecord> cases = new LinkedHashMap<>();
    run.cases().stream()
        .filter(one -> one.kind() == RecordKind.CASE)
        .forEach(one -> cases.put(one.id(), one));
    return cases;
  }

  /**
   * Whether there is nothing to tell.
   *
   * @return true if nothing is different
   */
  public boolean isEmpty() {
    return newlyBroken.isEmpty()
        && mended.isEmpty()
        && slower.isEmpty()
        && added.isEmpty()
        && gone.isEmpty();
  }

  /**
   * What is different, in lines for people.
   *
   * @return a line for each case, which begins with a word; empty if nothing is
   */
  public List<String> lines() {
    List<String> lines = new ArrayList<>();
    newlyBroken.forEach(one -> lines.add("newly " + one.word() + "  " + named(one)));
    mended.forEach(one -> lines.add("mended  " + named(one)));
    slower.forEach(
        slow -> lines.add("slower  " + named(slow.one()) + ", " + Amounts.time(slow.micros())
            + " then, " + Amounts.time(slow.one().tookMicros()) + " now"));
    added.forEach(one -> lines.add("new  " + named(one)));
    gone.forEach(title -> lines.add("gone  " + title));
    return lines;
  }

  private static String named(CaseRecord one) {
    return one.suite() + ": " + one.title();
  }
}
