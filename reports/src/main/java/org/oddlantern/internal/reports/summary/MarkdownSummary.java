package org.oddlantern.internal.reports.summary;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.Counts;
import org.oddlantern.internal.record.ProblemRecord;
import org.oddlantern.internal.reports.Amounts;
import org.oddlantern.internal.reports.Comparison;
import org.oddlantern.internal.reports.Likeness;
import org.oddlantern.internal.reports.RunData;
import org.oddlantern.internal.reports.Symptom;
import org.oddlantern.internal.reports.Trend;
import org.oddlantern.internal.reports.TriedRecipes;
import org.oddlantern.json.Finding;
import org.oddlantern.json.internal.WellFormed;

/**
 * Writes what came of a run as a short Markdown text, for the page of a merge request. What comes from
 * outside stands in code, or is escaped.
 */
public final class MarkdownSummary {

  /** Pages of merge requests cut long texts. */
  private static final int MOST = 20;

  /** All kinds of changes are to fit one screen. */
  private static final int MOST_CHANGES = 6;

  private static final int LONGEST = 300;

  private final List<String> lines = new ArrayList<>();

  private MarkdownSummary() {}

  /**
   * Writes the text.
   *
   * @param run the run
   * @param comparison what is different from an earlier run; null if nobody asked
   * @param file where it goes
   * @throws IOException if it cannot be written
   */
  public static void write(RunData run, @Nullable Comparison comparison, Path file)
      throws IOException {
    MarkdownSummary summary = new MarkdownSummary();
    summary.head(run);
    if (comparison == null) {
      summary.together(run);
    } else {
      summary.changed(comparison, run);
    }
    summary.broken(run);
    summary.suites(run);
    Files.writeString(file, WellFormed.of(String.join("\n", summary.lines)) + "\n");
  }

  private void head(RunData run) {
    line("## " + escaped(run.started().name()));
    line("");
    line("**" + escaped(run.verdict()) + "**");
    line("");
    line("environment " + code(run.started().environment()) + ", took "
        + Amounts.time(run.took()) + ", run " + code(run.started().run()) + ", seed "
        + code(run.started().seed()));
  }

  private void broken(RunData run) {
    List<CaseRecord> broken = run.notPassed();
    if (!broken.isEmpty()) {
      line("");
      line("### What failed");
      line("");
      broken.stream().limit(MOST).map(run::whole).forEach(this::tell);
      more(broken.size());
      alike(run.alike());
    }
    if (!run.problems().isEmpty()) {
      line("");
      line("### Problems of the run");
      line("");
      run.problems().stream().limit(MOST).forEach(problem -> line("- " + escaped(problem)));
      more(run.problems().size());
    }
    if (!run.leftBehind().isEmpty()) {
      line("");
      line("### Left behind");
      line("");
      run.leftBehind().stream()
          .limit(MOST)
          .forEach(left -> line("- " + code(left.deed()) + ": " + escaped(left.problem())));
      more(run.leftBehind().size());
    }
  }

  /** What is told of all cases together. */
  private void together(RunData run) {
    if (!run.promises().documents().isEmpty()) {
      line("");
      line("Promises: " + escaped(run.promises().sentence()) + ".");
    }
    if (!run.examined().isEmpty()) {
      line("");
      line("Blind spots: " + escaped(run.examined().sentence()) + ".");
    }
    if (!run.described().isEmpty()) {
      line("");
      line("Description: " + escaped(run.described().sentence()) + ".");
    }
    for (TriedRecipes.Told one : run.recipes().told()) {
      line("");
      line(one.kind() + ": " + escaped(one.sentence()) + ".");
    }
  }

  private void alike(List<Likeness> all) {
    List<Likeness> alike =
        all.stream().filter(one -> one.cases().size() > 1).limit(MOST).toList();
    if (!alike.isEmpty()) {
      line("");
      line("Alike:");
      line("");
      alike.forEach(one -> line("- " + Amounts.of(one.cases().size(), "case") + ": "
          + code(one.symptom().sentence())));
    }
  }

