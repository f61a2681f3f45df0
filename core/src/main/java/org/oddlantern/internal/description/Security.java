package org.oddlantern.internal.description;

import java.util.List;
import java.util.Locale;

/**
 * What proves who calls: one of several ways, each by all of its schemes (OpenAPI 3.1, Security
 * Requirement Object).
 *
 * @param ways the ways; none if everybody may call
 */
public record Security(List<List<Scheme>> ways) {

  /** Everybody may call. */
  public static final Security NONE = new Security(List.of());

  /** Keeps its own list. */
  public Security {
    ways = ways.stream().map(List::copyOf).toList();
  }

  /** Whether nobody has to prove anything. */
  public boolean isOpen() {
    return ways.isEmpty() || ways.stream().anyMatch(List::isEmpty);
  }

  /** Whether whether anybody did can be seen in a request. */
  public boolean canBeSeen() {
    return ways.stream().flatMap(List::stream).allMatch(scheme -> scheme.kind() != Kind.UNSEEN);
  }

  /** Kinds of schemes, by where they can be seen. */
  public enum Kind {
    /** A header, a parameter of the query or a cookie of that name. */
    KEY,
    /** The header {@code Authorization}. */
    AUTHORIZATION,
    /** The connection, or nowhere that is known. */
    UNSEEN
  }

  /**
   * A scheme (OpenAPI 3.1, Security Scheme Object).
   *
   * @param title what it is called in the description
   * @param kind where it can be seen
   * @param in of a key, where it travels: {@code header}, {@code query} or {@code cookie}
   * @param name of a key, its name
   */
  public record Scheme(String title, Kind kind, String in, String name) {

    static Scheme of(String title, Part part) {
      return switch (part.neededText("type").toLowerCase(Locale.ROOT)) {
        case "apikey" ->
          new Scheme(title, Kind.KEY, part.neededText("in"), part.neededText("name"));
        case "http", "oauth2", "openidconnect" ->
          new Scheme(title, Kind.AUTHORIZATION, "header", "Authorization");
        default -> new Scheme(title, Kind.UNSEEN, "", "");
      };
    }
  }
}
