package org.oddlantern.internal;

/** Refuses null with a sentence, where a suite gives something that must be there. */
public final class Needed {

  private Needed() {}

  /**
   * Refuses null.
   *
   * @param given what a suite gave
   * @param what the method and which of its arguments it is, as in {@code at(path, shape): path}
   */
  public static void of(Object given, String what) {
    if (given == null) {
      throw new NullPointerException(what + " must not be null");
    }
  }
}
