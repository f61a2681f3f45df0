package org.oddlantern.internal.record;

import com.fasterxml.jackson.annotation.JsonProperty;
import java.util.Locale;

/** What else there is to say of a case. */
public enum Mark {
  /** A check of {@code warnUnless} did not hold. */
  @JsonProperty("warned")
  WARNED,
  /** It passed without a check, so it proves nothing. */
  @JsonProperty("unproven")
  UNPROVEN,
  /** It was not selected but makes what a selected case takes. */
  @JsonProperty("needed")
  NEEDED,
  /** The service is known not to keep this promise, and now it did. */
  @JsonProperty("fixed")
  FIXED,
  /** It passed, but not at the first try. */
  @JsonProperty("flaky")
  FLAKY;

  /**
   * The word for it.
   *
   * @return {@code warned}, ...
   */
  public String word() {
    return name().toLowerCase(Locale.ROOT);
  }
}
