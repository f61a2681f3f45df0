package org.oddlantern.check;

/**
 * A piece of a case that gives a value; it may throw what it likes.
 *
 * @param <T> the type of the value
 * @param <X> the checked exception it may throw
 */
@FunctionalInterface
public interface ThrowingSupplier<T, X extends Exception> {

  /**
   * Does it.
   *
   * @return the value
   * @throws X if it likes
   */
  T done() throws X;
}
