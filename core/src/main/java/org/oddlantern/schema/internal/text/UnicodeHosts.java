package org.oddlantern.schema.internal.text;

import java.lang.Character.UnicodeScript;
import java.net.IDN;
import java.util.Set;
import java.util.regex.Pattern;

/** Host names in any script (RFC 5890 to 5893), by the rules of RFC 5892 for each character. */
final class UnicodeHosts {

  private static final int LONGEST_LABEL = 63;

  /** RFC 5892, section 2.6: what is allowed and what is not, against its category. */
  private static final Set<Integer> ALLOWED = Set.of(0xDF, 0x3C2, 0x6FD, 0x6FE, 0xF0B, 0x3007);

  private static final Set<Integer> FORBIDDEN =
      Set.of(0x640, 0x7FA, 0x302E, 0x302F, 0x3031, 0x3032, 0x3033, 0x3034, 0x3035, 0x303B);

  private static final Set<Integer> VIRAMAS = Set.of(
      0x94D, 0x9CD, 0xA4D, 0xACD, 0xB4D, 0xBCD, 0xC4D, 0xCCD, 0xD4D, 0xDCA, 0xE3A, 0xF84, 0x1039,
      0x103A, 0x1714, 0x1734, 0x17D2, 0x1A60, 0x1B44, 0x1BAA, 0xA806, 0xA8C4, 0xA953, 0xA9C0,
      0xABED);

  /** RFC 5892, appendix A.1: letters that join, around a non-joiner. */
  private static final Pattern JOINING =
      Pattern.compile(".*\\p{IsArabic}\\p{Mn}*\u200C\\p{Mn}*\\p{IsArabic}.*");

  private static final Pattern DOTS = Pattern.compile("[.\u3002\uFF0E\uFF61]");

  private UnicodeHosts() {}

  static boolean isName(String text) {
    if (text.isEmpty()) {
      return false;
    }
    for (String label : DOTS.split(text, -1)) {
      if (!isLabel(label)) {
        return false;
      }
    }
    return true;
  }

  static boolean isLabel(String label) {
    String plain = label;
    if (label.regionMatches(true, 0, "xn--", 0, 4)) {
      plain = IDN.toUnicode(label, IDN.ALLOW_UNASSIGNED);
      if (plain.equalsIgnoreCase(label) || plain.isEmpty()) {
        return false;
      }
    }
    return isUnicode(plain);
  }

  private static boolean isUnicode(String label) {
    int[] points = label.codePoints().toArray();
    if (points.length == 0
        || points[0] == '-'
        || points[points.length - 1] == '-'
        || label.startsWith("--", 2)
        || isMark(points[0])) {
      return false;
    }
    for (int i = 0; i < points.length; i++) {
      if (!isAllowed(points, i, label)) {
        return false;
      }
    }
    return isShort(label);
  }

  private static boolean isShort(String label) {
    try {
      return IDN.toASCII(label, IDN.ALLOW_UNASSIGNED).length() <= LONGEST_LABEL;
    } catch (IllegalArgumentException e) {
      return false;
    }
  }

  private static boolean isMark(int point) {
    int type = Character.getType(point);
    return type == Character.NON_SPACING_MARK
        || type == Character.COMBINING_SPACING_MARK
        || type == Character.ENCLOSING_MARK;
  }

  private static boolean isAllowed(int[] points, int i, String label) {
    int point = points[i];
    int before = i > 0 ? points[i - 1] : -1;
    int after = i + 1 < points.length ? points[i + 1] : -1;
    return switch (point) {
      case 0xB7 -> before == 'l' && after == 'l';
      case 0x375 -> after >= 0 && UnicodeScript.of(after) == UnicodeScript.GREEK;
      case 0x5F3, 0x5F4 -> before >= 0 && UnicodeScript.of(before) == UnicodeScript.HEBREW;
      case 0x30FB -> label.codePoints().anyMatch(UnicodeHosts::isEastAsian);
      case 0x200D -> VIRAMAS.contains(before);
      case 0x200C -> VIRAMAS.contains(before) || JOINING.matcher(label).matches();
      default -> isAllowed(point) && !mixesDigits(point, label);
    };
  }

  private static boolean isEastAsian(int point) {
    UnicodeScript script = UnicodeScript.of(point);
    return script == UnicodeScript.HIRAGANA
        || script == UnicodeScript.KATAKANA
        || script == UnicodeScript.HAN;
  }

  /** Arabic-Indic digits and their extended forms look alike and must not meet. */
  private static boolean mixesDigits(int point, String label) {
    return point >= 0x660
        && point <= 0x669
        && label.codePoints().anyMatch(other -> other >= 0x6F0 && other <= 0x6F9);
  }

  private static boolean isAllowed(int point) {
    if (ALLOWED.contains(point) || point == '-') {
      return true;
    }
    if (FORBIDDEN.contains(point)) {
      return false;
    }
    if (point < 0x80) {
      return point >= 'a' && point <= 'z'
          || point >= 'A' && point <= 'Z'
          || point >= '0' && point <= '9';
    }
    return switch (Character.getType(point)) {
      case Character.LOWERCASE_LETTER,
          Character.OTHER_LETTER,
          Character.MODIFIER_LETTER,
          Character.NON_SPACING_MARK,
          Character.COMBINING_SPACING_MARK,
          Character.DECIMAL_DIGIT_NUMBER -> true;
      default -> false;
    };
  }
}
