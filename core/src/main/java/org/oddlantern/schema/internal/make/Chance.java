package org.oddlantern.schema.internal.make;

import java.util.List;
import org.oddlantern.payload.Fresh;

/**
 * Where choices come from: values that are new at every run, and the same again by a seed.
 *
 * @param fresh gives them
 */
record Chance(Fresh fresh) {

  /** A number from 0 up to one below a bound. */
  int below(int bound) {
    return (int) fresh.number(0, bound - 1L);
  }

  <T> T pick(List<T> choices) {
    return fresh.pick(choices);
  }

  /** A text of so many characters that was hardly made before. */
  String text(int length) {
    StringBuilder text = new StringBuilder(fresh.text(""));
    while (text.length() < length) {
      text.append(fresh.text(""));
    }
    return text.substring(0, length);
  }
}
