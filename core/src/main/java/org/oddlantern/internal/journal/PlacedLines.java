package org.oddlantern.internal.journal;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.file.Path;
import java.util.Arrays;
import org.jspecify.annotations.Nullable;

/**
 * Reads lines of a journal by their places. It reads a good piece of the file at once, since who asks for
 * one line mostly asks for the next one then, and keeps the file closed meanwhile. For one thread.
 */
final class PlacedLines {

  /** In octets; room for some dozens of cases. */
  private static final int PIECE = 1 << 16;

  private final Path file;
  private byte[] piece = {};
  private long start;

  PlacedLines(Path file) {
    this.file = file;
  }

  /** The line that begins at a place, without its end; null if nothing is there. */
  byte @Nullable [] at(long place) throws IOException {
    int size = PIECE;
    boolean whole = false;
    while (true) {
      boolean inside = place >= start && place < start + piece.length;
      int from = inside ? (int) (place - start) : 0;
      for (int i = from; inside && i < piece.length; i++) {
        if (piece[i] == '\n') {
          return Arrays.copyOfRange(piece, from, i);
        }
      }
      if (whole) {
        return inside ? Arrays.copyOfRange(piece, from, piece.length) : null;
      }
      whole = read(place, size);
      size = (int) Math.min(4L * size, Integer.MAX_VALUE - 8);
    }
  }

  /** Whether the file ends there. */
  private boolean read(long place, int size) throws IOException {
    try (RandomAccessFile access = new RandomAccessFile(file.toFile(), "r")) {
      long left = Math.max(0, access.length() - place);
      piece = new byte[(int) Math.min(left, size)];
      start = place;
      access.seek(place);
      access.readFully(piece);
      return piece.length == left;
    }
  }
}
