package org.oddlantern.internal.promise;

import java.util.List;

/**
 * The samples of a file, as a document shows them.
 *
 * @param file the file, as the suite names it
 * @param columns the names in its first line, or of the members of its objects
 * @param rows the samples
 */
public record SampleTable(String file, List<String> columns, List<Row> rows) {

  static final String HEAD = "samples:";

  /**
   * Whether a paragraph below a promise names samples.
   *
   * @param paragraph its plain text
   * @return true if it does
   */
  public static boolean isNamedIn(String paragraph) {
    return paragraph.startsWith(HEAD);
  }

  /** Keeps its own lists. */
  public SampleTable {
    columns = List.copyOf(columns);
    rows = List.copyOf(rows);
  }

  /**
   * A sample.
   *
   * @param caseId the case that runs over it, by its full name; empty if none can be told
   * @param cells what stands in it, a text for each column
   */
  public record Row(String caseId, List<String> cells) {

    /** Keeps its own list. */
    public Row {
      cells = List.copyOf(cells);
    }
  }
}
