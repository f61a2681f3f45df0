package org.oddlantern.internal.promise;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A sentence of a document that some cases keep.
 *
 * @param line its line in the document, from 1
 * @param above the line of the promise it stands below; 0 if it stands below none
 * @param words the sentence as plain text
 * @param cases the cases that keep it together, by their full names; empty if there is none
 * @param hint the title that was most likely meant, if no case has this one; else empty
 * @param samples the samples its case runs over, if the document names their file; else null
 */
public record Promise(
    int line,
    int above,
    String words,
    List<String> cases,
    String hint,
    @Nullable SampleTable samples) {

  /** Keeps its own list. */
  public Promise {
    cases = List.copyOf(cases);
  }

  Promise with(SampleTable table) {
    return new Promise(line, above, words, cases, hint, table);
  }
}
