package org.oddlantern.schema.internal.text;

import java.util.Locale;
import java.util.function.Predicate;
import java.util.regex.Pattern;
import java.util.regex.PatternSyntaxException;
import org.oddlantern.internal.PatientText;
import org.oddlantern.json.internal.Words;

/**
 * A regular expression as ECMA-262 means it (section 22.2, by code points), run by the platform's engine
 * with a limit on its looks at the text. Immutable and thread-safe.
 */
public final class TextPattern {

  /** A text so short that no pattern can take long over it: two ways at each character at worst. */
  private static final int SHORT = 16;

  private static final int MOST_LOOKS = 10_000_000;

  private final String source;
  private final Predicate<String> inside;

  private TextPattern(String source, Predicate<String> inside) {
    this.source = source;
    this.inside = inside;
  }

  /**
   * Reads a pattern.
   *
   * @param source the pattern, without slashes around it
   * @throws BadPattern if it is none
   */
  public static TextPattern of(String source) throws BadPattern {
    StraightPattern straight = StraightPattern.of(source);
    if (straight != null) {
      return new TextPattern(source, straight::isAtStartOf);
    }
    String translated = new PatternTranslator(source).translate();
    try {
      Pattern pattern = Pattern.compile(translated);
      return new TextPattern(source, text -> isIn(pattern, source, text));
    } catch (PatternSyntaxException e) {
      boolean behind = String.valueOf(e.getDescription()).startsWith("Look-behind");
      throw new BadPattern(
          source,
          0,
          behind
              ? "a look behind without a longest length is not supported"
              : "cannot be used (" + e.getDescription() + ")");
    } catch (StackOverflowError e) {
      throw new BadPattern(source, 0, "groups are nested too deep");
    }
  }

  /** The pattern as the schema writes it. */
  public String source() {
    return source;
  }

  /**
   * Whether it matches somewhere in a text.
   *
   * @throws GivenUp if finding out would take too long
   */
  public boolean isIn(String text) {
    return inside.test(text);
  }

  private static boolean isIn(Pattern pattern, String source, String text) {
    try {
      return pattern
          .matcher(text.length() < SHORT ? text : new PatientText(text, MOST_LOOKS))
          .find();
    } catch (PatientText.Exhausted | StackOverflowError e) {
      throw new GivenUp(String.format(
          Locale.ROOT,
          "the pattern %s was given up on a text of %,d characters, since it tries too many ways;"
              + " write it with fewer nested repetitions",
          Words.cut(source),
          text.length()));
    }
  }
}
