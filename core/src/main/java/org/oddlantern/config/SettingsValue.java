package org.oddlantern.config;

import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A text from the settings, with the place where it stands.
 *
 * @param text the text as written
 * @param place file and line, for messages
 */
public record SettingsValue(String text, String place) {

  private static final Pattern VARIABLE = Pattern.compile("\\$\\{([^}]*)}");

  /**
   * The text with its environment variables.
   *
   * @param variables environment variables by name
   * @return the text
   * @throws SettingsProblem if one is missing
   */
  public String resolved(Map<String, String> variables) {
    Matcher matcher = VARIABLE.matcher(text);
    StringBuilder resolved = new StringBuilder();
    while (matcher.find()) {
      String value = variables.get(matcher.group(1));
      if (value == null) {
        throw new SettingsProblem(
            "%s: the environment variable %s is not set; set it, or choose another environment with --env"
                .formatted(place, matcher.group(1)));
      }
      matcher.appendReplacement(resolved, Matcher.quoteReplacement(value));
    }
    return matcher.appendTail(resolved).toString();
  }
}
