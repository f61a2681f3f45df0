package org.oddlantern.json.internal;

import java.math.BigDecimal;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** Tells two values that differ apart, and names the kind of difference where it has a name. */
final class ScalarDifference {

  private static final int LONGEST_NUMBER = 40;

  private ScalarDifference() {}

  static Finding finding(Location where, JsonNode wanted, JsonNode there) {
    JsonNode got = there instanceof UntypedText text ? text.as(wanted) : there;
    if (wanted.getNodeType() != got.getNodeType()) {
      return Finding.of(where, Words.withKind(wanted), Words.withKind(got))
          .hint(sameInAnotherKind(wanted, got));
    }
    if (wanted.isString()) {
      return TextDifference.finding(where, wanted.stringValue(), got.stringValue());
    }
    Finding finding = Finding.of(where, Words.of(wanted), Words.of(got));
    return wanted.isNumber()
        ? NumberDifference.explained(finding, Decimals.of(wanted), Decimals.of(got))
        : finding;
  }

  private static String sameInAnotherKind(JsonNode wanted, JsonNode got) {
    if (!wanted.isValueNode() || !got.isValueNode()) {
      return "";
    }
    boolean sameText = Words.of(wanted).equals(got.asString(""))
        || Words.of(got).equals(wanted.asString(""))
        || isNumber(wanted, got)
        || isNumber(got, wanted);
    if (sameText && !wanted.isMissingNode()) {
      return "the same value, but sent as another kind";
    }
    return got.isNumber() && wanted.isString()
        ? EpochNumber.explained(wanted.stringValue(), Decimals.of(got))
        : "";
  }

  /** Whether a text is a number, however it is written. */
  private static boolean isNumber(JsonNode number, JsonNode text) {
    if (!number.isNumber() || !text.isString() || text.stringValue().length() > LONGEST_NUMBER) {
      return false;
    }
    try {
      return new BigDecimal(text.stringValue().strip()).compareTo(Decimals.of(number)) == 0;
    } catch (NumberFormatException e) {
      return false; // then it is another text
    }
  }
}
