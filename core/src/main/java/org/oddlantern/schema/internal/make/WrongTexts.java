package org.oddlantern.schema.internal.make;

import java.util.List;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.JsonNodeFactory;

/**
 * The ways in which a text can be wrong.
 *
 * @param place where it is
 */
record WrongTexts(Place place) {

  private static final JsonNodeFactory MAKE = JsonNodeFactory.instance;
  private static final int LONGEST = 100_000;

  void find() {
    long least = place.least("minLength");
    if (least > 0) {
      place.add(
          "is too short",
          "too short",
          now -> MAKE.stringNode(cutText(now.asString(""), (int) least - 1)));
    }
    if (place.has("maxLength")) {
      long most = place.most("maxLength");
      if (most < LONGEST) {
        place.add(
            "is too long",
            "too long",
            now -> MAKE.stringNode(longText(now.asString(""), (int) most + 1)));
      } else {
        place.leftOut("is too long", "that would be " + (most + 1) + " characters");
      }
    }
    boolean pattern =
        place.layers().stream().anyMatch(layer -> layer.path("pattern").isString());
    if (pattern) {
      refused("does not match the pattern", "another pattern");
    }
    for (JsonNode layer : place.layers()) {
      String format = layer.path("format").asString("");
      if (!format.isEmpty()) {
        refused("is no " + format, "another format");
      }
    }
  }

  /** A text that is refused though its length may be. */
  private void refused(String words, String rule) {
    int least = (int) place.least("minLength");
    int most = (int) Math.min(LONGEST, place.most("maxLength"));
    for (String seed : List.of("\u00a7", "!", " ", "-", "a", "0", "Z", "")) {
      int length = seed.isEmpty() ? 0 : Math.max(Math.max(least, 1), Math.min(3, most));
      JsonNode text = MAKE.stringNode(seed.repeat(length));
      if (length >= least && length <= most && !place.schema().accepts(text)) {
        place.add(words, rule, any -> text);
        return;
      }
    }
    place.leftOut(words, "no text was found that is refused");
  }

  static String cutText(String text, int points) {
    int count = text.codePointCount(0, text.length());
    return count <= points ? text : text.substring(0, text.offsetByCodePoints(0, points));
  }

  static String longText(String text, int points) {
    StringBuilder longer = new StringBuilder(text);
    String last = longer.isEmpty() ? "x" : longer.substring(longer.length() - 1);
    String fill = last.matches("[a-zA-Z0-9]") ? last : "x";
    while (longer.codePointCount(0, longer.length()) < points) {
      longer.append(fill);
    }
    return longer.toString();
  }
}
