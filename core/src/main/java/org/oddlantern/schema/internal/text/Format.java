package org.oddlantern.schema.internal.text;

import java.util.function.Predicate;
import java.util.function.UnaryOperator;

/**
 * A format: how a text is written.
 *
 * @param words the format in words, as they follow "wanted"
 * @param test tells whether a text is written so
 * @param advice what may help with a text that is not; an empty text if nothing comes to mind
 */
public record Format(String words, Predicate<String> test, UnaryOperator<String> advice) {

  static Format of(String words, Predicate<String> test) {
    return new Format(words, test, text -> "");
  }

  /** Whether a text is written so. */
  public boolean accepts(String text) {
    return test.test(text);
  }

  /** What may help with a text that is not written so. */
  public String hint(String text) {
    return advice.apply(text);
  }
}
