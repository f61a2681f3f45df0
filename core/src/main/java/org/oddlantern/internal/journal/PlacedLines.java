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
    byte[] line = inPiece(place);
    if (line == null) {
      read(place);
      line = inPiece(place);
    }
    return line == null ? longer(place) : line;
  }

  /** The line, if the piece holds it to its end. */
  private byte @Nullable [] inPiece(long place) {
    if (place < start || place >= start + piece.length) {
      return null;
    }
    int from = (int) (place - start);
    for (int i = from; i < piece.length; i++) {
      if (piece[i] == '\n') {
        return Arrays.copyOfRange(piece, from, i);
      }
    }
    return null;
  }

  private void read(long place) throws IOException {
    try (RandomAccessFile access = new RandomAccessFile(file.toFile(), "r")) {
      piece = new byte[(int) Math.min(Math.max(0, access.length() - place), PIECE)];
      start = place;
      access.seek(place);
      access.readFully(piece);
    }
  }

  /** One that is longer than a piece is not kept, nor is a last one without an end. */
  private byte @Nullable [] longer(long place) throws IOException {
    try (JournalLines lines = new JournalLines(file, place, JournalLines.LARGE)) {
      return lines.next();
    }
  }
}
