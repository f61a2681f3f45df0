package org.oddlantern.program;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * What a program says: the last lines in memory, more of them in a file that is begun anew when it is full.
 * However much it says, it is never kept waiting and never fills the disk. Thread-safe.
 */
final class Output {

  /** The file before the last one is kept. */
  static final long LARGEST_FILE = 8L << 20;

  private static final int MOST_LINES = 1_000;
  private static final int LONGEST_LINE = 4_000;

  private final Path file;
  private final @Nullable Pattern awaited;
  private final Deque<String> last = new ArrayDeque<>();
  private final ByteArrayOutputStream line = new ByteArrayOutputStream();
  private boolean said;

  Output(Path file, @Nullable Pattern awaited) {
    this.file = file;
    this.awaited = awaited;
  }

  /** Reads to the end, whether or not there is room to keep it. */
  void read(InputStream stream) throws IOException {
    byte[] chunk = new byte[1 << 16];
    try (Kept kept = new Kept()) {
      for (int read = stream.read(chunk); read >= 0; read = stream.read(chunk)) {
        kept.write(chunk, read);
        lines(chunk, read);
      }
    }
    lines(new byte[] {'\n'}, 1);
  }

  private synchronized void lines(byte[] chunk, int length) {
    int from = 0;
    for (int i = 0; i < length; i++) {
      if (chunk[i] == '\n') {
        add(chunk, from, i);
        end();
        from = i + 1;
      }
    }
    add(chunk, from, length);
  }

  private void add(byte[] chunk, int from, int to) {
    line.write(chunk, from, Math.min(to - from, Math.max(0, LONGEST_LINE - line.size())));
  }

  private void end() {
    String text = line.toString(StandardCharsets.UTF_8).stripTrailing();
    line.reset();
    if (text.isEmpty()) {
      return;
    }
    said = said || awaited != null && awaited.matcher(text).find();
    last.add(text);
    if (last.size() > MOST_LINES) {
      last.remove();
    }
  }

  /** Whether it has said what is waited for. */
  synchronized boolean hasSaid() {
    return said;
  }

  /** The last lines that are not empty. */
  synchronized List<String> lastLines() {
    return List.copyOf(last);
  }

  /** The last few lines, for a message; empty if it said nothing. */
  synchronized String words(int most) {
    List<String> lines = lastLines();
    List<String> few = lines.subList(Math.max(0, lines.size() - most), lines.size());
    return few.isEmpty() ? "; it said nothing" : "; it said last:\n  " + String.join("\n  ", few);
  }

  /** The file, begun anew when it is full; where there is no room for it, it ends. */
  private final class Kept implements AutoCloseable {
    private @Nullable OutputStream out;
    private long written;

    Kept() {
      begin();
    }

    void write(byte[] bytes, int length) {
      OutputStream now = out;
      if (now == null) {
        return;
      }
      try {
        now.write(bytes, 0, length);
        written += length;
        if (written >= LARGEST_FILE) {
          close();
          Path before = file.resolveSibling(file.getFileName() + ".1");
          Files.move(file, before, StandardCopyOption.REPLACE_EXISTING);
          begin();
        }
      } catch (IOException e) {
        close();
      }
    }

    private void begin() {
      written = 0;
      try {
        out = Files.newOutputStream(file);
      } catch (IOException e) {
        out = null;
      }
    }

    @Override
    public void close() {
      OutputStream now = out;
      out = null;
      try {
        if (now != null) {
          now.close();
        }
      } catch (IOException e) {
        // what could not be written is not there
      }
    }
  }
}
