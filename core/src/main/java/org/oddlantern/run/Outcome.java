package org.oddlantern.run;

import com.fasterxml.jackson.annotation.JsonProperty;
import java.util.Locale;

/** How a case ended. */
public enum Outcome {
  /** Every check held. */
  @JsonProperty("passed")
  PASSED,
  /** A check did not hold, or a reading found nothing. */
  @JsonProperty("failed")
  FAILED,
  /** Something went wrong that is no answer of the service: no reply, an exception. */
  @JsonProperty("errored")
  ERRORED,
  /** It did not run, since a case whose value it takes did not pass. */
  @JsonProperty("blocked")
  BLOCKED;

  /**
   * The word for it.
   *
   * @return {@code passed}, ...
   */
  public String word() {
    return name().toLowerCase(Locale.ROOT);
  }
}
