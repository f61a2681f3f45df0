package org.oddlantern.internal.run;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import org.oddlantern.internal.PrintListener;

/** What a case prints, up to a limit. Thread-safe. */
final class Printing implements PrintListener {

  private static final int MOST = 1 << 20;

  private final ByteArrayOutputStream printed = new ByteArrayOutputStream(0);

  @Override
  public synchronized void printed(byte[] bytes, int offset, int length) {
    printed.write(bytes, offset, Math.min(length, Math.max(0, MOST - printed.size())));
  }

  /** All of it; the beginning, if it is very long. */
  synchronized String text() {
    String text = printed.toString(StandardCharsets.UTF_8);
    return printed.size() < MOST ? text : text + "\n... cut after a mebibyte";
  }
}
