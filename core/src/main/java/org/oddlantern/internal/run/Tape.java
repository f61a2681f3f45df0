package org.oddlantern.internal.run;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import org.oddlantern.evidence.internal.Answered;
import org.oddlantern.evidence.internal.Answering;
import org.oddlantern.evidence.internal.Question;
import org.oddlantern.http.internal.WireReply;

/**
 * Asks whoever answers, and keeps in memory what came, unmasked: what a case was told, in order, so that it
 * can be told again. Of one attempt of a case; thread-safe.
 */
final class Tape implements Answering {

  private static final long MOST = Math.min(16L << 20, Runtime.getRuntime().maxMemory() / 64);

  private final List<Entry> entries = new ArrayList<>();
  private long bytes;
  private boolean ended;
  private String refused = "";

  @Override
  public <A> Answered<A> answer(Question<A> question, Callable<A> asking) {
    Answered<A> came = Answered.by(asking);
    keep(new Entry(question, came));
    return came;
  }

  private synchronized void keep(Entry entry) {
    if (ended) {
      return;
    }
    bytes += entry.answered.given() instanceof WireReply reply ? 500 + reply.body().length : 500;
    if (isTooLarge()) {
      entries.clear();
    } else {
      entries.add(entry);
    }
  }

  @Override
  public synchronized void refuseAgain(String what) {
    if (!ended && refused.isEmpty()) {
      refused = what;
    }
  }

  /** What it does that must not happen again, in words that go on from <em>it</em>; empty if nothing. */
  synchronized String refused() {
    return refused;
  }

  /** Whether so much came that it is not kept. */
  synchronized boolean isTooLarge() {
    return bytes > MOST;
  }

  /** All that came; what comes later is not kept. */
  synchronized List<Entry> ended() {
    ended = true;
    return List.copyOf(entries);
  }

  /** A question with its answer. Compared by identity. */
  static final class Entry {
    final Question<?> question;
    final Answered<?> answered;

    Entry(Question<?> question, Answered<?> answered) {
      this.question = question;
      this.answered = answered;
    }

    /** Whether something was sent for it, so that it must be asked again. */
    boolean isAsked() {
      return question.kind() != Question.Kind.GIVEN;
    }
  }
}
