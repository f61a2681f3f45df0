package org.oddlantern.run;

import java.util.List;
import org.oddlantern.http.Header;

/** A command line for a POSIX shell that repeats a call; secrets stand as {@code $SECRET}. */
final class CurlLine {

  private static final String OWN_HEADER = "Odd-Lantern-Case";

  private CurlLine() {}

  static String of(String method, String url, List<Header> headers, BodyRecord body) {
    StringBuilder line = new StringBuilder("curl -sS -i");
    if (!method.equals("GET")) {
      line.append(" -X ").append(quoted(method));
    }
    for (Header header : headers) {
      if (!header.name().equalsIgnoreCase(OWN_HEADER)
          && !header.name().equalsIgnoreCase("User-Agent")) {
        line.append(" -H ").append(quoted(header.name() + ": " + header.value()));
      }
    }
    if (body.text() != null) {
      line.append(" --data-binary ").append(quoted(body.text()));
    } else if (body.bytes() > 0) {
      line.append(" --data-binary @BODY");
    }
    return line.append(' ').append(quoted(url)).toString();
  }

  private static String quoted(String text) {
    if (text.matches("[A-Za-z0-9_./:=%+,@-]+")) {
      return text;
    }
    String single = "'" + text.replace("'", "'\\''") + "'";
    return single.replace(Masker.MASK, "'\"$SECRET\"'");
  }
}
