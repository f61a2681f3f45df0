package org.oddlantern.reports;

import java.util.List;
import org.oddlantern.http.Verdict;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Words;
import org.oddlantern.run.AskedRecord;
import org.oddlantern.run.CaseRecord;
import org.oddlantern.run.ProblemRecord;

/**
 * The first thing that was wrong in a broken case, in short.
 *
 * @param where the place in what came; empty if there is none
 * @param wanted what was asked for; empty if there is no place, or if that differs
 * @param got what was there instead, or what ended the case; one line
 */
public record Symptom(String where, String wanted, String got) {

  /**
   * What was wrong first.
   *
   * @param one a case that did not pass of itself
   * @return an answer that did not come, else what a check found, else what was thrown
   */
  public static Symptom of(CaseRecord one) {
    for (AskedRecord asked : one.asked()) {
      String fault = asked.fault();
      if (fault != null) {
        return new Symptom("", "", firstLine(fault));
      }
      List<Finding> findings = findings(asked);
      if (!findings.isEmpty()) {
        Finding first = findings.get(0);
        return new Symptom(first.where(), firstLine(first.wanted()), firstLine(first.got()));
      }
    }
    ProblemRecord problem = one.problem();
    if (problem == null) {
      return new Symptom("", "", one.outcome().word());
    }
    String type = problem.type().replaceAll("^.*\\.", "");
    String message = firstLine(problem.message());
    return new Symptom(
        "", "", type.isEmpty() ? message : message.isEmpty() ? type : type + ": " + message);
  }

  private static List<Finding> findings(AskedRecord asked) {
    return asked.verdicts().stream()
        .filter(verdict -> !verdict.warning())
        .map(Verdict::findings)
        .flatMap(List::stream)
        .toList();
  }

  private static String firstLine(String text) {
    return Words.cut(text.lines().findFirst().orElse("").strip());
  }

  /** The same for all list items, whatever was wanted there; where no place is known, for all numbers. */
  Symptom general() {
    return where.isEmpty()
        ? new Symptom("", "", got.replaceAll("\\d+", "0"))
        : new Symptom(where.replaceAll("\\[\\d+]", "[*]"), "", got);
  }

  /**
   * In words, without the place.
   *
   * @return {@code wanted a whole number, got "4" (text)}, or what ended the case
   */
  public String words() {
    String told = where.isEmpty() ? got : "got " + got;
    return wanted.isEmpty() ? told : "wanted " + wanted + ", " + told;
  }

  /**
   * In a sentence.
   *
   * @return {@code at $.items[*].frames got "4" (text)}
   */
  public String sentence() {
    return where.isEmpty() ? words() : "at " + where + " " + words();
  }
}
