package org.oddlantern.internal;

/** Hears what the case at work prints. */
@FunctionalInterface
public interface PrintListener {

  /**
   * Something was printed.
   *
   * @param bytes holds it, in UTF-8; not to be kept
   * @param offset where it begins
   * @param length how long it is
   */
  void printed(byte[] bytes, int offset, int length);
}
