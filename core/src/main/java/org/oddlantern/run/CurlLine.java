package org.oddlantern.run;

import org.oddlantern.http.Header;

/** A command line for a POSIX shell that repeats a call; secrets stand as {@code $SECRET}. */
final class CurlLine {

  private static final String OWN_HEADER = "Odd-Lantern-Case";

  private CurlLine() {}

  static String of(ExchangeRecord exchange) {
    BodyRecord body = exchange.requestBody();
    StringBuilder line = new StringBuilder("curl -sS -i");
    if (!exchange.method().equals("GET")) {
      line.append(" -X ").append(quoted(exchange.method()));
    }
    for (Header header : exchange.requestHeaders()) {
      if (!header.name().equalsIgnoreCase(OWN_HEADER)
          && !header.name().equalsIgnoreCase("User-Agent")) {
        line.append(" -H ").append(quoted(header.name() + ": " + header.value()));
      }
    }
    if (body.text() != null) {
      line.append(" --data-binary ").append(quoted(body.text()));
    } else if (body.bytes() > 0) {
      line.append(" --data-binary @").append(body.file() == null ? "BODY" : body.file());
    }
    return line.append(' ').append(quoted(exchange.url())).toString();
  }

  private static String quoted(String text) {
    if (text.matches("[A-Za-z0-9_./:=%+,@-]+")) {
      return text;
    }
    String single = "'" + text.replace("'", "'\\''") + "'";
    return single.replace(Masker.MASK, "'\"$SECRET\"'").replaceAll("\"''$", "\"");
  }
}
