package org.oddlantern.http.internal;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import org.oddlantern.http.Content;
import org.oddlantern.shaded.org.apache.hc.core5.http.io.entity.AbstractHttpEntity;

/** Content as the HTTP client takes it: written piece by piece. */
final class ContentEntity extends AbstractHttpEntity {

  private final Content content;

  ContentEntity(Content content) {
    super((String) null, null, false);
    this.content = content;
  }

  @Override
  public boolean isRepeatable() {
    return true;
  }

  @Override
  public long getContentLength() {
    return content.length();
  }

  @Override
  public InputStream getContent() throws IOException {
    return content.open();
  }

  @Override
  public void writeTo(OutputStream out) throws IOException {
    try (InputStream stream = content.open()) {
      stream.transferTo(out);
    }
  }

  @Override
  public boolean isStreaming() {
    return content.isStreamed();
  }

  @Override
  public void close() {
    // every stream is closed by who opened it
  }
}
