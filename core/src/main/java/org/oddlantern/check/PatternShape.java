package org.oddlantern.check;

import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.oddlantern.internal.PatientText;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;
import org.oddlantern.json.internal.NodeShape;
import org.oddlantern.json.internal.Words;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** A text that matches a pattern of {@link Pattern} as a whole. */
record PatternShape(Pattern pattern) implements NodeShape {

  private static final int MOST_LOOKS = 50_000_000;

  @Override
  public String words() {
    return "a text matching " + Words.cut(pattern.pattern());
  }

  @Override
  public List<Finding> differences(Location where, JsonNode value) {
    if (!value.isString()) {
      return List.of(Finding.of(where, words(), Words.withKind(value)));
    }
    Finding no = Finding.of(where, words(), Words.of(value));
    try {
      Matcher matcher = pattern.matcher(new PatientText(value.stringValue(), MOST_LOOKS));
      if (matcher.matches()) {
        return List.of();
      }
      return List.of(
          matcher.reset().find()
              ? no.hint("only a part matches: " + Words.quoted(part(matcher, value)))
              : no);
    } catch (PatientText.Exhausted | StackOverflowError e) {
      return List.of(
          no.hint(
              "the pattern was given up on this text, since it tries too many ways; write it with fewer nested repetitions"));
    }
  }

  private static String part(Matcher matcher, JsonNode value) {
    return value.stringValue().substring(matcher.start(), matcher.end());
  }
}
