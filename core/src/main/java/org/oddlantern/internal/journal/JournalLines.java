package org.oddlantern.internal.journal;

import java.io.ByteArrayOutputStream;
import java.io.Closeable;
import java.io.FileInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Path;
import org.jspecify.annotations.Nullable;

/** Reads a file line by line, as octets, and tells where each line begins. For one thread. */
final class JournalLines implements Closeable {

  /** For whole files. */
  static final int LARGE = 1 << 16;

  /** For one line or a few. */
  static final int SMALL = 1 << 12;

  private final InputStream in;
  private final byte[] buffer;
  private int next;
  private int end;
  private long read;
  private long place;

  /** From a place on, where a line begins. */
  JournalLines(Path file, long from, int size) throws IOException {
    // no channel: one is closed when the thread that reads is interrupted
    this.in = new FileInputStream(file.toFile());
    in.skipNBytes(from);
    this.buffer = new byte[size];
    this.read = from;
  }

  /** Where the line begins that was given last. */
  long place() {
    return place;
  }

  /** The next line without its end; null after the last one. */
  byte @Nullable [] next() throws IOException {
    place = read - (end - next);
    if (next == end && !fill()) {
      return null;
    }
    ByteArrayOutputStream begun = new ByteArrayOutputStream(0);
    do {
      for (int i = next; i < end; i++) {
        if (buffer[i] == '\n') {
          begun.write(buffer, next, i - next);
          next = i + 1;
          return begun.toByteArray();
        }
      }
      begun.write(buffer, next, end - next);
      next = end;
    } while (fill());
    return begun.toByteArray();
  }

  private boolean fill() throws IOException {
    int more = in.read(buffer);
    next = 0;
    end = Math.max(0, more);
    read += end;
    return more > 0;
  }

  @Override
  public void close() throws IOException {
    in.close();
  }
}
