package org.oddlantern.schema.internal.text;

/** Host names of letters, digits and hyphens (RFC 1123, section 2.1). */
final class Hosts {

  private static final int LONGEST = 253;
  private static final int LONGEST_LABEL = 63;

  private Hosts() {}

  static boolean isName(String text) {
    if (text.isEmpty() || text.length() > LONGEST) {
      return false;
    }
    for (String label : text.split("\\.", -1)) {
      if (!isLabel(label) || label.regionMatches(true, 0, "xn--", 0, 4) && !isEncoded(label)) {
        return false;
      }
    }
    return true;
  }

  static boolean isLabel(String label) {
    return !label.isEmpty()
        && label.length() <= LONGEST_LABEL
        && label.charAt(0) != '-'
        && label.charAt(label.length() - 1) != '-'
        && label
            .chars()
            .allMatch(c ->
                c >= 'a' && c <= 'z' || c >= 'A' && c <= 'Z' || c >= '0' && c <= '9' || c == '-');
  }

  private static boolean isEncoded(String label) {
    return UnicodeHosts.isLabel(label);
  }
}
