package org.oddlantern.internal.record;

import org.jspecify.annotations.Nullable;

/**
 * The bytes of a body as they were sent, in a file beside the journal, for whoever sends them again. Its
 * name follows from its bytes, so it is known before it is written, and the same body lies there once.
 *
 * @param name the file, seen from the folder of the journal
 * @param octets the bytes until they are written; null in a journal
 */
public record SentFile(String name, @Nullable Octets octets) {

  private static final int DIGITS = 12;

  /**
   * Of bytes that are not written yet.
   *
   * @param bytes the bytes
   * @return the file
   */
  public static SentFile of(byte[] bytes) {
    Octets octets = Octets.of(bytes);
    return new SentFile("bodies/" + octets.digest().substring(0, DIGITS) + ".bin", octets);
  }
}
