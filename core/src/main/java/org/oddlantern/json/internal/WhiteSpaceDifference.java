package org.oddlantern.json.internal;

/** Explains two texts that differ in white space only. */
final class WhiteSpaceDifference {

  private WhiteSpaceDifference() {}

  static String explained(String wanted, String got) {
    if (!squeezed(wanted).equals(squeezed(got))) {
      return "";
    }
    return "only white space differs: " + detail(wanted, got);
  }

  private static String detail(String wanted, String got) {
    if (got.startsWith(wanted)) {
      return "there is " + named(got.substring(wanted.length())) + " at the end";
    }
    if (wanted.startsWith(got)) {
      return named(wanted.substring(got.length())) + " is missing at the end";
    }
    if (got.endsWith(wanted)) {
      return "there is " + named(got.substring(0, got.length() - wanted.length()))
          + " at the beginning";
    }
    int at = DifferingPart.firstDifference(wanted, got);
    int first = wanted.codePointAt(at);
    int second = got.codePointAt(at);
    String place = "at character " + (DifferingPart.count(wanted.substring(0, at)) + 1);
    if (isBlank(first) && isBlank(second)) {
      return place + " wanted " + Visible.named(first) + ", got " + Visible.named(second);
    }
    return isBlank(second)
        ? place + " there is " + Visible.named(second) + " too many"
        : place + " " + Visible.named(first) + " is missing";
  }

  private static String named(String blanks) {
    int first = blanks.codePointAt(0);
    boolean alike = blanks.codePoints().allMatch(point -> point == first);
    return DifferingPart.count(blanks) == 1
        ? Visible.named(first)
        : DifferingPart.count(blanks)
            + (alike ? " times " + Visible.named(first) : " white space characters");
  }

  private static String squeezed(String text) {
    StringBuilder squeezed = new StringBuilder();
    text.codePoints().filter(point -> !isBlank(point)).forEach(squeezed::appendCodePoint);
    return squeezed.toString();
  }

  /** White space as people mean it: the invisible ones too that no standard counts. */
  private static boolean isBlank(int point) {
    return Character.isWhitespace(point)
        || Character.isSpaceChar(point)
        || point == 0x200B
        || point == 0xFEFF
        || point == 0x2060;
  }
}
