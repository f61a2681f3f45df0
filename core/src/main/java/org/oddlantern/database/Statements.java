package org.oddlantern.database;

import java.util.Locale;
import java.util.Set;

/** Refuses statements that do more than look, as far as their text shows; a rollback does the rest. */
final class Statements {

  private static final Set<String> LOOKING =
      Set.of("select", "with", "values", "table", "show", "explain", "describe", "desc");

  private Statements() {}

  static void refuseWriting(String sql) {
    String bare = withoutCommentsAndTexts(sql).strip();
    String first =
        bare.replaceFirst("^[(\\s]+", "").split("[^A-Za-z]", 2)[0].toLowerCase(Locale.ROOT);
    if (!LOOKING.contains(first)) {
      throw new IllegalArgumentException(
          "row, rows, noRow and count only look, and '%s' does not begin like a query; to change something say change(...)"
              .formatted(shortened(sql)));
    }
    refuseSeveral(sql, bare);
  }

  /** A second statement could end the transaction that keeps the first from changing anything. */
  static void refuseSeveral(String sql) {
    refuseSeveral(sql, withoutCommentsAndTexts(sql).strip());
  }

  private static void refuseSeveral(String sql, String bare) {
    int semicolon = bare.indexOf(';');
    if (semicolon >= 0 && semicolon < bare.length() - 1) {
      throw new IllegalArgumentException(
          "one statement at a time: '%s' holds several".formatted(shortened(sql)));
    }
  }

  /** Quoted texts and names become empty, comments a blank. */
  static String withoutCommentsAndTexts(String sql) {
    StringBuilder bare = new StringBuilder();
    int at = 0;
    while (at < sql.length()) {
      int next = past(sql, at);
      if (next > at) {
        bare.append(' ');
        at = next;
      } else {
        bare.append(sql.charAt(at++));
      }
    }
    return bare.toString();
  }

  /** The end of the comment or quoted piece that begins here; the same place if none does. */
  private static int past(String sql, int at) {
    if (sql.startsWith("--", at)) {
      return end(sql, sql.indexOf('\n', at), 1);
    }
    if (sql.startsWith("/*", at)) {
      return end(sql, sql.indexOf("*/", at + 2), 2);
    }
    char quote = sql.charAt(at);
    return quote == '\'' || quote == '"' || quote == '`'
        ? end(sql, sql.indexOf(quote, at + 1), 1)
        : at;
  }

  private static int end(String sql, int found, int length) {
    return found < 0 ? sql.length() : found + length;
  }

  private static String shortened(String sql) {
    String line = sql.strip().replaceAll("\\s+", " ");
    return line.length() > 80 ? line.substring(0, 80) + "..." : line;
  }
}
