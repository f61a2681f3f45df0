package org.oddlantern.http.internal;

import java.io.IOException;
import java.io.InputStream;
import java.io.InterruptedIOException;
import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.CurrentCase;

/** How far one exchange has come, for the sentence that says why it ended early. */
final class Progress {

  private static final int CHUNK = 8192;
  private static final int LARGEST_CHUNK = 1 << 20;

  private final long limit;
  private final BodyBudget.@Nullable Hold hold;
  private volatile boolean late;
  private volatile int status;
  private volatile long bytes;

  /** Of an exchange whose body may have so many bytes, content encodings undone. */
  Progress(long limit) {
    this.limit = limit;
    this.hold = CurrentCase.part(BodyBudget.Hold.class).orElse(null);
  }

  /** How long it has waited for memory, which is no time of the service; and whether it waits now. */
  long waitedNanos() {
    return hold == null ? 0 : hold.waitedNanos();
  }

  boolean isWaiting() {
    return hold != null && hold.isWaiting();
  }

  /** Takes room in memory for so many bytes of a body. */
  void takeRoom(long room) throws IOException {
    try {
      if (hold != null) {
        hold.take(room);
      }
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new InterruptedIOException("it was interrupted while it waited for memory");
    }
  }

  void isOverDue() {
    late = true;
  }

  /** The timeout may have come between two connections. */
  void refuseIfLate() throws InterruptedIOException {
    if (late) {
      throw new InterruptedIOException("the timeout is over");
    }
  }

  void statusCame(int code) {
    status = code;
  }

  boolean isLate() {
    return late;
  }

  boolean hasBegun() {
    return status != 0;
  }

  /** What had come, in words. */
  String received() {
    if (status == 0) {
      return "nothing had come until then";
    }
    return "status " + status + " and " + bytes + (bytes == 1 ? " byte" : " bytes")
        + " of the body had come until then";
  }

  /**
   * Reads a body to its end.
   *
   * @param announced its length, or less than 0 if it is not known
   */
  byte[] read(InputStream stream, long announced) throws IOException {
    if (announced > limit) {
      throw new BodyTooLarge("the Content-Length is " + announced
          + " bytes, which is more than the limit of " + limit);
    }
    return announced >= 0 && announced <= LARGEST_CHUNK
        ? exactly(stream, (int) announced)
        : growing(stream);
  }

  /** Most bodies: the length is known and small, so nothing is copied. */
  private byte[] exactly(InputStream stream, int length) throws IOException {
    takeRoom(length);
    byte[] body = new byte[length];
    int filled = 0;
    for (int read = stream.read(body);
        read > 0;
        read = stream.read(body, filled, length - filled)) {
      filled += read;
      bytes = filled;
    }
    return filled == length ? body : Arrays.copyOf(body, filled);
  }

  private byte[] growing(InputStream stream) throws IOException {
    Collected collected = collected();
    byte[] chunk = new byte[CHUNK];
    long room = 0;
    for (int read = stream.read(chunk); read >= 0; read = stream.read(chunk)) {
      if (hold != null && collected.total + read > room && collected.total >= BodyBudget.LARGE) {
        takeRoom(hold.portion());
        room = collected.total + hold.portion();
      }
      collected.add(ByteBuffer.wrap(chunk, 0, read));
    }
    return collected.all();
  }

  /** A body that comes in pieces. */
  Collected collected() {
    return new Collected();
  }

  /** The pieces that have come; they are joined once, at the end. */
  final class Collected {
    private final List<byte[]> full = new ArrayList<>();
    private byte[] piece = new byte[CHUNK];
    private int filled;
    private long total;

    void add(ByteBuffer chunk) throws IOException {
      total += chunk.remaining();
      bytes = total;
      if (total > limit) {
        throw new BodyTooLarge("the body is larger than the limit of " + limit + " bytes");
      }
      while (chunk.hasRemaining()) {
        if (filled == piece.length) {
          full.add(piece);
          piece = new byte[Math.min(2 * piece.length, LARGEST_CHUNK)];
          filled = 0;
        }
        int count = Math.min(chunk.remaining(), piece.length - filled);
        chunk.get(piece, filled, count);
        filled += count;
      }
    }

    byte[] all() {
      byte[] body = new byte[(int) total];
      int at = 0;
      for (byte[] one : full) {
        System.arraycopy(one, 0, body, at, one.length);
        at += one.length;
      }
      System.arraycopy(piece, 0, body, at, filled);
      return body;
    }
  }

  /** Ends the reading of a body that is larger than allowed. */
  static final class BodyTooLarge extends IOException {
    private static final long serialVersionUID = 1L;

    BodyTooLarge(String message) {
      super(message);
    }
  }
}
