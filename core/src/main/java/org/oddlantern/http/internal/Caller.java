package org.oddlantern.http.internal;

import java.util.HexFormat;
import java.util.List;
import java.util.concurrent.ThreadLocalRandom;
import org.oddlantern.evidence.Header;

/**
 * Whose calls some are: what a service may pass on, so that what it does for them can be found again.
 *
 * @param marker run and case
 * @param trace the trace that all of them belong to: 32 hexadecimal digits (W3C Trace Context, level 1)
 */
public record Caller(String marker, String trace) {

  /** The header in which a trace travels. */
  public static final String HEADER = "traceparent";

  /** The lengths of version, trace, parent and flags; a later version may have more. */
  private static final int[] PARTS = {2, 32, 16, 2};

  /**
   * An attempt of a case, with a trace that no other has, whatever the seed.
   *
   * @param run the run
   * @param name the case
   * @return whose calls its are
   */
  public static Caller of(String run, String name) {
    return new Caller(run + "/" + name, hex() + hex());
  }

  /**
   * The trace that a call belongs to, its own one or another's.
   *
   * @param headers the headers of the call
   * @return 32 hexadecimal digits; empty if none was sent
   */
  public static String traceIn(List<Header> headers) {
    for (Header header : headers) {
      if (header.name().length() == HEADER.length() && header.name().equalsIgnoreCase(HEADER)) {
        if (isParent(header.value())) {
          return header.value().substring(PARTS[0] + 1, PARTS[0] + 1 + PARTS[1]);
        }
      }
    }
    return "";
  }

  /** Without a pattern, since a page asks it of each of thousands of calls. */
  private static boolean isParent(String value) {
    int at = 0;
    for (int i = 0; i < PARTS.length; i++) {
      if (i > 0 && !value.startsWith("-", at++)) {
        return false;
      }
      for (int end = at + PARTS[i]; at < end; at++) {
        if (at >= value.length() || "0123456789abcdef".indexOf(value.charAt(at)) < 0) {
          return false;
        }
      }
    }
    return true;
  }

  /**
   * The header of one call (W3C Trace Context, section 3.2).
   *
   * @param recorded whether others are asked to record what they do for it
   * @return version, trace, a new parent, and flags
   */
  public String parent(boolean recorded) {
    return "00-" + trace + "-" + hex() + (recorded ? "-01" : "-00");
  }

  /** Sixteen digits, not all of them zero. */
  private static String hex() {
    long value = ThreadLocalRandom.current().nextLong();
    return HexFormat.of().toHexDigits(value == 0 ? 1 : value);
  }
}
