package org.oddlantern.json;

import java.math.BigDecimal;
import tools.jackson.databind.JsonNode;

/** Tells two values that differ apart, and names the kind of difference where it has a name. */
final class ScalarDifference {

  private ScalarDifference() {}

  static Finding finding(Location where, JsonNode wanted, JsonNode got) {
    if (wanted.getNodeType() != got.getNodeType()) {
      return Finding.of(where, Words.withKind(wanted), Words.withKind(got))
          .hint(sameInAnotherKind(wanted, got));
    }
    Finding finding = Finding.of(where, Words.of(wanted), Words.of(got));
    if (wanted.isString()) {
      return finding.hint(textHint(wanted.stringValue(), got.stringValue()));
    }
    if (wanted.isNumber()) {
      return finding.hint(distance(wanted.decimalValue(), got.decimalValue()));
    }
    return finding;
  }

  private static String sameInAnotherKind(JsonNode wanted, JsonNode got) {
    boolean sameText =
        wanted.isValueNode() && got.isValueNode() && Words.of(wanted).equals(got.asString(""))
            || Words.of(got).equals(wanted.asString(""));
    return sameText ? "the same value, but sent as another kind" : "";
  }

  private static String distance(BigDecimal wanted, BigDecimal got) {
    if (Math.abs((long) wanted.scale()) > 1_000 || Math.abs((long) got.scale()) > 1_000) {
      return "";
    }
    BigDecimal distance = got.subtract(wanted);
    return distance.abs().stripTrailingZeros().toPlainString()
        + (distance.signum() > 0 ? " too much" : " too little");
  }

  private static String textHint(String wanted, String got) {
    if (wanted.equalsIgnoreCase(got)) {
      return "only upper and lower case differ";
    }
    if (squeezed(wanted).equals(squeezed(got))) {
      return "only white space differs";
    }
    return wanted.length() > 20 && got.length() > 20 ? firstDifference(wanted, got) : "";
  }

  private static String squeezed(String text) {
    return text.replaceAll("[\\s\\u00a0]+", "");
  }

  private static String firstDifference(String wanted, String got) {
    int at = 0;
    while (at < wanted.length() && at < got.length() && wanted.charAt(at) == got.charAt(at)) {
      at++;
    }
    return "the texts differ from character %d on: wanted \"%s\", got \"%s\""
        .formatted(at + 1, around(wanted, at), around(got, at));
  }

  private static String around(String text, int at) {
    int from = Math.max(0, at - 10);
    int to = Math.min(text.length(), at + 20);
    return (from > 0 ? "..." : "") + text.substring(from, to) + (to < text.length() ? "..." : "");
  }
}
