package org.oddlantern.check;

import java.math.BigDecimal;
import java.util.List;
import java.util.regex.Pattern;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.DecimalNode;
import tools.jackson.databind.node.StringNode;

/** Headers and XML hold texts only; one that reads as a number may meet the shapes of numbers too. */
final class TextReadings {

  private static final Pattern NUMBER = Pattern.compile("-?(0|[1-9]\\d{0,18})(\\.\\d{1,18})?");

  private TextReadings() {}

  static List<JsonNode> of(String text) {
    JsonNode asText = StringNode.valueOf(text);
    return NUMBER.matcher(text).matches()
        ? List.of(asText, DecimalNode.valueOf(new BigDecimal(text)))
        : List.of(asText);
  }
}
