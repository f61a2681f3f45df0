package org.oddlantern.internal.run;

import java.io.PrintWriter;
import java.io.StringWriter;
import java.util.Arrays;
import java.util.concurrent.CompletionException;
import java.util.concurrent.ExecutionException;
import java.util.stream.Collectors;
import org.oddlantern.config.SettingsProblem;
import org.oddlantern.database.DatabaseProblem;
import org.oddlantern.evidence.CheckFailed;
import org.oddlantern.http.NoReply;
import org.oddlantern.http.NotSent;
import org.oddlantern.internal.mask.Masker;
import org.oddlantern.internal.record.Outcome;
import org.oddlantern.internal.record.ProblemRecord;
import org.oddlantern.schema.SchemaProblem;

/** Turns what a case threw into an outcome and a problem that explains itself. */
final class Thrown {

  private static final int STACK_LINES = 60;
  private static final String LIMIT = Lane.TimeLimitPassed.class.getName() + ": ";
  private static final String RUNNER = "at " + Lane.class.getPackageName() + ".";

  private Thrown() {}

  static Attempt attempt(Throwable caught, Class<?> suite, Masker masker) {
    Throwable thrown = ownCause(caught);
    Outcome outcome = thrown instanceof AssertionError ? Outcome.FAILED : Outcome.ERRORED;
    return new Attempt(outcome, null, problem(thrown, suite, masker));
  }

  /** A check that failed in another thread comes wrapped to whoever waits for that. */
  private static Throwable ownCause(Throwable caught) {
    Throwable cause = caught.getCause();
    boolean wrapped = caught instanceof ExecutionException || caught instanceof CompletionException;
    return wrapped && cause instanceof AssertionError ? cause : caught;
  }

  private static ProblemRecord problem(Throwable thrown, Class<?> suite, Masker masker) {
    String message = thrown instanceof CheckFailed checks
        ? checks.message(masker::verdict)
        : thrown.getMessage() == null ? "" : thrown.getMessage();
    boolean selfExplaining = thrown instanceof CheckFailed
        || thrown instanceof NoReply
        || thrown instanceof DatabaseProblem
        || thrown instanceof Lane.TimeLimitPassed
        || thrown instanceof SchemaProblem
        || thrown instanceof SettingsProblem;
    return new ProblemRecord(
        selfExplaining ? "" : thrown.getClass().getSimpleName(),
        message,
        at(thrown, suite),
        selfExplaining && !(thrown instanceof Lane.TimeLimitPassed) || thrown instanceof NotSent
            ? ""
            : stack(thrown));
  }

  /** The innermost line that belongs to the file of the suite. */
  static String at(Throwable thrown, Class<?> suite) {
    String top = suite.getName().replaceAll("\\$.*", "");
    return Arrays.stream(thrown.getStackTrace())
        .filter(
            frame -> frame.getClassName().equals(top) || frame.getClassName().startsWith(top + "$"))
        .findFirst()
        .map(frame -> frame.getFileName() + ":" + frame.getLineNumber())
        .orElse("");
  }

  private static String stack(Throwable thrown) {
    StringWriter text = new StringWriter();
    thrown.printStackTrace(new PrintWriter(text));
    return text.toString()
        .lines()
        .map(line -> line.startsWith(LIMIT) ? line.substring(LIMIT.length()) : line)
        .map(line -> line.replaceFirst("(?<=\\tat )[\\w.@-]*/+(?=[\\w.$]+\\()", ""))
        .takeWhile(line -> !line.contains(RUNNER))
        .filter(line -> !line.contains("jdk.internal.reflect")
            && !line.contains("java.lang.reflect.Method.invoke"))
        .limit(STACK_LINES)
        .collect(Collectors.joining("\n"));
  }
}
