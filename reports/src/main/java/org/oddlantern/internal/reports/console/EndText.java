package org.oddlantern.internal.reports.console;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.Mark;
import org.oddlantern.internal.record.Outcome;
import org.oddlantern.internal.record.ProblemRecord;
import org.oddlantern.internal.reports.Amounts;
import org.oddlantern.internal.reports.Likeness;

/** What is told again at the end of a run: what failed, what is worth a look, what was slow. */
final class EndText {

  private static final int MOST = 50;
  private static final int MOST_ALIKE = 10;
  private static final int SLOWEST = 3;
  private static final long SLOW_MICROS = 500_000;

  private final List<Likeness.Broken> broken = new ArrayList<>();
  private final List<CaseRecord> notable = new ArrayList<>();
  private List<CaseRecord> slow = new ArrayList<>();
  private int told;
  private int unproven;

  void hear(CaseRecord one) {
    told++;
    unproven += one.marks().contains(Mark.UNPROVEN) ? 1 : 0;
    if (!one.outcome().isGreen()) {
      broken.add(Likeness.Broken.of(one).brief());
    } else if (one.marks().stream()
        .anyMatch(mark -> mark != Mark.UNPROVEN && mark != Mark.NEEDED)) {
      notable.add(one.brief(one.problem()));
    }
    if (one.tookMicros() >= SLOW_MICROS) {
      slow.add(one.brief(one.problem()));
      slow = new ArrayList<>(slow.stream()
          .sorted(Comparator.comparingLong(CaseRecord::tookMicros).reversed())
          .limit(SLOWEST)
          .toList());
    }
  }

  /** Nothing if hardly anything was told, since it is still in sight. */
  List<Line> lines() {
    List<Line> lines = new ArrayList<>();
    if (told > 1) {
      addBroken(lines);
    }
    addBlocked(lines);
    Stream.of(Mark.WARNED, Mark.FLAKY, Mark.FIXED)
        .forEach(mark -> notable.stream()
            .filter(one -> one.marks().contains(mark))
            .limit(MOST)
            .forEach(one -> lines.add(new Line(mark.word(), named(one), false))));
    if (unproven > 0 && unproven < told) {
      lines.add(new Line(
          "unproven", Amounts.of(unproven, "case") + " passed and checked nothing", false));
    }
    if (told > SLOWEST) {
      slow.forEach(one ->
          lines.add(new Line("slow", Amounts.time(one.tookMicros()) + "  " + named(one), false)));
    }
    return lines;
  }

  private void addBroken(List<Line> lines) {
    List<Likeness.Broken> ran = broken.stream()
        .filter(broken -> broken.one().hasRun())
        .sorted(Comparator.comparingInt(broken -> broken.one().order()))
        .toList();
    ran.stream()
        .limit(MOST)
        .map(Likeness.Broken::one)
        .forEach(one -> lines.add(new Line(one.word(), named(one) + at(one), true)));
    if (ran.size() > MOST) {
      lines.add(new Line("more", Amounts.of(ran.size() - MOST, "case") + ", see the report", true));
    }
    Likeness.among(ran).stream()
        .filter(alike -> alike.cases().size() > 1)
        .limit(MOST_ALIKE)
        .forEach(alike -> lines.add(new Line(
            "alike",
            Amounts.of(alike.cases().size(), "case") + ": " + alike.symptom().sentence(),
            true)));
  }

  /** How many each cause kept from running. */
  private void addBlocked(List<Line> lines) {
    Map<String, Integer> causes = broken.stream()
        .map(Likeness.Broken::one)
        .filter(one -> one.outcome() == Outcome.BLOCKED)
        .collect(Collectors.groupingBy(
            EndText::cause, LinkedHashMap::new, Collectors.summingInt(one -> 1)));
    causes.forEach((cause, count) ->
        lines.add(new Line("blocked", Amounts.of(count, "case") + ": " + cause, true)));
  }

  private static String cause(CaseRecord one) {
    ProblemRecord problem = one.problem();
    return problem == null ? "" : problem.message().lines().findFirst().orElse("");
  }

  private static String named(CaseRecord one) {
    return one.suite() + ": " + one.title();
  }

  private static String at(CaseRecord one) {
    ProblemRecord problem = one.problem();
    return "  at " + (problem == null || problem.at().isEmpty() ? one.place() : problem.at());
  }

  /**
   * A line.
   *
   * @param word what it begins with
   * @param text the rest
   * @param alarming whether it failed
   */
  record Line(String word, String text, boolean alarming) {}
}
