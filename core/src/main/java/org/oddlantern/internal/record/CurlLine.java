package org.oddlantern.internal.record;

import java.nio.file.Path;
import java.util.Iterator;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.oddlantern.evidence.Header;
import org.oddlantern.http.internal.Caller;
import org.oddlantern.internal.Masked;

/**
 * A command line for a POSIX shell that repeats a call. A secret is the environment variable it came
 * from, else one named after its place: {@code $X_KEEPER_KEY}.
 */
final class CurlLine {

  /** Whoever repeats a call is no case of a run. */
  private static final Set<String> OWN_HEADERS = Set.of("odd-lantern-case", Caller.HEADER);

  private static final String OWN_CODINGS = "gzip, deflate";
  private static final String SECRET = "SECRET";
  private static final Pattern MASK = Pattern.compile(Pattern.quote(Masked.TEXT));

  private final ExchangeRecord exchange;
  private final Path folder;
  private final Iterator<String> variables;
  private final StringBuilder line = new StringBuilder("curl -sS -i");

  private CurlLine(ExchangeRecord exchange, Path folder) {
    this.exchange = exchange;
    this.folder = folder;
    this.variables = exchange.variables().iterator();
  }

  static String of(ExchangeRecord exchange, Path folder) {
    return new CurlLine(exchange, folder).text();
  }

  private String text() {
    BodyRecord body = exchange.requestBody();
    String url = quoted(exchange.url(), SECRET);
    if (exchange.method().equals("HEAD")) {
      line.append(" --head");
    } else if (!exchange.method().equals("GET") || body.bytes() > 0) {
      line.append(" -X ").append(quoted(exchange.method(), SECRET));
    }
    for (Header header : exchange.requestHeaders()) {
      String word = quoted(header.name() + ": " + header.value(), header.name());
      if (isNeeded(header, body)) {
        line.append(
            header.name().equalsIgnoreCase("Accept-Encoding") ? " --compressed" : " -H " + word);
      }
    }
    addBody(body);
    return line.append(' ').append(url).toString();
  }

  private void addBody(BodyRecord body) {
    if (!body.parts().isEmpty()) {
      body.parts().forEach(this::addPart);
    } else if (exchange.sentFile() != null) {
      addFile(exchange.sentFile().name());
    } else if (body.text() != null) {
      line.append(" --data-binary ").append(quoted(body.text(), SECRET));
    } else if (body.file() != null) {
      addFile(body.file());
    } else if (body.bytes() > 0) {
      line.append(" --data-binary @BODY");
    }
  }

  private void addFile(String name) {
    String file = folder.resolve(name).toString().replace('\\', '/');
    line.append(" --data-binary ").append(quoted("@" + file, SECRET));
  }

  private void addPart(BodyRecord.FormPart part) {
    StringBuilder field = new StringBuilder(part.name()).append('=');
    if (part.text() != null && part.fileName().isEmpty()) {
      line.append(" -F ")
          .append(quoted(field.append(part.text()).append(type(part)).toString(), part.name()));
      return;
    }
    field.append('@').append(part.fileName().isEmpty() ? "PART" : part.fileName());
    line.append(" -F ").append(quoted(field.append(type(part)).toString(), SECRET));
  }

  private static String type(BodyRecord.FormPart part) {
    return part.contentType().isEmpty() ? "" : ";type=" + part.contentType();
  }

  private static boolean isNeeded(Header header, BodyRecord body) {
    String name = header.name();
    boolean boundary = name.equalsIgnoreCase("Content-Type") && !body.parts().isEmpty();
    boolean codings =
        name.equalsIgnoreCase("Accept-Encoding") && header.value().equals(OWN_CODINGS);
    return !boundary
        && !codings
        && !OWN_HEADERS.contains(name.toLowerCase(Locale.ROOT))
        && !name.equalsIgnoreCase("User-Agent");
  }

  /** The variable that stands for the secret of a place. */
  private static String variable(String place) {
    String name = place.toUpperCase(Locale.ROOT).replaceAll("[^A-Z0-9]+", "_");
    return name.equals("AUTHORIZATION") ? "TOKEN" : name.matches("[A-Z].*") ? name : SECRET;
  }

  /** A word of the shell; what is masked in it stands as a variable, named after its place if need be. */
  private String quoted(String text, String place) {
    if (isPlain(text)) {
      return text;
    }
    if (!text.contains(Masked.TEXT)) {
      return "'" + text.replace("'", "'\\''") + "'";
    }
    Matcher masks = MASK.matcher("'" + text.replace("'", "'\\''") + "'");
    StringBuilder quoted = new StringBuilder();
    while (masks.find()) {
      String known = variables.hasNext() ? variables.next() : "";
      String name = known.isEmpty() ? variable(place) : known;
      masks.appendReplacement(quoted, Matcher.quoteReplacement("'\"$" + name + "\"'"));
    }
    return masks.appendTail(quoted).toString().replaceAll("\"''$", "\"");
  }

  private static boolean isPlain(String text) {
    for (int i = 0; i < text.length(); i++) {
      if (!isPlain(text.charAt(i))) {
        return false;
      }
    }
    return !text.isEmpty();
  }

  /** Whether a character stands for itself in a shell. */
  private static boolean isPlain(int letter) {
    return letter >= 'a' && letter <= 'z'
        || letter >= 'A' && letter <= 'Z'
        || letter >= '0' && letter <= '9'
        || "_./:=%+,@-".indexOf(letter) >= 0;
  }
}
