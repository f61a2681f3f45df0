package org.oddlantern.internal.reports.har;

import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.stream.Stream;

/**
 * A parameter of an address.
 *
 * @param name its name, decoded
 * @param value its value, decoded
 */
record QueryPart(String name, String value) {

  static List<QueryPart> of(String url) {
    int mark = url.indexOf('?');
    if (mark < 0) {
      return List.of();
    }
    String query = url.substring(mark + 1).replaceAll("#.*", "");
    return Stream.of(query.split("&", -1))
        .filter(part -> !part.isEmpty())
        .map(QueryPart::part)
        .toList();
  }

  private static QueryPart part(String text) {
    int equals = text.indexOf('=');
    return equals < 0
        ? new QueryPart(decoded(text), "")
        : new QueryPart(decoded(text.substring(0, equals)), decoded(text.substring(equals + 1)));
  }

  /** What is not well-formed stays as it is: it was sent like this. */
  private static String decoded(String text) {
    try {
      return URLDecoder.decode(text, StandardCharsets.UTF_8);
    } catch (IllegalArgumentException e) {
      return text;
    }
  }
}
