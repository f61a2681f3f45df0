package org.oddlantern.http.internal;

import java.io.IOException;
import java.io.InputStream;
import java.io.InterruptedIOException;
import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.Headers;
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
  private final @Nullable Listening listening;
  private volatile @Nullable WireReply head;
  private volatile @Nullable Collected collected;
  private volatile Runnable leave = () -> {};

  /** Of an exchange whose body may have so many bytes, content encodings undone. */
  Progress(long limit) {
    this(limit, null);
  }

  /** Of an exchange under these terms. */
  Progress(Terms terms) {
    this(terms.body(), terms.listening());
  }

  private Progress(long limit, @Nullable Listening listening) {
    this.limit = limit;
    this.listening = listening;
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

  /** All came but the body, which comes as it is meant, not in a content encoding. */
  void headCame(WireReply came) {
    status = came.status();
    head = came;
  }

  /**
   * What came of a reply that is read only so far, if it was read so far.
   *
   * @return the reply; null if it was to be read to its end, or has not begun
   */
  @Nullable
  WireReply heardSoFar() {
    WireReply begun = head;
    Collected pieces = collected;
    if (listening == null || begun == null || pieces == null || !(late || pieces.isEnough())) {
      return null;
    }
    return new WireReply(begun.status(), begun.reason(), begun.headers(), pieces.all());
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

  /** How the connection is left before the end of a reply: closing it would read on to an end that may never come. */
  void leftBy(Runnable how) {
    leave = how;
  }

  /** What to do about a reply that has no end; empty if that is not what it is. */
  String streamHint() {
    WireReply begun = head;
    String type = begun == null ? "" : begun.headers().first("Content-Type").orElse("");
    return type.startsWith("text/event-stream")
        ? "; it is a stream of events, of which readingEvents(events, limit) reads a part"
        : "";
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
    return announced >= 0 && announced <= LARGEST_CHUNK && listening == null
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
    Collected pieces = collected();
    byte[] chunk = new byte[CHUNK];
    long room = 0;
    for (int read = stream.read(chunk); read >= 0; read = stream.read(chunk)) {
      if (hold != null && pieces.total + read > room && pieces.total >= BodyBudget.LARGE) {
        takeRoom(hold.portion());
        room = pieces.total + hold.portion();
      }
      try {
        pieces.add(ByteBuffer.wrap(chunk, 0, read));
      } catch (Heard | BodyTooLarge e) {
        leave.run();
        throw e;
      }
    }
    return pieces.all();
  }

  /** A body that comes in pieces. */
  Collected collected() {
    Collected pieces = new Collected();
    if (listening != null) { // else they must be gone as soon as they are joined
      collected = pieces;
    }
    return pieces;
  }

  /** The pieces that have come; they are joined once, at the end. */
  final class Collected {
    private final List<byte[]> full = new ArrayList<>();
    private byte[] piece = new byte[CHUNK];
    private int filled;
    private long total;
    private @Nullable EventReading events;
    private boolean enough;

    boolean isEnough() {
      return enough;
    }

    synchronized void add(ByteBuffer chunk) throws IOException {
      WireReply begun = head;
      boolean last =
          listening != null && begun != null && isLast(chunk, begun.headers(), listening.events());
      store(chunk);
      if (last) {
        enough = true;
        throw new Heard();
      }
    }

    /** Cuts what comes after the last event that is wanted; whether that is in it. */
    private boolean isLast(ByteBuffer chunk, Headers headers, int most) {
      EventReading reading = events;
      if (reading == null) {
        reading = new EventReading(headers.first("Content-Type").orElse(""));
        events = reading;
      }
      byte[] octets = new byte[chunk.remaining()];
      chunk.duplicate().get(octets);
      chunk.limit(chunk.position() + reading.read(octets, octets.length, most));
      return reading.count() >= most;
    }

    private void store(ByteBuffer chunk) throws IOException {
      bytes = total + chunk.remaining();
      if (bytes > limit) {
        throw new BodyTooLarge("the body is larger than the limit of " + limit + " bytes");
      }
      total = bytes;
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

    synchronized byte[] all() {
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

  /** Ends the reading of a reply of which enough was heard. */
  static final class Heard extends IOException {
    private static final long serialVersionUID = 1L;

    Heard() {
      super("enough events were heard");
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
