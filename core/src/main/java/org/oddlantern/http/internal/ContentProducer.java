package org.oddlantern.http.internal;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.oddlantern.http.Content;
import org.oddlantern.shaded.org.apache.hc.core5.http.nio.AsyncEntityProducer;
import org.oddlantern.shaded.org.apache.hc.core5.http.nio.DataStreamChannel;

/** Content as the HTTP client's core takes it: piece by piece, when there is room for one. */
final class ContentProducer implements AsyncEntityProducer {

  private final Content content;
  private final ByteBuffer piece = ByteBuffer.allocate(1 << 16).flip();
  private @Nullable InputStream stream;
  private boolean ended;

  ContentProducer(Content content) {
    this.content = content;
  }

  @Override
  public boolean isRepeatable() {
    return false;
  }

  @Override
  public void failed(Exception cause) {
    releaseResources();
  }

  @Override
  public long getContentLength() {
    return content.length();
  }

  @Override
  public @Nullable String getContentType() {
    return null;
  }

  @Override
  public @Nullable String getContentEncoding() {
    return null;
  }

  @Override
  public boolean isChunked() {
    return false;
  }

  @Override
  public Set<String> getTrailerNames() {
    return Set.of();
  }

  @Override
  public int available() {
    return ended ? 0 : Math.max(1, piece.remaining());
  }

  @Override
  public void produce(DataStreamChannel channel) throws IOException {
    while (!ended) {
      if (!piece.hasRemaining() && !filled()) {
        ended = true;
        channel.endStream();
        return;
      }
      if (channel.write(piece) == 0) {
        return;
      }
    }
  }

  private boolean filled() throws IOException {
    InputStream source = stream;
    if (source == null) {
      source = content.open();
      stream = source;
    }
    int read = source.read(piece.array());
    if (read <= 0) {
      return false;
    }
    piece.position(0).limit(read);
    return true;
  }

  @Override
  public void releaseResources() {
    try {
      if (stream != null) {
        stream.close();
      }
    } catch (IOException e) {
      throw new UncheckedIOException("a file that was sent could not be closed: " + e, e);
    }
  }
}
