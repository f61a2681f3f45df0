package org.oddlantern.json;

import tools.jackson.databind.JsonNode;

/** Tells two values that differ apart, and names the kind of difference where it has a name. */
final class ScalarDifference {

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
    boolean sameText =
        Words.of(wanted).equals(got.asString("")) || Words.of(got).equals(wanted.asString(""));
    return sameText && !wanted.isMissingNode() ? "the same value, but sent as another kind" : "";
  }
}
