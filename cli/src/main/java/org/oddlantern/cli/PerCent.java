package org.oddlantern.cli;

import org.jspecify.annotations.Nullable;

/** Reads a share that an option takes. */
final class PerCent {

  private PerCent() {}

  /**
   * The number; below 0 if nobody said one.
   *
   * @param option the option
   * @param written what was given to it; null if it was not
   */
  static int of(String option, @Nullable String written) {
    if (written == null) {
      return -1;
    }
    String number = written.endsWith("%") ? written.substring(0, written.length() - 1) : written;
    if (!number.matches("\\d{1,2}|100")) {
      throw new Misuse(option + " takes per cent, from 0 to 100, not " + written);
    }
    return Integer.parseInt(number);
  }
}
