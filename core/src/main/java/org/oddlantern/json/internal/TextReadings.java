package org.oddlantern.json.internal;

import java.math.BigDecimal;
import java.util.List;
import java.util.regex.Pattern;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.BooleanNode;
import org.oddlantern.shaded.tools.jackson.databind.node.DecimalNode;
import org.oddlantern.shaded.tools.jackson.databind.node.LongNode;
import org.oddlantern.shaded.tools.jackson.databind.node.StringNode;

/** Headers and XML hold texts only; one that reads as a number may meet the shapes of numbers too. */
public final class TextReadings {

  private static final Pattern NUMBER = Pattern.compile("-?(0|[1-9]\\d{0,18})(\\.\\d{1,18})?");

  private static final int LONG = 18;

  private TextReadings() {}

  /**
   * What a text may be read as.
   *
   * @param text the text
   * @return the text itself, then the number it reads as, or the truth; the text alone if it is neither
   */
  public static List<JsonNode> of(String text) {
    JsonNode asText = StringNode.valueOf(text);
    if (text.equals("true") || text.equals("false")) {
      return List.of(asText, BooleanNode.valueOf(text.equals("true")));
    }
    if (!NUMBER.matcher(text).matches()) {
      return List.of(asText);
    }
    boolean whole = text.indexOf('.') < 0 && text.length() < LONG;
    return List.of(
        asText,
        whole ? LongNode.valueOf(Long.parseLong(text)) : DecimalNode.valueOf(new BigDecimal(text)));
  }
}
