package org.oddlantern.config.internal;

import java.time.Duration;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.oddlantern.config.SettingsProblem;

/** Reads durations, sizes and counts as people write them in settings. */
public final class Quantities {

  private static final Pattern TIME = Pattern.compile("(\\d{1,6})(ms|s|m)");
  private static final Pattern SIZE = Pattern.compile("(\\d{1,9})(B|KiB|MiB|GiB)");
  private static final Map<String, Integer> UNITS = Map.of("B", 0, "KiB", 10, "MiB", 20, "GiB", 30);

  private Quantities() {}

  /**
   * Reads a time.
   *
   * @param text {@code 500ms}, {@code 20s} or {@code 2m}
   * @param place where it stands, for the message
   * @param key what it is the value of, for the message
   * @return the time
   * @throws SettingsProblem if it is written otherwise
   */
  public static Duration duration(String text, String place, String key) {
    Matcher matcher = TIME.matcher(text);
    if (!matcher.matches() || Long.parseLong(matcher.group(1)) == 0) {
      throw wrong(text, place, key, "3s, 500ms or 1m");
    }
    long amount = Long.parseLong(matcher.group(1));
    return switch (matcher.group(2)) {
      case "ms" -> Duration.ofMillis(amount);
      case "s" -> Duration.ofSeconds(amount);
      default -> Duration.ofMinutes(amount);
    };
  }

  static long bytes(String text, String place, String key) {
    Matcher matcher = SIZE.matcher(text);
    if (!matcher.matches()) {
      throw wrong(text, place, key, "64MiB, 500KiB or 1GiB");
    }
    return Long.parseLong(matcher.group(1)) << UNITS.getOrDefault(matcher.group(2), 0);
  }

  static int count(String text, String place, String key, int most) {
    if (!text.matches("\\d{1,3}") || Integer.parseInt(text) > most) {
      throw wrong(text, place, key, "a whole number from 0 to " + most);
    }
    return Integer.parseInt(text);
  }

  static boolean truth(String text, String place, String key) {
    if (!text.equals("true") && !text.equals("false")) {
      throw wrong(text, place, key, "true or false");
    }
    return text.equals("true");
  }

  /** On or off. */
  static boolean onOrOff(String text, String place, String key) {
    if (!text.equals("on") && !text.equals("off")) {
      throw wrong(text, place, key, "on or off");
    }
    return text.equals("on");
  }

  private static SettingsProblem wrong(String text, String place, String key, String example) {
    return new SettingsProblem(
        place + ": '" + key + "' is '" + text + "'; write it like " + example);
  }
}
