package org.oddlantern.check;

import org.oddlantern.schema.internal.text.Codes;
import org.oddlantern.schema.internal.text.DateTimes;
import org.oddlantern.schema.internal.text.Mail;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** Tells texts that are written by a standard's rules. */
final class Formats {

  private Formats() {}

  static boolean isDate(JsonNode node) {
    return node.isString() && DateTimes.isDate(node.stringValue());
  }

  static boolean isDateTime(JsonNode node) {
    return node.isString() && DateTimes.isDateTime(node.stringValue());
  }

  static boolean isUuid(JsonNode node) {
    return node.isString() && Codes.isUuid(node.stringValue());
  }

  static boolean isEmail(JsonNode node) {
    return node.isString() && Mail.isAddress(node.stringValue());
  }
}