  private void tell(CaseRecord one) {
    ProblemRecord problem = one.problem();
    String at = problem == null || problem.at().isEmpty() ? one.place() : problem.at();
    line("- **" + one.word() + "** " + escaped(one.suite()) + ": " + escaped(one.title()) + ", "
        + code(at));
    List<Finding> findings = Symptom.findings(one).stream().limit(3).toList();
    for (Finding finding : findings) {
      line("  - at " + code(finding.where()) + " wanted " + code(finding.wanted()) + ", got "
          + code(finding.got()));
    }
    if (findings.isEmpty() && problem != null) {
      line("  - " + code(problem.message()));
    }
  }

  /** In one screen, before all else: a merge request is about what it changes. */
  private void changed(Comparison comparison, RunData run) {
    RunData before = comparison.before();
    line("");
    line("### What changed since run " + code(before.started().run()));
    line("");
    line("| | then | now |");
    line("|---|---|---|");
    trend("cases", before.verdict(), run.verdict());
    Trend then = Trend.of(before);
    Trend now = Trend.of(run);
    trend("promises", then.promises(), now.promises());
    trend("blind spots", then.blindSpots(), now.blindSpots());
    trend("description", then.description(), now.description());
    if (comparison.isEmpty()) {
      line("");
      line("No case ended otherwise than then.");
    }
    changes(
        "Newly broken",
        comparison.newlyBroken().stream()
            .map(one -> named(one) + ", " + one.word())
            .toList());
    changes("Mended", comparison.mended().stream().map(MarkdownSummary::named).toList());
    changes("New", comparison.added().stream().map(MarkdownSummary::named).toList());
    changes("Gone", comparison.gone());
    changes(
        "Slower",
        comparison.slower().stream()
            .map(slow -> named(slow.one()) + ", " + Amounts.time(slow.micros()) + " then, "
                + Amounts.time(slow.one().tookMicros()) + " now")
            .toList());
  }

  private void trend(String what, String then, String now) {
    if (!then.isEmpty() || !now.isEmpty()) {
      line("| " + what + " | " + escaped(then) + " | "
          + (now.equals(then) ? "the same" : escaped(now)) + " |");
    }
  }

  private void changes(String heading, List<String> changes) {
    if (!changes.isEmpty()) {
      line("");
      line("**" + heading + ": " + Amounts.of(changes.size(), "case") + "**");
      line("");
      changes.stream().limit(MOST_CHANGES).forEach(change -> line("- " + escaped(change)));
      if (changes.size() > MOST_CHANGES) {
        line("- and " + (changes.size() - MOST_CHANGES) + " more");
      }
    }
  }

  private static String named(CaseRecord one) {
    return one.suite() + ": " + one.title();
  }

  private void suites(RunData run) {
    line("");
    line("| suite | cases | passed | failed | other |");
    line("|---|---:|---:|---:|---:|");
    run.bySuite().values().forEach(cases -> {
      Counts counts = Counts.of(cases);
      int other = counts.all() - counts.passed() - counts.broken();
      line("| " + escaped(cases.get(0).suite()) + " | " + counts.all() + " | " + counts.passed()
          + " | " + counts.broken() + " | " + other + " |");
    });
  }

  private void more(int all) {
    if (all > MOST) {
      line("- and " + (all - MOST) + " more");
    }
  }

  private void line(String text) {
    lines.add(text);
  }

  /** Text that means nothing to Markdown or HTML (CommonMark, section 2.4). */
  private static String escaped(String text) {
    return cut(text).replaceAll("[\\\\`*_{}\\[\\]()#+!|<>~&@]", "\\\\$0");
  }

  /** Inside as many backticks as needed (CommonMark, section 6.1). */
  private static String code(String text) {
    String cut = cut(text);
    String fence = "`";
    while (cut.contains(fence)) {
      fence += "`";
    }
    String gap = cut.startsWith("`") || cut.endsWith("`") ? " " : "";
    return cut.isBlank() ? "(nothing)" : fence + gap + cut + gap + fence;
  }

  private static String cut(String text) {
    String line = text.replaceAll("\\p{Cntrl}+", " ").strip();
    return line.length() <= LONGEST ? line : line.substring(0, LONGEST) + "...";
  }
}
