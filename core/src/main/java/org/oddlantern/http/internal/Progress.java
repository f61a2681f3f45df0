package org.oddlantern.http.internal;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.Arrays;
import org.apache.hc.client5.http.classic.methods.HttpUriRequestBase;
import org.apache.hc.core5.http.HttpEntity;
import org.jspecify.annotations.Nullable;

/** How far one exchange has come, for the sentence that says why it ended early. */
final class Progress {

  /** Bytes of a body, content encodings undone, after which reading stops. */
  static final int BODY_LIMIT = 64 * 1024 * 1024;

  private static final int CHUNK = 8192;
  private static final int SMALL = 1 << 20;

  private volatile boolean late;
  private volatile int status;
  private volatile long bytes;

  void cutAtDeadline(HttpUriRequestBase request) {
    late = true;
    request.abort();
  }

  void statusCame(int code) {
    status = code;
  }

  boolean isLate() {
    return late;
  }

  /** What had come, in words. */
  String received() {
    if (status == 0) {
      return "nothing had come until then";
    }
    return "status " + status + " and " + bytes + (bytes == 1 ? " byte" : " bytes")
        + " of the body had come until then";
  }

  byte[] readBody(@Nullable HttpEntity entity) throws IOException {
    if (entity == null) {
      return new byte[0];
    }
    try (InputStream stream = entity.getContent()) {
      if (stream == null) {
        return new byte[0];
      }
      long announced = entity.getContentLength();
      return announced >= 0 && announced <= SMALL
          ? exactly(stream, (int) announced)
          : growing(stream);
    }
  }

  /** Most bodies: the length is known and small, so nothing is copied. */
  private byte[] exactly(InputStream stream, int length) throws IOException {
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
    ByteArrayOutputStream body = new ByteArrayOutputStream(CHUNK);
    byte[] chunk = new byte[CHUNK];
    for (int read = stream.read(chunk); read >= 0; read = stream.read(chunk)) {
      body.write(chunk, 0, read);
      bytes = body.size();
      if (body.size() > BODY_LIMIT) {
        throw new BodyTooLarge();
      }
    }
    return body.toByteArray();
  }

  /** Ends the reading of a body that is larger than allowed. */
  static final class BodyTooLarge extends IOException {
    private static final long serialVersionUID = 1L;

    BodyTooLarge() {
      super("the body is larger than " + BODY_LIMIT + " bytes");
    }
  }
}
