package org.oddlantern.json.internal;

import java.math.BigDecimal;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** Tells lists whose items are all wrong in one and the same way as one finding. */
final class ListShift {

  private static final int FEW = 3;
  private static final int MOST = 10_000;
  private static final int LONGEST_SCALE = 100;

  private ListShift() {}

  /** What is wrong with the whole list; null if that is not one thing. */
  static @Nullable Finding of(Location where, JsonNode wanted, JsonNode got) {
    if (wanted.size() != got.size() || wanted.size() < FEW || wanted.size() > MOST) {
      return null;
    }
    String reason = offset(wanted, got);
    if (reason.isEmpty()) {
      reason = window(wanted, got);
    }
    return reason.isEmpty()
        ? null
        : Finding.of(where, Words.of(wanted), Words.of(got)).hint(reason);
  }

  /** What is known of the order in which the same items came. */
  static String order(JsonNode wanted, JsonNode got) {
    return isByCodePoints(got) && !isByCodePoints(wanted)
        ? "they are sorted by code points, where upper case comes before lower case, and letters with marks after z"
        : "";
  }

  private static boolean isByCodePoints(JsonNode list) {
    for (int i = 0; i < list.size(); i++) {
      if (!list.get(i).isString()
          || i > 0
              && Equality.compareTexts(
                      list.get(i - 1).stringValue(), list.get(i).stringValue())
                  > 0) {
        return false;
      }
    }
    return list.size() > 1;
  }

  /** Numbers that are all too much or too little by the same. */
  private static String offset(JsonNode wanted, JsonNode got) {
    BigDecimal offset = null;
    for (int i = 0; i < wanted.size(); i++) {
      if (!isUsual(wanted.get(i)) || !isUsual(got.get(i))) {
        return "";
      }
      BigDecimal here = Decimals.of(got.get(i)).subtract(Decimals.of(wanted.get(i)));
      if (here.signum() == 0 || offset != null && offset.compareTo(here) != 0) {
        return "";
      }
      offset = here;
    }
    return offset == null
        ? ""
        : "each number is " + offset.abs().stripTrailingZeros().toPlainString()
            + (offset.signum() > 0 ? " too much" : " too little");
  }

  private static boolean isUsual(JsonNode node) {
    return node.isNumber() && Math.abs(Decimals.of(node).scale()) < LONGEST_SCALE;
  }

  /** A page that begins an item too early or too late. */
  private static String window(JsonNode wanted, JsonNode got) {
    int last = wanted.size() - 1;
    if (isShifted(wanted, got)) {
      return "shifted by one: it begins with " + Words.of(got.get(0)) + ", and "
          + Words.of(wanted.get(last)) + " at the end is missing";
    }
    return isShifted(got, wanted)
        ? "shifted by one: " + Words.of(wanted.get(0))
            + " at the beginning is missing, and it ends with " + Words.of(got.get(last))
        : "";
  }

  /** Whether the items of the second, without its first, are those of the first, without its last. */
  private static boolean isShifted(JsonNode first, JsonNode second) {
    for (int i = 0; i + 1 < first.size(); i++) {
      if (first.get(i).isPojo() || !Equality.same(first.get(i), second.get(i + 1))) {
        return false;
      }
    }
    return !Equality.same(first.get(0), second.get(0))
        && !Equality.same(first.get(first.size() - 1), second.get(0));
  }
}
