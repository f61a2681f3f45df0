package org.oddlantern.run;

import org.jspecify.annotations.Nullable;

/**
 * A body as recorded.
 *
 * @param bytes its size as it was on the wire, content encodings undone
 * @param text the text, secrets masked; null if it is no text or lies in a file
 * @param file the file beside the journal that holds the text, or null
 */
public record BodyRecord(
    long bytes, @Nullable String text, @Nullable String file) {

  /** No body. */
  public static final BodyRecord NONE = new BodyRecord(0, null, null);
}
