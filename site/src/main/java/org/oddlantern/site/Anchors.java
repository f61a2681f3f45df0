package org.oddlantern.site;

import java.util.Locale;

/** What a heading is reached by, as links in the documents have it. */
final class Anchors {

  private Anchors() {}

  /** Small, without punctuation, with hyphens instead of blanks. */
  static String of(String heading) {
    return heading.toLowerCase(Locale.ROOT).replaceAll("[^\\w\\- ]", "").replace(' ', '-');
  }
}
