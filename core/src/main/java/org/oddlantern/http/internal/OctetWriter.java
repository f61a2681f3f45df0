package org.oddlantern.http.internal;

import java.io.IOException;
import java.io.OutputStream;
import org.oddlantern.shaded.org.apache.hc.core5.http.ClassicHttpRequest;
import org.oddlantern.shaded.org.apache.hc.core5.http.HttpException;
import org.oddlantern.shaded.org.apache.hc.core5.http.impl.io.DefaultHttpRequestWriter;
import org.oddlantern.shaded.org.apache.hc.core5.http.io.HttpMessageWriter;
import org.oddlantern.shaded.org.apache.hc.core5.http.io.HttpTransportMetrics;
import org.oddlantern.shaded.org.apache.hc.core5.http.io.SessionOutputBuffer;
import org.oddlantern.shaded.org.apache.hc.core5.util.CharArrayBuffer;

/** Writes each letter of a head as the byte that it stands for; the client would write some as '?'. */
final class OctetWriter implements HttpMessageWriter<ClassicHttpRequest> {

  private final DefaultHttpRequestWriter writer = new DefaultHttpRequestWriter();

  @Override
  public void write(ClassicHttpRequest request, SessionOutputBuffer buffer, OutputStream stream)
      throws IOException, HttpException {
    writer.write(request, new Octets(buffer), stream);
  }

  private record Octets(SessionOutputBuffer buffer) implements SessionOutputBuffer {

    @Override
    public void writeLine(CharArrayBuffer line, OutputStream stream) throws IOException {
      byte[] octets = new byte[(line == null ? 0 : line.length()) + 2];
      for (int i = 0; i < octets.length - 2; i++) {
        octets[i] = (byte) line.charAt(i);
      }
      octets[octets.length - 2] = '\r';
      octets[octets.length - 1] = '\n';
      buffer.write(octets, stream);
    }

    @Override
    public int length() {
      return buffer.length();
    }

    @Override
    public int capacity() {
      return buffer.capacity();
    }

    @Override
    public int available() {
      return buffer.available();
    }

    @Override
    public void write(byte[] bytes, int offset, int count, OutputStream stream) throws IOException {
      buffer.write(bytes, offset, count, stream);
    }

    @Override
    public void write(byte[] bytes, OutputStream stream) throws IOException {
      buffer.write(bytes, stream);
    }

    @Override
    public void write(int octet, OutputStream stream) throws IOException {
      buffer.write(octet, stream);
    }

    @Override
    public void flush(OutputStream stream) throws IOException {
      buffer.flush(stream);
    }

    @Override
    public HttpTransportMetrics getMetrics() {
      return buffer.getMetrics();
    }
  }
}
