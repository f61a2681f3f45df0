package org.oddlantern.evidence.internal;

import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import org.oddlantern.evidence.CheckFailed;
import org.oddlantern.evidence.Verdict;
import org.oddlantern.json.Secret;

/**
 * Hears what is asked of evidence in a case. Called from the thread that does it, which need not be the
 * one that runs the case; must not throw.
 */
public interface EvidenceListener {

  /** Hears nothing: what is used outside a run. */
  EvidenceListener NONE = new EvidenceListener() {};

  /** Why nothing more can be done for the case; empty while it lasts. */
  default String whyEnded() {
    return "";
  }

  /** How the case comes by answers. */
  default Answering answering() {
    return Answering.LIVE;
  }

  /** A call or a query has ended, with an answer or without. */
  default void ended(Asked asked) {}

  /** Checks were made on an answer. */
  default void judged(Asked asked, List<Verdict> verdicts) {}

  /** Where the record stands now; for {@link #forget}. */
  default int mark() {
    return 0;
  }

  /** What was recorded from one mark to another does not count: it was one of several tries. */
  default void forget(int from, int to) {}

  /**
   * Asks for what is due of everything recorded since the mark.
   *
   * @return what does not hold; empty if all does
   */
  default Optional<CheckFailed> settledSince(int mark) {
    return Optional.empty();
  }

  /** How long replies recorded since the mark asked to wait before the next call; zero if none did. */
  default Duration askedToWait(int from) {
    return Duration.ZERO;
  }

  /** A verdict on several tries, which belongs to the last thing recorded and proves nothing itself. */
  default void judgedLast(Verdict verdict) {}

  /**
   * Verdicts that are due at the end of the case.
   *
   * @return whether somebody will ask for them; if not, they are due at once
   */
  default boolean owes(Asked asked, Supplier<List<Verdict>> atEnd) {
    return false;
  }

  /** Something was looked for in a reply and is not there, in a sentence. */
  default void missed(String sentence) {}

  /** A secret is in use, which from now on must not be shown. */
  default void secret(Secret secret) {}
}
