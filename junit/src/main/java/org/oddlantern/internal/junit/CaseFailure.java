package org.oddlantern.internal.junit;

import java.util.List;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.oddlantern.evidence.Verdict;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.ProblemRecord;
import org.oddlantern.internal.reports.Symptom;
import org.oddlantern.internal.reports.console.CaseText;
import org.oddlantern.internal.reports.folder.RunFolder;
import org.oddlantern.json.Finding;
import org.opentest4j.AssertionFailedError;

/**
 * A check that did not hold, for whoever shows what was expected beside what came. Made of a record, so
 * secrets are hidden.
 */
final class CaseFailure {

  private CaseFailure() {}

  /**
   * What a build or an editor shows of a case.
   *
   * @param one the case
   * @param folder where the run writes
   * @return what is thrown, as it were, where the case stood
   */
  static Throwable of(CaseRecord one, RunFolder folder) {
    ProblemRecord problem = one.problem();
    String message = problem == null
        ? one.outcome().word()
        : (problem.type().isEmpty() ? "" : problem.type() + ": ") + problem.message();
    Throwable thrown = switch (one.outcome()) {
      case FAILED -> failure(one, whole(one, message, folder));
      case BLOCKED -> new CaseProblem("blocked: " + message);
      case INTERRUPTED -> new CaseProblem("interrupted: " + message);
      default -> new CaseProblem(whole(one, message, folder));
    };
    thrown.setStackTrace(stack(one));
    return thrown;
  }

  /** The first line says what is wrong, since lists show no more; then follows all that is known. */
  private static String whole(CaseRecord one, String message, RunFolder folder) {
    String finding = Symptom.finding(one);
    StringBuilder text = new StringBuilder(finding.isEmpty() ? message.stripTrailing() : finding);
    text.append("\n  ").append(one.title());
    CaseText.asked(one, folder.path()).forEach(line -> text.append("\n  ").append(line));
    return text.append("\n  report    ")
        .append(folder.report().resolve("index.html"))
        .toString();
  }

  private static Throwable failure(CaseRecord one, String message) {
    List<Finding> findings = one.exchanges().stream()
        .flatMap(exchange -> exchange.verdicts().stream())
        .filter(verdict -> !verdict.holds() && !verdict.warning())
        .map(Verdict::told)
        .flatMap(List::stream)
        .toList();
    return findings.isEmpty()
        ? new AssertionFailedError(message)
        : new AssertionFailedError(
            message, told(findings, Finding::wanted), told(findings, Finding::got));
  }

  /** One side of all findings, place by place, so that the sides can be laid beside each other. */
  private static String told(List<Finding> findings, Function<Finding, String> side) {
    return findings.size() == 1
        ? side.apply(findings.get(0))
        : findings.stream()
            .map(finding -> finding.where() + "  " + side.apply(finding))
            .collect(Collectors.joining("\n"));
  }

  /** The one line that matters: of the suite where it happened, or where the case stands. */
  private static StackTraceElement[] stack(CaseRecord one) {
    ProblemRecord problem = one.problem();
    String at = problem == null || problem.at().isEmpty() ? one.place() : problem.at();
    int colon = at.lastIndexOf(':');
    String digits = at.substring(colon + 1);
    if (colon < 0 || !digits.matches("\\d{1,9}")) {
      return new StackTraceElement[0];
    }
    String suite = one.type();
    String method = one.id().replaceAll("^.*?#", "").replaceAll("[@\\[].*", "");
    return new StackTraceElement[] {
      new StackTraceElement(suite, method, at.substring(0, colon), Integer.parseInt(digits))
    };
  }
}
