package org.oddlantern.internal.record;

import java.util.Locale;

/** What else there is to say of a case. */
public enum Mark {
  /** A check of {@code warnUnless} did not hold. */
  WARNED,
  /** It passed without a check, so it proves nothing. */
  UNPROVEN,
  /** It was not selected but makes what a selected case takes. */
  NEEDED,
  /** The service is known not to do this, and now it did. */
  FIXED,
  /** It passed, but not at the first try. */
  FLAKY,
  /** Something it sent or got is not as the description of the service says. */
  UNDESCRIBED;

  /**
   * The word for it.
   *
   * @return {@code warned}, ...
   */
  public String word() {
    return name().toLowerCase(Locale.ROOT);
  }
}
