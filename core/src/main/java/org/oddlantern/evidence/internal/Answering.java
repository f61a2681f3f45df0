package org.oddlantern.evidence.internal;

import java.util.concurrent.Callable;
import org.oddlantern.internal.CurrentCase;

/**
 * How a case comes by answers: somebody is asked for them, or, where the case is done again to see what it
 * would notice, it is told what it was told before and nothing else happens. Thread-safe.
 */
public interface Answering {

  /** Whoever answers is asked each time. */
  Answering LIVE = new Answering() {
    @Override
    public <A> Answered<A> answer(Question<A> question, Callable<A> asking) {
      return Answered.by(asking);
    }
  };

  /**
   * The answer to a question.
   *
   * @param <A> the type of the answer
   * @param question what is asked
   * @param asking asks it
   * @return the answer, or what went wrong instead
   */
  <A> Answered<A> answer(Question<A> question, Callable<A> asking);

  /** Whether the case is done again, so that nothing may be sent, opened, waited for or kept. */
  default boolean isAgain() {
    return false;
  }

  /**
   * Hears of something that must not happen again. Where the case is done again, that is ended.
   *
   * @param what what the case does, in words that go on from <em>it</em>
   */
  default void refuseAgain(String what) {}

  /** That of the case at work; outside of one everybody is asked. */
  static Answering ofCase() {
    return CurrentCase.part(EvidenceListener.class)
        .map(EvidenceListener::answering)
        .orElse(LIVE);
  }
}
