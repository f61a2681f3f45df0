package org.oddlantern.internal.reports.html;

import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import org.oddlantern.shaded.gg.jte.TemplateOutput;

/**
 * Writes a page as UTF-8. What is no character becomes a question mark. Texts are turned into octets whole,
 * which costs a fraction of what an encoder does in a JVM that has just started.
 */
final class PageOutput implements TemplateOutput, AutoCloseable {

  private static final int SIZE = 1 << 16;

  private final OutputStream out;
  private final byte[] octets = new byte[SIZE];
  private int count;

  PageOutput(OutputStream out) {
    this.out = out;
  }

  @Override
  public void writeContent(String text) {
    byte[] more = text.getBytes(StandardCharsets.UTF_8);
    if (more.length > SIZE - count) {
      flush();
    }
    if (more.length > SIZE) {
      write(more, more.length);
    } else {
      System.arraycopy(more, 0, octets, count, more.length);
      count += more.length;
    }
  }

  @Override
  public void writeContent(String text, int begin, int end) {
    if (begin < end) {
      writeContent(text.substring(begin, end));
    }
  }

  private void flush() {
    write(octets, count);
    count = 0;
  }

  private void write(byte[] all, int size) {
    try {
      out.write(all, 0, size);
    } catch (IOException e) {
      throw new Unwritable(e);
    }
  }

  @Override
  public void close() throws IOException {
    try (out) {
      flush();
    } catch (Unwritable e) {
      throw e.getCause();
    }
  }

  /** The page cannot be written; what cannot be read for it is something else. */
  static final class Unwritable extends UncheckedIOException {
    private static final long serialVersionUID = 1;

    private Unwritable(IOException cause) {
      super(cause);
    }
  }
}
