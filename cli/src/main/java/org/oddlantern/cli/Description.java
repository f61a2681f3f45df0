package org.oddlantern.cli;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.plan.CaseDefinition;
import org.oddlantern.internal.plan.CaseMarks;
import org.oddlantern.internal.plan.Planner;
import org.oddlantern.internal.plan.Selection;
import org.oddlantern.internal.plan.SuiteName;
import org.oddlantern.internal.promise.Markdown;
import org.oddlantern.internal.promise.Sentence;
import org.oddlantern.internal.promise.TitledCase;
import org.oddlantern.internal.reports.Amounts;

/**
 * All cases in Markdown and plain sentences: a document that promises every one of them. A title that
 * several cases have stands there once, since they keep one promise together.
 */
record Description(Planner planner) {

  List<String> lines() {
    List<TitledCase> titled = planner.titled();
    List<CaseDefinition> cases = planner.found(Selection.ALL);
    Set<String> titles = new HashSet<>();
    titled.forEach(one -> titles.addAll(keys(one)));
    long suites =
        cases.stream().map(one -> SuiteName.outermost(one.suite())).distinct().count();
    List<String> lines = new ArrayList<>(List.of(
        "# All cases",
        "",
        Amounts.of(cases.size(), "case") + " in " + Amounts.of(suites, "suite")
            + withSamples(titled) + "."));
    Set<String> written = new HashSet<>();
    Class<?> suite = null;
    for (int i = 0; i < cases.size(); i++) {
      CaseDefinition one = cases.get(i);
      if (written.add(Sentence.key(one.titled().text()))) {
        if (!one.suite().equals(suite)) {
          headings(lines, suite, one.suite());
          suite = one.suite();
        }
        item(lines, one, titled.get(i), titles);
      }
    }
    return lines;
  }

  /** How many they are that a run has, if that is another number. */
  private static String withSamples(List<TitledCase> titled) {
    long all =
        titled.stream().mapToLong(one -> Math.max(1, one.samples().size())).sum();
    return all == titled.size() ? "" : ", " + Amounts.of(all, "case") + " with their samples";
  }

  private void item(List<String> lines, CaseDefinition one, TitledCase titled, Set<String> titles) {
    lines.add("- " + Markdown.escaped(one.titled().text()));
    List<String> below = new ArrayList<>(state(one.marks()));
    if (titled.files().size() == 1) {
      below.add("samples: " + Markdown.escaped(titled.files().get(0)));
    }
    below.forEach(paragraph -> lines.addAll(List.of("", "  " + paragraph)));
    for (String step : planner.steps(one)) {
      // what reads like a title would be a promise
      String plain = Markdown.escaped(step);
      lines.add("  - " + (titles.contains(Sentence.key(step)) ? "step: " + plain : plain));
    }
  }

  private static List<String> keys(TitledCase one) {
    List<String> keys = new ArrayList<>(List.of(Sentence.key(one.title())));
    one.samples().forEach(sample -> keys.add(Sentence.key(sample.title())));
    return keys;
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

  private static List<String> state(CaseMarks marks) {
    if (marks.pending()) {
      return List.of("*Pending.*");
    }
    if (!marks.skipped().isEmpty()) {
      return List.of("*Skipped: " + Markdown.escaped(marks.skipped()) + "*");
    }
    return marks.knownFault().isEmpty()
        ? List.of()
        : List.of("*Does not hold yet, see " + Markdown.escaped(marks.knownFault()) + "*");
  }
}
