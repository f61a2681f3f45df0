package org.oddlantern.internal.reports;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.Verdict;
import org.oddlantern.internal.record.AskedRecord;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.ExchangeRecord;
import org.oddlantern.internal.record.LogRecord;
import org.oddlantern.internal.record.Outcome;
import org.oddlantern.internal.record.ProblemRecord;
import org.oddlantern.json.Finding;
import org.oddlantern.json.internal.Words;

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
    ProblemRecord thrown = ownException(one);
    if (thrown != null) {
      return ofProblem(thrown);
    }
    for (AskedRecord asked : one.asked()) {
      String fault = asked.fault();
      if (fault != null) {
        return new Symptom("", "", firstLine(fault));
      }
      String said = exception(asked);
      if (!said.isEmpty()) {
        return new Symptom("", "", firstLine("the service logged " + said));
      }
      List<Finding> findings = leading(asked);
      if (!findings.isEmpty()) {
        Finding first = findings.get(0);
        return new Symptom(first.where(), firstLine(first.wanted()), firstLine(first.got()));
      }
    }
    ProblemRecord problem = one.problem();
    if (problem == null) {
      return new Symptom("", "", one.outcome().word());
    }
    return ofProblem(problem);
  }

  /**
   * The first finding of a case that failed, in a line.
   *
   * @param one the case
   * @return {@code $.name: wanted "Heather", got "Foxglove"}; empty if it did not fail by a check
   */
  public static String finding(CaseRecord one) {
    Symptom symptom = of(one);
    if (one.outcome() != Outcome.FAILED || symptom.where().isEmpty()) {
      return "";
    }
    String wanted = symptom.wanted().isEmpty() ? "" : "wanted " + symptom.wanted() + ", ";
    return symptom.where() + ": " + wanted + "got " + symptom.got();
  }

  /** What a service threw on behalf of a call that went wrong; empty if that is not known. */
  private static String exception(AskedRecord asked) {
    LogRecord log = asked instanceof ExchangeRecord exchange ? exchange.log() : null;
    return log != null && log.named() && !leading(asked).isEmpty() ? log.exception() : "";
  }

  /** What broke the case in its own code, which an error status that nobody asked for only followed. */
  private static @Nullable ProblemRecord ownException(CaseRecord one) {
    ProblemRecord problem = one.problem();
    return one.outcome() == Outcome.ERRORED
            && problem != null
            && !problem.type().isEmpty()
        ? problem
        : null;
  }

  private static Symptom ofProblem(ProblemRecord problem) {
    String type = problem.type().replaceAll("^.*\\.", "");
    String message = firstLine(problem.message());
    return new Symptom(
        "", "", type.isEmpty() ? message : message.isEmpty() ? type : type + ": " + message);
  }

  /**
   * What did not hold, for short lists: of a reply with another status than wanted nothing else, since the
   * rest follows from it.
   *
   * @param asked what was asked
   * @return the findings that lead
   */
  public static List<Finding> leading(AskedRecord asked) {
    List<Finding> all = asked.verdicts().stream()
        .filter(verdict -> !verdict.warning())
        .map(Verdict::told)
        .flatMap(List::stream)
        .toList();
    List<Finding> status =
        all.stream().filter(one -> one.where().equals("status")).toList();
    return status.isEmpty() ? all : status;
  }

  /**
   * The findings that a short list tells of a case.
   *
   * @param one the case
   * @return none if it broke in its own code, or without a finding
   */
  public static List<Finding> findings(CaseRecord one) {
    return ownException(one) != null
        ? List.of()
        : one.asked().stream()
            .flatMap(asked -> leading(asked).stream())
            .distinct()
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
