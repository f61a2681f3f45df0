package org.oddlantern.internal.promise;

import java.util.List;

/**
 * A document with promises.
 *
 * @param file its name, like {@code promises/hives.md}
 * @param text its text, in Markdown (CommonMark 0.31)
 * @param promises its promises, in its order
 */
public record PromiseDocument(String file, String text, List<Promise> promises) {

  /** Keeps its own list. */
  public PromiseDocument {
    promises = List.copyOf(promises);
  }
}
