package org.oddlantern.http;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.SequenceInputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** Parts one after the other, as forms with files are sent (RFC 7578, RFC 2046 section 5.1). */
record MultipartContent(String boundary, List<ContentPart> parts) implements Content {

  private static final byte[] LINE = {'\r', '\n'};

  @Override
  public long length() {
    long length = end().length;
    for (ContentPart part : parts) {
      length += head(part).length + part.content().length() + LINE.length;
    }
    return length;
  }

  @Override
  public InputStream open() {
    List<InputStream> pieces = new ArrayList<>();
    for (ContentPart part : parts) {
      pieces.add(new ByteArrayInputStream(head(part)));
      pieces.add(new LazyStream(part.content()));
      pieces.add(new ByteArrayInputStream(LINE));
    }
    pieces.add(new ByteArrayInputStream(end()));
    return new SequenceInputStream(Collections.enumeration(pieces));
  }

  @Override
  public boolean isStreamed() {
    return parts.stream().anyMatch(part -> part.content().isStreamed());
  }

  private byte[] head(ContentPart part) {
    StringBuilder head = new StringBuilder("--" + boundary + "\r\n");
    head.append("Content-Disposition: form-data; name=\"")
        .append(quoted(part.name()))
        .append('"');
    if (!part.fileName().isEmpty()) {
      head.append("; filename=\"").append(quoted(part.fileName())).append('"');
    }
    head.append("\r\n");
    if (!part.contentType().isEmpty()) {
      head.append("Content-Type: ").append(part.contentType()).append("\r\n");
    }
    return head.append("\r\n").toString().getBytes(StandardCharsets.UTF_8);
  }

  private byte[] end() {
    return ("--" + boundary + "--\r\n").getBytes(StandardCharsets.US_ASCII);
  }

  /** As browsers write names (the HTML standard, section 4.10.21.8). */
  private static String quoted(String name) {
    return name.replace("\r", "%0D").replace("\n", "%0A").replace("\"", "%22");
  }

  /** A part that is opened when it is reached, so that only one file is open at a time. */
  private static final class LazyStream extends InputStream {
    private final Content content;
    private @Nullable InputStream opened;

    LazyStream(Content content) {
      this.content = content;
    }

    @Override
    public int read() throws IOException {
      return stream().read();
    }

    @Override
    public int read(byte[] bytes, int offset, int length) throws IOException {
      return stream().read(bytes, offset, length);
    }

    @Override
    public void close() throws IOException {
      if (opened != null) {
        opened.close();
      }
    }

    private InputStream stream() throws IOException {
      InputStream stream = opened;
      if (stream == null) {
        stream = content.open();
        opened = stream;
      }
      return stream;
    }
  }
}
