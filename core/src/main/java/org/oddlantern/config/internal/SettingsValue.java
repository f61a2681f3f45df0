package org.oddlantern.config.internal;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.oddlantern.config.SettingsProblem;
import org.oddlantern.json.Secret;

/**
 * A text from the settings, with the place where it stands.
 *
 * @param text the text as written, or the name of the file that holds it
 * @param place file and line, or the option, for messages
 * @param inFile whether the text is the name of a file
 * @param isFixed whether the command line says so, which code does not change
 */
public record SettingsValue(String text, String place, boolean inFile, boolean isFixed) {

  private static final Pattern VARIABLE = Pattern.compile("\\$\\{([^}]*)}");

  /**
   * A text as it stands there.
   *
   * @param text the text
   * @param place file and line, or the option
   */
  public SettingsValue(String text, String place) {
    this(text, place, false, false);
  }

  /** A text that the command line sets. */
  static SettingsValue ofOption(String text, String option) {
    return new SettingsValue(text, option, false, true);
  }

  /**
   * The text with its environment variables, or what is in its file.
   *
   * @param surroundings where variables and files are found
   * @return the text
   * @throws SettingsProblem if a variable or the file is missing
   */
  public String resolved(SettingsSources surroundings) {
    String whole = text.contains("${") ? filled(surroundings) : text;
    return inFile ? content(whole, surroundings) : whole;
  }

  private String filled(SettingsSources surroundings) {
    Matcher matcher = VARIABLE.matcher(text);
    StringBuilder resolved = new StringBuilder();
    while (matcher.find()) {
      String value = surroundings.variables().get(matcher.group(1));
      if (value == null) {
        throw new SettingsProblem(
            "%s: the environment variable %s is not set; set it, or choose another environment with --env"
                .formatted(place, matcher.group(1)));
      }
      matcher.appendReplacement(resolved, Matcher.quoteReplacement(value));
    }
    return matcher.appendTail(resolved).toString();
  }

  /**
   * The text as a secret, which knows the environment variable if it is nothing else.
   *
   * @param surroundings where variables and files are found
   * @return the secret
   * @throws SettingsProblem if a variable or the file is missing
   */
  public Secret secret(SettingsSources surroundings) {
    Matcher matcher = VARIABLE.matcher(text);
    String resolved = resolved(surroundings);
    return matcher.matches() && !inFile
        ? Secret.ofVariable(matcher.group(1), resolved)
        : Secret.of(resolved);
  }

  /**
   * The environment variables that the text names.
   *
   * @return their names, in order
   */
  public List<String> variables() {
    List<String> names = new ArrayList<>();
    VARIABLE.matcher(text).results().forEach(found -> names.add(found.group(1)));
    return names;
  }

  private String content(String name, SettingsSources surroundings) {
    Path folder = surroundings.folder();
    Path file = folder == null ? Path.of(name) : folder.resolve(name);
    if (folder == null && !file.isAbsolute()) {
      throw new SettingsProblem(
          place + ": the file " + name
              + " is named relative to the settings file, but there is none in a folder; name it absolutely");
    }
    try {
      return Files.readString(file).replaceAll("\\R\\z", "");
    } catch (IOException e) {
      throw new SettingsProblem(place + ": the file " + file + " cannot be read: " + e);
    }
  }
}
