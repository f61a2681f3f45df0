package org.oddlantern.check;

/**
 * A piece of a case without a value; it may throw what it likes.
 *
 * @param <X> the checked exception it may throw
 */
@FunctionalInterface
public interface ThrowingRunnable<X extends Exception> {

  /**
   * Does it.
   *
   * @throws X if it likes
   */
  void done() throws X;
}
