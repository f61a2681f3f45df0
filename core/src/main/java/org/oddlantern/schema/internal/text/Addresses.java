package org.oddlantern.schema.internal.text;

/** Addresses of the internet protocol. */
final class Addresses {

  private static final int GROUPS = 8;

  private Addresses() {}

  /** Four decimal numbers without leading zeros (RFC 2673, section 3.2; RFC 6943, section 3.1.1). */
  static boolean isVersion4(String text) {
    String[] parts = text.split("\\.", -1);
    if (parts.length != 4) {
      return false;
    }
    for (String part : parts) {
      boolean number = !part.isEmpty()
          && part.length() <= 3
          && part.chars().allMatch(c -> c >= '0' && c <= '9')
          && (part.length() == 1 || part.charAt(0) != '0')
          && Integer.parseInt(part) <= 255;
      if (!number) {
        return false;
      }
    }
    return true;
  }

  /** RFC 4291, section 2.2, without a zone. */
  static boolean isVersion6(String text) {
    int gap = text.indexOf("::");
    if (gap < 0) {
      return groups(text, true) == GROUPS;
    }
    if (text.indexOf("::", gap + 1) >= 0) {
      return false;
    }
    int before = gap == 0 ? 0 : groups(text.substring(0, gap), false);
    int after = gap + 2 == text.length() ? 0 : groups(text.substring(gap + 2), true);
    return before >= 0 && after >= 0 && before + after < GROUPS;
  }

  /** How many groups of 16 bits there are; below 0 if one is none. */
  private static int groups(String text, boolean last) {
    String[] parts = text.split(":", -1);
    int count = 0;
    for (int i = 0; i < parts.length; i++) {
      if (last && i == parts.length - 1 && parts[i].indexOf('.') >= 0) {
        if (!isVersion4(parts[i])) {
          return -1;
        }
        count += 2;
      } else if (isGroup(parts[i])) {
        count++;
      } else {
        return -1;
      }
    }
    return count > GROUPS ? -1 : count;
  }

  private static boolean isGroup(String part) {
    return !part.isEmpty()
        && part.length() <= 4
        && part.chars()
            .allMatch(c -> c >= '0' && c <= '9' || c >= 'a' && c <= 'f' || c >= 'A' && c <= 'F');
  }
}
