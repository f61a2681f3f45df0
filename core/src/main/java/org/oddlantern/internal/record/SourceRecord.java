package org.oddlantern.internal.record;

import java.util.List;

/**
 * The code of a case, as far as it could be found.
 *
 * @param file the name of its file
 * @param first the number of the first line that is told
 * @param marked the number of the line to look at; 0 if there is none
 * @param lines the lines
 */
public record SourceRecord(String file, int first, int marked, List<String> lines) {

  /** Keeps its own list. */
  public SourceRecord {
    lines = List.copyOf(lines);
  }
}
