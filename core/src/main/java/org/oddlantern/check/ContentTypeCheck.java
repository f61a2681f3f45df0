package org.oddlantern.check;

import java.util.List;
import java.util.Locale;
import org.oddlantern.evidence.Check;
import org.oddlantern.evidence.Evidence;
import org.oddlantern.json.Finding;

/** Asks about the media type of the body; parameters count only if they were given. */
record ContentTypeCheck(String type) implements Check {

  @Override
  public String words() {
    return "contentType(\"" + type + "\")";
  }

  @Override
  public List<Finding> examine(Evidence evidence) {
    String got = evidence.headers().first("Content-Type").orElse("");
    boolean same = type.contains(";")
        ? folded(got).equals(folded(type))
        : folded(bare(got)).equals(folded(type));
    return same
        ? List.of()
        : List.of(Finding.of("header Content-Type", type, got.isEmpty() ? "no such header" : got));
  }

  private static String bare(String value) {
    int parameters = value.indexOf(';');
    return parameters < 0 ? value : value.substring(0, parameters);
  }

  private static String folded(String value) {
    return value.replaceAll("[\\s\"]", "").toLowerCase(Locale.ROOT);
  }

  @Override
  public String subject() {
    return "header content-type";
  }
}
