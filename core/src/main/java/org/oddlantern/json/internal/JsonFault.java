package org.oddlantern.json.internal;

import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Says in words of this library why a text is no JSON (RFC 8259); those of the mapper never reach a user. */
public final class JsonFault {

  private static final Pattern CHARACTER =
      Pattern.compile("Unexpected character \\((.*?) \\(code (\\d+)");
  private static final Pattern TOKEN =
      Pattern.compile("Unrecognized token '(.*?)'", Pattern.DOTALL);
  private static final Pattern ESCAPE =
      Pattern.compile("Unrecognized character escape .*?\\(code (\\d+)");
  private static final Pattern CONTROL = Pattern.compile("CTRL-CHAR, code (\\d+)");
  private static final Pattern TWICE = Pattern.compile("Duplicate \\w+ [\"'](.*?)[\"'] for");

  /** What the mapper says in part, and what that means. */
  private static final List<List<String>> MEANINGS = List.of(
      List.of("expecting a colon", "a colon is wanted between a name and its value"),
      List.of(
          "expecting comma to separate Object entries", "a comma or } is wanted after a member"),
      List.of("expecting comma to separate Array entries", "a comma or ] is wanted after an item"),
      List.of("to start property name", "a name in double quotes is wanted"),
      List.of("to start field name", "a name in double quotes is wanted"),
      List.of("expected a valid value", "a value is wanted"),
      List.of("Unexpected end-of-input in a", "it ends in the middle of a value"),
      List.of(
          "Unexpected end-of-input: was expecting closing quote",
          "it ends in the middle of a text"),
      List.of(
          "Unexpected end-of-input: expected close marker for Object",
          "it ends in the middle of an object"),
      List.of(
          "Unexpected end-of-input: expected close marker for Array",
          "it ends in the middle of a list"),
      List.of("Unexpected end-of-input", "it ends in the middle"),
      List.of(
          "Unexpected close marker", "a list is closed like an object, or an object like a list"),
      List.of("Leading zeroes not allowed", "a number begins with a zero that means nothing"),
      List.of("Invalid numeric value", "a number is not written as JSON writes one"),
      List.of("Trailing token", "something follows after the end of the document"),
      List.of("surrogate", "half of a surrogate pair is alone"));

  private JsonFault() {}

  /**
   * What is wrong.
   *
   * @param reason what the mapper says
   * @return the same in our words
   */
  public static String words(String reason) {
    Matcher twice = TWICE.matcher(reason);
    if (twice.find()) {
      return "the name '" + twice.group(1) + "' occurs twice in one object";
    }
    Matcher token = TOKEN.matcher(reason);
    if (token.find()) {
      return Words.quoted(token.group(1))
          + " without quotes is no value; strings are in double quotes";
    }
    Matcher escape = ESCAPE.matcher(reason);
    if (escape.find()) {
      return "\\" + Character.toString(Integer.parseInt(escape.group(1))) + " is no escape of JSON";
    }
    Matcher control = CONTROL.matcher(reason);
    if (control.find() && !reason.contains("expected a valid value")) {
      return "a control character, " + Visible.named(Integer.parseInt(control.group(1)))
          + ", is in a string, where it must be escaped";
    }
    for (List<String> meaning : MEANINGS) {
      if (reason.contains(meaning.get(0))) {
        return meaning.get(1) + there(reason);
      }
    }
    Matcher character = CHARACTER.matcher(reason);
    return character.find()
        ? "something else is wanted" + there(reason)
        : "it cannot be read as JSON";
  }

  private static String there(String reason) {
    Matcher character = CHARACTER.matcher(reason);
    return character.find()
        ? ", not "
            + Visible.shown(Integer.parseInt(character.group(2))).replaceAll(" \\(U\\+.*", "")
        : "";
  }
}
