package org.oddlantern.http.internal;

import java.io.IOException;
import java.io.InputStream;
import java.io.PushbackInputStream;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.zip.GZIPInputStream;
import java.util.zip.Inflater;
import java.util.zip.InflaterInputStream;
import org.oddlantern.evidence.Headers;

/** Undoes content encodings (RFC 9110, section 8.4.1): gzip and deflate; others are left as they are. */
final class ContentCoding {

  private static final int MOST = 4;

  private ContentCoding() {}

  /** Whether there is something to undo. */
  static boolean isCoded(Headers headers) {
    return !known(headers).isEmpty();
  }

  static InputStream decoded(InputStream stream, Headers headers) throws IOException {
    InputStream decoded = stream;
    for (String coding : known(headers)) {
      decoded = coding.endsWith("gzip") ? gunzipped(decoded) : inflated(decoded);
    }
    return decoded;
  }

  /** The codings to undo, the last one applied first; none if one of them is unknown. */
  private static List<String> known(Headers headers) {
    if (headers.first("Content-Encoding").isEmpty()) {
      return List.of();
    }
    List<String> codings = new ArrayList<>();
    for (String coding : String.join(",", headers.all("Content-Encoding"))
        .toLowerCase(Locale.ROOT)
        .split(",", -1)) {
      switch (coding.trim()) {
        case "gzip", "x-gzip", "deflate" -> codings.add(coding.trim());
        case "identity", "" -> {}
        default -> {
          return List.of();
        }
      }
    }
    Collections.reverse(codings);
    return codings.size() > MOST ? List.of() : codings;
  }

  private static InputStream gunzipped(InputStream stream) throws IOException {
    PushbackInputStream peeked = new PushbackInputStream(stream, 1);
    int first = peeked.read();
    if (first < 0) {
      return peeked; // a reply to HEAD, or one without a body
    }
    peeked.unread(first);
    return new GZIPInputStream(peeked);
  }

  /** In zlib's format as the standard wants it, or bare as many servers send it. */
  private static InputStream inflated(InputStream stream) throws IOException {
    PushbackInputStream peeked = new PushbackInputStream(stream, 2);
    byte[] head = peeked.readNBytes(2);
    peeked.unread(head);
    boolean zlib = head.length == 2
        && (head[0] & 15) == 8
        && (((head[0] & 255) << 8) | (head[1] & 255)) % 31 == 0;
    return head.length == 0 ? peeked : new InflaterInputStream(peeked, new Inflater(!zlib));
  }
}
