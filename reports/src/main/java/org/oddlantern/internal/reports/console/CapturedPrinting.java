package org.oddlantern.internal.reports.console;

import java.io.IOException;
import java.io.OutputStream;
import java.io.PrintStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import org.oddlantern.internal.CurrentCase;
import org.oddlantern.internal.PrintListener;

/**
 * Brings what a case prints to that case, so that it is masked and told with it; what others print goes
 * where it went before. Closing it restores the streams of the JVM.
 *
 * <pre>{@code
 * try (CapturedPrinting printing = CapturedPrinting.begun()) {
 *   runner.run(listeners);
 * }
 * }</pre>
 */
public final class CapturedPrinting implements AutoCloseable {

  private final PrintStream out = System.out;
  private final PrintStream err = System.err;

  private CapturedPrinting() {}

  /**
   * From now on.
   *
   * @return what ends it
   */
  public static CapturedPrinting begun() {
    CapturedPrinting printing = new CapturedPrinting();
    System.setOut(stream(printing.out));
    System.setErr(stream(printing.err));
    return printing;
  }

  @Override
  public void close() {
    System.setOut(out);
    System.setErr(err);
  }

  private static PrintStream stream(PrintStream before) {
    return new PrintStream(new Switch(before), true, StandardCharsets.UTF_8);
  }

  private static final class Switch extends OutputStream {
    private final PrintStream otherwise;

    Switch(PrintStream otherwise) {
      this.otherwise = otherwise;
    }

    @Override
    public void write(int octet) {
      write(new byte[] {(byte) octet}, 0, 1);
    }

    @Override
    public void write(byte[] bytes, int offset, int length) {
      Optional<PrintListener> listener = CurrentCase.part(PrintListener.class);
      if (listener.isPresent()) {
        listener.get().printed(bytes, offset, length);
      } else {
        otherwise.write(bytes, offset, length);
      }
    }

    @Override
    public void flush() {
      otherwise.flush();
    }

    @Override
    public void close() {
      try {
        super.close();
      } catch (IOException e) {
        throw new UncheckedIOException("the stream could not be closed: " + e.getMessage(), e);
      }
    }
  }
}
