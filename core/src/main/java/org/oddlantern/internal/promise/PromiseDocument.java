package org.oddlantern.internal.promise;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

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

  /**
   * The promises that are counted.
   *
   * @return without those that have no case and only stand for the ones below them
   */
  public List<Promise> counted() {
    Set<Integer> above = promises.stream().map(Promise::above).collect(Collectors.toSet());
    return promises.stream()
        .filter(one -> !one.cases().isEmpty() || !above.contains(one.line()))
        .toList();
  }
}
