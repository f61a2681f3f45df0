package org.oddlantern.internal.run;

import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.internal.Answered;
import org.oddlantern.evidence.internal.Answering;
import org.oddlantern.evidence.internal.Question;

/**
 * Tells a case again what it was told: each question its answer, equal questions theirs in order. Nothing is
 * asked of anybody. Of one replay; thread-safe.
 */
final class Retelling implements Answering {

  private final Script script;
  private final int changed;
  private final @Nullable Object other;
  private final BitSet used = new BitSet();
  private final Map<Integer, Question<?>> asked = new TreeMap<>();
  private String trouble = "";

  private Retelling(Script script, int changed, @Nullable Object other) {
    this.script = script;
    this.changed = changed;
    this.other = other;
  }

  @Override
  public boolean isAgain() {
    return true;
  }

  /** Whether one of the answers is another than it was. */
  boolean isChanged() {
    return changed >= 0;
  }

  @Override
  public synchronized <A> Answered<A> answer(Question<A> question, Callable<A> asking) {
    int index = script.index(question, used, isChanged());
    if (index < 0) {
      throw ended(
          question.kind() == Question.Kind.GIVEN
              ? "it needed something of the run that it had not needed before"
              : "it asked for " + question.text() + ", which it had not asked for");
    }
    used.set(index);
    asked.put(index, question);
    return answered(question, index);
  }

  private <A> Answered<A> answered(Question<A> question, int index) {
    Answered<?> before = script.entries.get(index).answered;
    Object given = index == changed ? other : before.given();
    return new Answered<>(
        given == null ? null : question.type().cast(given),
        index == changed ? null : before.failure(),
        before.at(),
        before.took());
  }

  @Override
  public void refuseAgain(String what) {
    throw ended("it " + what);
  }

  /** Ends the replay, since it cannot go on or need not. */
  synchronized Ended ended(String why) {
    if (trouble.isEmpty()) {
      trouble = why;
    }
    return new Ended(why);
  }

  /** Why it was ended; empty if it was not. */
  synchronized String trouble() {
    return trouble;
  }

  /** What was asked, by the number of the answer that it was given. */
  synchronized Map<Integer, Question<?>> asked() {
    return Map.copyOf(asked);
  }

  /** The first question that was not asked again; null if all were. */
  synchronized @Nullable Question<?> unasked() {
    for (int i = used.nextClearBit(0); i < script.entries.size(); i = used.nextClearBit(i + 1)) {
      if (script.entries.get(i).isAsked()) {
        return script.entries.get(i).question;
      }
    }
    return null;
  }

  /** Ends a replay; no waiting, trying or gathering of failures holds it up. */
  static final class Ended extends Error {
    private static final long serialVersionUID = 1L;

    Ended(String why) {
      super(why, null, false, false);
    }
  }

  /** All answers, to be told any number of times. Immutable. */
  static final class Script {
    private final List<Tape.Entry> entries;
    private final Map<String, int[]> byText = new HashMap<>();
    private final Map<String, int[]> byFamily = new HashMap<>();

    Script(List<Tape.Entry> entries) {
      this.entries = entries;
      for (int i = 0; i < entries.size(); i++) {
        Question<?> question = entries.get(i).question;
        byText.merge(question.kind() + question.text(), new int[] {i}, Script::joined);
        if (!question.family().isEmpty()) {
          byFamily.merge(question.kind() + question.family(), new int[] {i}, Script::joined);
        }
      }
    }

    /** All answers as they were. */
    Retelling unchanged() {
      return new Retelling(this, -1, null);
    }

    /** All answers but one as they were. */
    Retelling with(int changed, Object other) {
      return new Retelling(this, changed, other);
    }

    List<Tape.Entry> entries() {
      return entries;
    }

    private static int[] joined(int[] some, int[] more) {
      int[] all = Arrays.copyOf(some, some.length + more.length);
      System.arraycopy(more, 0, all, some.length, more.length);
      return all;
    }

    /** The answer to a question; one of its family if another may do; below 0 if there is none. */
    private int index(Question<?> question, BitSet used, boolean another) {
      int[] equal = byText.getOrDefault(question.kind() + question.text(), new int[0]);
      int index = unused(equal, used);
      if (index < 0 && question.kind() == Question.Kind.GIVEN && equal.length > 0) {
        return equal[equal.length - 1];
      }
      return index < 0 && another && !question.family().isEmpty()
          ? unused(byFamily.getOrDefault(question.kind() + question.family(), new int[0]), used)
          : index;
    }

    private static int unused(int[] some, BitSet used) {
      for (int one : some) {
        if (!used.get(one)) {
          return one;
        }
      }
      return -1;
    }
  }
}
