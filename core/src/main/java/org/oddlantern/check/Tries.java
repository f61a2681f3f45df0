package org.oddlantern.check;

import java.time.Duration;
import java.util.List;
import java.util.Locale;
import org.oddlantern.evidence.CheckFailed;
import org.oddlantern.evidence.Verdict;
import org.oddlantern.evidence.internal.EvidenceListener;
import org.oddlantern.evidence.internal.Gathering;
import org.oddlantern.evidence.internal.Trying;
import org.oddlantern.http.NoReply;
import org.oddlantern.internal.CurrentCase;
import org.oddlantern.internal.GrowingPause;
import org.oddlantern.internal.TimeLeft;
import org.oddlantern.json.Finding;

/**
 * Tries a piece of a case until it holds or the time is over, with pauses that grow. Only the last try
 * counts, or the one before it if the limit cut the last one off; what the others asked is not recorded. A
 * service that says when to ask again ({@code Retry-After}) is not asked before.
 */
final class Tries implements Trying {

  private static final Duration LEAST = Duration.ofMillis(10);

  private final Duration limit;
  private final EvidenceListener recorder;
  private final GrowingPause pause = new GrowingPause(Duration.ofMillis(25), Duration.ofSeconds(2));
  private final long start = System.nanoTime();
  private final TimeLeft end;
  private int tries;
  private Duration longest = Duration.ZERO;
  private Duration asked = Duration.ZERO;

  Tries(Duration limit) {
    if (limit.isNegative() || limit.isZero()) {
      throw new IllegalArgumentException("a limit is longer than nothing, not " + limit);
    }
    this.limit = limit;
    this.end = TimeLeft.of(limit);
    this.recorder = CurrentCase.part(EvidenceListener.class).orElse(EvidenceListener.NONE);
  }

  <T, X extends Exception> T until(ThrowingSupplier<T, X> piece) throws X {
    int before = recorder.mark();
    AssertionError earlier = null;
    while (true) {
      int mark = recorder.mark();
      Duration begun = elapsed();
      try {
        T value = tried(piece, mark);
        recorder.forget(before, mark);
        recorder.judgedLast(new Verdict(words() + ": held at try " + tries, false, List.of()));
        return value;
      } catch (AssertionError | NoReply e) {
        Duration took = elapsed().minus(begun);
        longest = took.compareTo(longest) > 0 ? took : longest;
        if (earlier != null && e instanceof NoReply && end.isOver()) {
          recorder.forget(mark, recorder.mark());
          end(earlier);
          throw earlier;
        }
        boolean told = recorder.mark() > mark;
        recorder.forget(before, mark);
        asked = recorder.askedToWait(before);
        if (recorder.answering().isAgain() ? !isAgain(told) : !paused()) {
          end(e);
          throw e;
        }
        earlier = e instanceof AssertionError failure ? failure : null;
      }
    }
  }

  private void end(Throwable last) {
    recorder.judgedLast(new Verdict(words(), false, List.of(finding(last))));
  }

  /** A failure ends the try, also where failures are gathered; so does what is due at the end of a case. */
  private <T, X extends Exception> T tried(ThrowingSupplier<T, X> piece, int mark) throws X {
    tries++;
    try (CurrentCase.Binding binding = CurrentCase.adding(Gathering.suspended());
        CurrentCase.Binding left = CurrentCase.adding(end);
        CurrentCase.Binding trying = CurrentCase.adding(this)) {
      T value = piece.done();
      recorder.settledSince(mark).ifPresent(failure -> {
        throw failure;
      });
      return value;
    }
  }

  /** What is given again does not change with time, only with the next answer. */
  private boolean isAgain(boolean told) {
    return told || elapsed().compareTo(limit) < 0 && slept(Duration.ofMillis(1));
  }

  /** Leaves another try twice the time that the longest has taken; none begins that could not end. */
  private boolean paused() {
    Duration left = limit.minus(elapsed());
    Duration twice = longest.multipliedBy(2).plus(LEAST);
    Duration needed = twice.compareTo(limit.dividedBy(2)) < 0 ? twice : limit.dividedBy(2);
    if (!asked.isZero()) {
      return asked.plus(needed).compareTo(left) <= 0 && slept(asked);
    }
    if (tries == 1 && left.compareTo(needed) <= 0) {
      return left.compareTo(LEAST) > 0; // one that was slow by chance is given a second chance
    }
    return left.compareTo(needed) > 0 && pause.slept(left.minus(needed));
  }

  /** A service that says when to come again is not asked before. */
  private static boolean slept(Duration time) {
    return new GrowingPause(time, time).slept(time);
  }

  private Finding finding(Throwable last) {
    Finding finding = Finding.of(
        "the tries",
        "one that holds within " + Durations.words(limit),
        String.format(
            Locale.ROOT,
            tries == 1
                ? "one try, which did not hold, after %2$s"
                : "%d tries, none held; the last after %s",
            tries,
            Durations.words(elapsed())));
    if (!asked.isZero()) {
      finding = finding.hint("the service asked to wait " + Durations.words(asked)
          + " (Retry-After), which is more than was left");
    }
    boolean told = last instanceof CheckFailed || last instanceof NoReply;
    return told ? finding : finding.hint("the last failure: " + last.getMessage());
  }

  private String words() {
    return "within " + Durations.words(limit);
  }

  private Duration elapsed() {
    return Duration.ofNanos(System.nanoTime() - start);
  }
}
