package org.oddlantern.check;

import java.util.Arrays;
import java.util.HexFormat;
import java.util.List;
import java.util.Locale;
import org.oddlantern.evidence.Check;
import org.oddlantern.evidence.Evidence;
import org.oddlantern.json.Finding;

/** Asks whether a body is these bytes. */
record BytesCheck(byte[] wanted) implements Check {

  private static final int AROUND = 8;

  @Override
  public String words() {
    return "bytes(" + wanted.length + " bytes)";
  }

  @Override
  public List<Finding> examine(Evidence evidence) {
    byte[] got = evidence.bytes();
    int at = Arrays.mismatch(wanted, got);
    if (at < 0) {
      return List.of();
    }
    Finding finding = Finding.of("body", told(wanted, at), told(got, at));
    return List.of(finding.hint(
        at >= got.length
            ? "it ends after byte " + at
            : at >= wanted.length
                ? "it goes on after the " + at + " bytes wanted"
                : "the first difference is in byte " + (at + 1)));
  }

  /** The bytes around a place. */
  private static String told(byte[] bytes, int at) {
    int from = Math.max(0, Math.min(at, bytes.length) - AROUND);
    int to = Math.min(bytes.length, at + AROUND);
    String size = bytes.length + (bytes.length == 1 ? " byte" : " bytes");
    return from >= to
        ? size
        : String.format(
            Locale.ROOT,
            "%s: %s%s%s from byte %d on",
            size,
            from > 0 ? "... " : "",
            HexFormat.ofDelimiter(" ").formatHex(bytes, from, to),
            to < bytes.length ? " ..." : "",
            from + 1);
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof BytesCheck that && Arrays.equals(wanted, that.wanted);
  }

  @Override
  public int hashCode() {
    return Arrays.hashCode(wanted);
  }

  @Override
  public String subject() {
    return "bytes";
  }
}
