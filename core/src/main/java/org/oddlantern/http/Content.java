package org.oddlantern.http;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.List;
import org.oddlantern.internal.Needed;

/**
 * What a request carries. It can be read again and again, so a call may be sent twice; large files are
 * read piece by piece and never held in memory. Thread-safe.
 */
public interface Content {

  /** Nothing. */
  Content NONE = of(new byte[0]);

  /**
   * Bytes in memory.
   *
   * @param bytes the bytes, which are not to be changed any more
   * @return the content
   */
  static Content of(byte[] bytes) {
    return new Bytes(bytes);
  }

  /** The same of bytes that somebody else may change. */
  static Content copyOf(byte[] bytes) {
    Needed.of(bytes, "the bytes of a body");
    return new Bytes(bytes.clone());
  }

  /**
   * How long it is.
   *
   * @return the number of bytes
   */
  long length();

  /**
   * Reads it from its beginning.
   *
   * @return a new stream, to be closed by the caller
   * @throws IOException if a file of it cannot be read
   */
  InputStream open() throws IOException;

  /**
   * The parts of a multipart body, as a report shows them.
   *
   * @return the parts; empty if it is not made of parts
   */
  default List<ContentPart> parts() {
    return List.of();
  }

  /**
   * Whether it comes from a file, which is read when it is sent.
   *
   * @return true if it is better not read again for a report
   */
  default boolean isStreamed() {
    return false;
  }

  /**
   * All of it in memory.
   *
   * @return the bytes
   * @throws IOException if a file of it cannot be read
   */
  default byte[] bytes() throws IOException {
    try (InputStream stream = open()) {
      return stream.readAllBytes();
    }
  }

  /** Bytes in memory. */
  record Bytes(byte[] array) implements Content {
    @Override
    public long length() {
      return array.length;
    }

    @Override
    public InputStream open() {
      return new ByteArrayInputStream(array);
    }

    @Override
    public byte[] bytes() {
      return array;
    }
  }
}
