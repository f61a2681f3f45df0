package org.oddlantern.internal.record;

import java.util.Locale;
import org.jspecify.annotations.Nullable;

/** How a place of an answer is watched: what of it could change without a case noticing. */
public enum Watch {
  /** No other value would go unnoticed. */
  BY_VALUE,
  /** It must be there and of its kind; another value would go unnoticed. */
  BY_KIND,
  /** Somebody has said that it need not be watched. */
  ON_PURPOSE,
  /** Some changes would be noticed, and some would not. */
  IN_PART,
  /** Nothing that happens to it would be noticed. */
  NOT_AT_ALL;

  /** How journals and reports call it: {@code by value}. */
  public String word() {
    return name().toLowerCase(Locale.ROOT).replace('_', ' ');
  }

  /** Whether it counts as watched. */
  public boolean isWatched() {
    return this == BY_VALUE || this == BY_KIND;
  }

  /** Whether it counts among the places that are to be watched. */
  public boolean counts() {
    return this != ON_PURPOSE;
  }

  /** The one that is called so; null if none is. */
  public static @Nullable Watch of(String word) {
    for (Watch one : values()) {
      if (one.word().equals(word)) {
        return one;
      }
    }
    return null;
  }
}
