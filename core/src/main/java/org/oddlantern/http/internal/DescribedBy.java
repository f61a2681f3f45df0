package org.oddlantern.http.internal;

/**
 * Where a service is described, and how that counts.
 *
 * @param from a file, or a path of the service itself that begins with a slash
 * @param judge what comes of a call or reply that is not as described
 */
public record DescribedBy(String from, Judge judge) {

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
