package org.oddlantern.http.internal;

import java.io.IOException;
import org.oddlantern.shaded.org.apache.hc.core5.http.ClassicHttpResponse;
import org.oddlantern.shaded.org.apache.hc.core5.http.HttpException;
import org.oddlantern.shaded.org.apache.hc.core5.http.ProtocolException;
import org.oddlantern.shaded.org.apache.hc.core5.http.config.Http1Config;
import org.oddlantern.shaded.org.apache.hc.core5.http.impl.io.DefaultHttpResponseParser;
import org.oddlantern.shaded.org.apache.hc.core5.util.CharArrayBuffer;

/** Takes nothing but a status line for one, and tells what came instead. */
final class StrictParser extends DefaultHttpResponseParser {

  private static final int SHOWN = 60;

  StrictParser(Http1Config limits) {
    super(limits);
  }

  @Override
  protected ClassicHttpResponse createMessage(CharArrayBuffer line)
      throws IOException, HttpException {
    try {
      return super.createMessage(line);
    } catch (HttpException e) {
      String text = line.toString();
      throw new ProtocolException(
          "it begins with '" + (text.length() > SHOWN ? text.substring(0, SHOWN) + "..." : text)
              + "'",
          e);
    }
  }
}
