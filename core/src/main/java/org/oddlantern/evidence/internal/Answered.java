package org.oddlantern.evidence.internal;

import java.time.Duration;
import java.time.Instant;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;

/**
 * What came of asking.
 *
 * @param <A> the type of the answer
 * @param given the answer; null if something went wrong
 * @param failure what went wrong; null if there is an answer
 * @param at when it was asked; by this one object what is recorded of the answer is known
 * @param took from then until the answer was there, or until it went wrong
 */
public record Answered<A>(
    @Nullable A given, @Nullable Exception failure, Instant at, Duration took) {

  /**
   * Asks.
   *
   * @param <A> the type of the answer
   * @param asking asks
   * @return what came of it; errors are thrown
   */
  public static <A> Answered<A> by(Callable<A> asking) {
    Instant at = Instant.now();
    long nanos = System.nanoTime();
    try {
      return new Answered<>(asking.call(), null, at, since(nanos));
    } catch (Exception e) {
      return new Answered<>(null, e, at, since(nanos));
    }
  }

  /**
   * The answer.
   *
   * @param <X> what may have gone wrong, besides what need not be declared
   * @param expected its type
   * @return the answer
   * @throws X if that went wrong
   */
  public <X extends Exception> A orThrow(Class<X> expected) throws X {
    if (given != null) {
      return given;
    }
    if (expected.isInstance(failure)) {
      throw expected.cast(failure);
    }
    if (failure instanceof RuntimeException unchecked) {
      throw unchecked;
    }
    throw new IllegalStateException("it gave no answer: " + failure, failure);
  }

  /** The answer, where nothing but what need not be declared can go wrong. */
  public A orThrow() {
    return orThrow(RuntimeException.class);
  }

  private static Duration since(long nanos) {
    return Duration.ofNanos(System.nanoTime() - nanos);
  }
}
