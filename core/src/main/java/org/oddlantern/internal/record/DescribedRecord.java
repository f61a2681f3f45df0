package org.oddlantern.internal.record;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A service that is described, and its description as it was then, so that it can be judged later.
 *
 * @param service the name of the service; may be empty
 * @param address its address
 * @param from where the description came from, as messages call it
 * @param documents the description, and after it every document that it refers to
 */
public record DescribedRecord(String service, String address, String from, List<Copy> documents) {

  /** Keeps its own list. */
  public DescribedRecord {
    documents = List.copyOf(documents);
  }

  /** The same with other documents. */
  public DescribedRecord with(List<Copy> others) {
    return new DescribedRecord(service, address, from, others);
  }

  /**
   * A document.
   *
   * @param name as messages call it
   * @param uri where it came from, as references name it
   * @param text its text, secrets masked; null if it lies in a file
   * @param file the file beside the journal that holds it, or null
   */
  public record Copy(
      String name,
      String uri,
      @Nullable String text,
      @Nullable String file) {}
}
