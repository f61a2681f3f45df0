package org.oddlantern.check;

import java.time.Duration;
import java.util.List;
import org.oddlantern.http.NoReply;
import org.oddlantern.http.NotAsPromised;
import org.oddlantern.http.Verdict;
import org.oddlantern.http.internal.CaseRecorder;
import org.oddlantern.http.internal.Gathering;
import org.oddlantern.internal.CurrentCase;
import org.oddlantern.internal.GrowingPause;
import org.oddlantern.json.Finding;

/**
 * Tries a piece of a case until it holds or the time is over, with pauses that grow. Only the last try
 * counts: what the others asked is not recorded.
 */
final class Tries {

  private final Duration limit;
  private final CaseRecorder recorder;
  private final GrowingPause pause = new GrowingPause(Duration.ofMillis(25), Duration.ofSeconds(2));
  private final long start = System.nanoTime();
  private int tries;

  Tries(Duration limit) {
    if (limit.isNegative() || limit.isZero()) {
      throw new IllegalArgumentException("a limit is longer than nothing, not " + limit);
    }
    this.limit = limit;
    this.recorder = CurrentCase.part(CaseRecorder.class).orElse(CaseRecorder.NONE);
  }

  <T, X extends Exception> T until(Piece<T, X> piece) throws X {
    while (true) {
      int mark = recorder.mark();
      boolean last = elapsed().compareTo(limit) >= 0;
      try {
        T value = tried(piece);
        recorder.judgedLast(new Verdict(words() + ": held at try " + tries, false, List.of()));
        return value;
      } catch (AssertionError | NoReply e) {
        if (last || !pause.slept(left())) {
          recorder.judgedLast(new Verdict(words(), false, List.of(finding(e))));
          throw e;
        }
        recorder.forget(mark);
      }
    }
  }

  /** A failure ends the try, also where failures are gathered. */
  private <T, X extends Exception> T tried(Piece<T, X> piece) throws X {
    tries++;
    try (CurrentCase.Binding binding = CurrentCase.adding(Gathering.suspended())) {
      return piece.done();
    }
  }

  private Finding finding(Throwable last) {
    Finding finding = Finding.of(
        "the tries",
        "one that holds within " + Durations.words(limit),
        "%d tries, none held; the last after %s".formatted(tries, Durations.words(elapsed())));
    boolean told = last instanceof NotAsPromised || last instanceof NoReply;
    return told ? finding : finding.hint("the last failure: " + last.getMessage());
  }

  private String words() {
    return "within " + Durations.words(limit);
  }

  private Duration elapsed() {
    return Duration.ofNanos(System.nanoTime() - start);
  }

  /** The last try comes when the time is over, not before. */
  private Duration left() {
    Duration left = limit.minus(elapsed());
    return left.isNegative() ? Duration.ZERO : left;
  }
}
