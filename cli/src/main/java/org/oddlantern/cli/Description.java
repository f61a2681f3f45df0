package org.oddlantern.cli;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.plan.CaseDefinition;
import org.oddlantern.internal.plan.CaseMarks;
import org.oddlantern.internal.plan.Plan;
import org.oddlantern.internal.plan.PlannedCase;
import org.oddlantern.internal.plan.Planner;
import org.oddlantern.internal.reports.Amounts;

/** The cases of a plan, in Markdown and plain sentences. */
record Description(Planner planner, Plan plan) {

  List<String> lines() {
    List<CaseDefinition> cases =
        plan.cases().stream().map(PlannedCase::definition).toList();
    long suites = cases.stream().map(one -> top(one.suite())).distinct().count();
    List<String> lines = new ArrayList<>(List.of(
        "# All cases",
        "",
        Amounts.of(cases.size(), "case") + " in " + Amounts.of(suites, "suite") + "."));
    Class<?> suite = null;
    for (CaseDefinition one : cases) {
      if (!one.suite().equals(suite)) {
        headings(lines, suite, one.suite());
        suite = one.suite();
      }
      lines.add("- " + escaped(one.title()) + state(one.marks()));
      planner.steps(one).forEach(step -> lines.add("  - " + escaped(step)));
    }
    return lines;
  }

  private static void headings(List<String> lines, @Nullable Class<?> before, Class<?> suite) {
    Class<?> outer = suite.getEnclosingClass();
    if (outer != null && (before == null || !isWithin(before, outer))) {
      headings(lines, before, outer);
    }
    int depth = 2;
    for (Class<?> each = outer; each != null; each = each.getEnclosingClass()) {
      depth++;
    }
    lines.addAll(List.of("", "#".repeat(depth) + " " + words(suite), ""));
  }

  private static boolean isWithin(Class<?> type, Class<?> outer) {
    for (Class<?> each = type; each != null; each = each.getEnclosingClass()) {
      if (each.equals(outer)) {
        return true;
      }
    }
    return false;
  }

  private static Class<?> top(Class<?> type) {
    Class<?> top = type;
    while (top.getEnclosingClass() != null) {
      top = top.getEnclosingClass();
    }
    return top;
  }

  /** {@code HiveRegisterTest} as "Hive register". */
  static String words(Class<?> suite) {
    String name = suite.getSimpleName().replaceAll("(?<=.)Tests?$", "");
    String spaced = name.replaceAll("(?<=[a-z0-9])(?=[A-Z])|(?<=[A-Z])(?=[A-Z][a-z])", " ");
    StringBuilder words = new StringBuilder();
    for (String word : spaced.split(" ", -1)) {
      boolean shout = word.length() > 1 && word.equals(word.toUpperCase(Locale.ROOT));
      words.append(words.isEmpty() || shout ? word : " " + word.toLowerCase(Locale.ROOT));
      if (shout && words.length() > word.length()) {
        words.insert(words.length() - word.length(), ' ');
      }
    }
    return words.toString();
  }

  private static String state(CaseMarks marks) {
    if (marks.pending()) {
      return " *(pending)*";
    }
    if (!marks.skipped().isEmpty()) {
      return " *(skipped: " + escaped(marks.skipped()) + ")*";
    }
    return marks.knownFault().isEmpty()
        ? ""
        : " *(does not hold yet, see " + escaped(marks.knownFault()) + ")*";
  }

  /** Text that means nothing to Markdown (CommonMark, section 2.4). */
  private static String escaped(String text) {
    return text.replaceAll("\\s+", " ").replaceAll("[\\\\`*_{}\\[\\]<>#|]", "\\\\$0");
  }
}
