package org.oddlantern.json.internal;

import java.math.BigDecimal;
import java.util.Map;
import org.oddlantern.json.Location;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * When two values are the same on the wire: numbers by value however they are written, texts by code
 * points, lists item by item, objects whatever the order of their members (RFC 8259; RFC 9535, section
 * 2.3.5.2.2).
 */
public final class Equality {

  /** So many digits has the longest {@code long}. */
  private static final int LONG_DIGITS = 19;

  private Equality() {}

  /**
   * Whether two values are the same.
   *
   * @param a a value, at most 1,000 levels deep; where a shape stands in it, the other must have it
   * @param b another
   * @return true if they are
   */
  public static boolean same(JsonNode a, JsonNode b) {
    if (a.isPojo()) {
      return Embedded.shape(a).examine(Location.ROOT, b).isEmpty();
    }
    if (b instanceof UntypedText text) {
      return text.means(a);
    }
    if (a.isNumber() && b.isNumber()) {
      return compareNumbers(a, b) == 0;
    }
    if (a.isObject() && b.isObject()) {
      return sameObjects(a, b);
    }
    if (a.isArray() && b.isArray()) {
      return sameLists(a, b);
    }
    return !a.isContainer() && a.equals(b);
  }

  /**
   * Compares two numbers by value, exactly.
   *
   * @param a a number
   * @param b another
   * @return less than, equal to or more than 0
   */
  public static int compareNumbers(JsonNode a, JsonNode b) {
    if (isLong(a) && isLong(b)) {
      return Long.compare(a.longValue(), b.longValue());
    }
    BigDecimal left = Decimals.of(a);
    BigDecimal right = Decimals.of(b);
    if (left.signum() != right.signum()) {
      return Integer.compare(left.signum(), right.signum());
    }
    return left.compareTo(right);
  }

  /**
   * Compares two texts by their code points.
   *
   * @param a a text
   * @param b another
   * @return less than, equal to or more than 0
   */
  public static int compareTexts(String a, String b) {
    int length = Math.min(a.length(), b.length());
    for (int i = 0; i < length; i++) {
      char x = a.charAt(i);
      char y = b.charAt(i);
      if (x != y) {
        boolean pairs = Character.isSurrogate(x) && !Character.isSurrogate(y);
        boolean other = Character.isSurrogate(y) && !Character.isSurrogate(x);
        return pairs ? 1 : other ? -1 : Character.compare(x, y);
      }
    }
    return Integer.compare(a.length(), b.length());
  }

  /**
   * A number that is the same for values that are the same.
   *
   * @param node a value, at most 1,000 levels deep
   * @return the number
   */
  public static long fingerprint(JsonNode node) {
    long print;
    if (node.isObject()) {
      print = 3;
      for (Map.Entry<String, JsonNode> member : node.properties()) {
        print += mixed(
            member.getKey().hashCode() * 0x9E3779B97F4A7C15L + fingerprint(member.getValue()));
      }
    } else if (node.isArray()) {
      print = 5;
      for (JsonNode item : node) {
        print = print * 31 + fingerprint(item);
      }
    } else if (node.isNumber()) {
      print = isLong(node) ? node.longValue() : fingerprint(Decimals.of(node));
    } else if (node.isString()) {
      print = 7 + text(node.stringValue());
    } else {
      print = node.isBoolean() ? (node.booleanValue() ? 11 : 13) : 17;
    }
    return mixed(print);
  }

  private static long text(String text) {
    return text.hashCode() * 0x100000001B3L + text.length();
  }

  private static long fingerprint(BigDecimal number) {
    if (number.signum() == 0) {
      return 0;
    }
    BigDecimal plain = number.stripTrailingZeros();
    boolean whole = plain.scale() <= 0 && plain.precision() - (long) plain.scale() <= LONG_DIGITS;
    return whole && isLong(plain) ? plain.longValue() : plain.hashCode();
  }

  private static long mixed(long value) {
    long mixed = (value ^ (value >>> 32)) * 0xD6E8FEB86659FD93L;
    return mixed ^ (mixed >>> 29);
  }

  private static boolean isLong(BigDecimal whole) {
    return whole.toBigInteger().bitLength() < Long.SIZE;
  }

  private static boolean isLong(JsonNode node) {
    return node.isIntegralNumber() && node.canConvertToLong();
  }

  private static boolean sameObjects(JsonNode a, JsonNode b) {
    if (a.size() < b.size()) {
      return false;
    }
    int absent = 0;
    for (Map.Entry<String, JsonNode> member : a.properties()) {
      JsonNode other = b.get(member.getKey());
      if (other == null) {
        absent++;
        if (!Embedded.allowsNothing(member.getValue())) {
          return false;
        }
      } else if (!same(member.getValue(), other)) {
        return false;
      }
    }
    return a.size() - absent == b.size();
  }

  private static boolean sameLists(JsonNode a, JsonNode b) {
    if (a.size() != b.size()) {
      return false;
    }
    for (int i = 0; i < a.size(); i++) {
      if (!same(a.get(i), b.get(i))) {
        return false;
      }
    }
    return true;
  }
}
