package org.oddlantern.json;

import java.util.Locale;
import org.oddlantern.json.internal.Words;

/** A path that would take too long on a document; the message says so and what to do. */
public final class CostlyPath extends RuntimeException {

  private static final long serialVersionUID = 1L;

  /**
   * For the search of a path.
   *
   * @param path the path as it is written
   * @param looks how many values were looked at before it was given up
   */
  public CostlyPath(String path, int looks) {
    super(String.format(
        Locale.ROOT,
        "the path %s was given up after looking at %,d values; begin it nearer to what is wanted, or nest fewer '..' and filters",
        Words.cut(path),
        looks));
  }
}
