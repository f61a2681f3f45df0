package org.oddlantern.http.internal;

import org.oddlantern.internal.CurrentCase;
import org.oddlantern.internal.described.KnownDescriptions;

/**
 * Where a service is described, and how that counts.
 *
 * @param from a file, or a path of the service itself that begins with a slash
 * @param judge what comes of a call or reply that is not as described
 */
public record DescribedBy(String from, Judge judge) {

  /**
   * One that somebody names; a file must be there and be one.
   *
   * @throws IllegalArgumentException if it is not
   */
  public static DescribedBy found(String description) {
    if (!description.startsWith("/")) {
      KnownDescriptions.current().named(description);
    }
    // the settings say how it counts
    return new DescribedBy(description, CurrentCase.part(Judge.class).orElse(Judge.WARN));
  }

  /** What comes of a call or reply that is not as described. */
  public enum Judge {
    /** Nothing; it is counted. */
    OFF,
    /** The case is marked. */
    WARN,
    /** The case fails. */
    MUST
  }
}
