package org.oddlantern.internal.record;

import java.util.List;
import java.util.regex.Pattern;

/**
 * What a service said in its log while a call was under way, secrets masked.
 *
 * @param named whether the lines name the call's trace or case; else they were written at that time
 * @param lines the lines
 */
public record LogRecord(boolean named, List<String> lines) {

  /** A type of something thrown, as programs of most languages write it. */
  private static final Pattern EXCEPTION =
      Pattern.compile("\\b(?:[\\w$]+[.:]+)*[A-Z]\\w*(?:Exception|Error)\\b|\\bpanic: ");

  /** Keeps its own list. */
  public LogRecord {
    lines = List.copyOf(lines);
  }

  /**
   * The first line that tells of something thrown, from where it does.
   *
   * @return the line; empty if there is none
   */
  public String exception() {
    return lines.stream()
        .map(line -> {
          var found = EXCEPTION.matcher(line);
          return found.find() ? line.substring(found.start()).strip() : "";
        })
        .filter(line -> !line.isEmpty())
        .findFirst()
        .orElse("");
  }
}
