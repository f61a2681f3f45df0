package org.oddlantern.standin;

import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.Needed;

/**
 * Which requests are meant: a method and a path with places for arguments, {@code GET /forecast/{place}}. A
 * last place {@code {+rest}} takes all that follows (RFC 6570, section 3.2.3).
 *
 * @param text the pattern as written
 * @param method the method; {@code *} for any
 * @param segments the pieces of the path
 */
record AddressPattern(String text, String method, List<Segment> segments) {

  private static final Pattern METHOD = Pattern.compile("[!#$%&'*+.^_`|~0-9A-Za-z-]+");
  private static final Pattern PLACE = Pattern.compile("\\{(\\+?)([A-Za-z_][A-Za-z0-9_-]*)}");

  /** Reads a pattern; one that no request could match is refused. */
  static AddressPattern of(String text) {
    Needed.of(text, "the pattern of a stand-in");
    String[] words = text.strip().split("\\s+", 2);
    if (words.length < 2) {
      throw bad(text, "it has a method and a path, like 'GET /forecast/{place}'");
    }
    String method = words[0];
    String path = words[1];
    if (!METHOD.matcher(method).matches()) {
      throw bad(text, "'" + method + "' is no method");
    }
    if (!method.equals(method.toUpperCase(Locale.ROOT))) {
      throw bad(
          text,
          "methods are case-sensitive (RFC 9110, section 9.1); write "
              + method.toUpperCase(Locale.ROOT));
    }
    if (!path.startsWith("/")) {
      throw bad(text, "the path begins with '/', without host and port");
    }
    if (path.contains("?") || path.contains("#")) {
      throw bad(
          text, "a pattern matches the path alone; asked.query(name) gives what the query says");
    }
    return new AddressPattern(text.strip(), method, segments(text, path));
  }

  private static List<Segment> segments(String text, String path) {
    List<Segment> segments = new ArrayList<>();
    Set<String> names = new HashSet<>();
    String[] pieces = path.substring(1).split("/", -1);
    for (int i = 0; i < pieces.length; i++) {
      Segment segment = segment(text, pieces[i]);
      if (segment.kind == Kind.REST && i < pieces.length - 1) {
        throw bad(text, "nothing can follow {+" + segment.text + "}, which takes all that is left");
      }
      if (segment.kind != Kind.LITERAL && !names.add(segment.text)) {
        throw bad(text, "the argument '" + segment.text + "' occurs in it twice");
      }
      segments.add(segment);
    }
    return segments;
  }

  private static Segment segment(String text, String piece) {
    var place = PLACE.matcher(piece);
    if (place.matches()) {
      return new Segment(place.group(1).isEmpty() ? Kind.ARGUMENT : Kind.REST, place.group(2));
    }
    if (piece.contains("{") || piece.contains("}")) {
      throw bad(text, "'" + piece + "' is neither a fixed piece of a path nor one argument");
    }
    if (piece.contains(" ")) {
      throw bad(text, "no path has a blank in it");
    }
    return new Segment(Kind.LITERAL, decoded(piece));
  }

  private static IllegalArgumentException bad(String text, String why) {
    return new IllegalArgumentException("the pattern '" + text + "' can never match: " + why);
  }

  /** The arguments of a request that matches; null if it does not. */
  @Nullable
  Map<String, String> match(String asked, List<String> path) {
    if (!method.equals("*") && !method.equals(asked)) {
      return null;
    }
    Map<String, String> arguments = new LinkedHashMap<>();
    for (int i = 0; i < segments.size(); i++) {
      Segment segment = segments.get(i);
      if (segment.kind == Kind.REST && path.size() > i) {
        arguments.put(segment.text, String.join("/", path.subList(i, path.size())));
        return arguments;
      }
      if (i >= path.size() || segment.kind == Kind.LITERAL && !segment.text.equals(path.get(i))) {
        return null;
      }
      if (segment.kind == Kind.ARGUMENT) {
        if (path.get(i).isEmpty()) {
          return null;
        }
        arguments.put(segment.text, path.get(i));
      }
    }
    return path.size() == segments.size() ? arguments : null;
  }

  /** What distinguishes two patterns: not how their arguments are named. */
  String sense() {
    StringBuilder sense = new StringBuilder(method);
    segments.forEach(one ->
        sense.append('/').append(one.kind == Kind.LITERAL ? one.text : "{" + one.kind + "}"));
    return sense.toString();
  }

  /** The more concrete one is the larger: piece by piece, fixed before argument before all the rest. */
  String concreteness() {
    StringBuilder order = new StringBuilder();
    segments.forEach(one -> order.append(one.kind.concreteness));
    return order.append(method.equals("*") ? "0" : "1").toString();
  }

  /** The pieces of a path as they are meant. */
  static List<String> pieces(String path) {
    List<String> pieces = new ArrayList<>();
    for (String piece : path.substring(path.startsWith("/") ? 1 : 0).split("/", -1)) {
      pieces.add(decoded(piece));
    }
    return pieces;
  }

  static String decoded(String piece) {
    try {
      return piece.indexOf('%') < 0
          ? piece
          : URLDecoder.decode(piece.replace("+", "%2B"), StandardCharsets.UTF_8);
    } catch (IllegalArgumentException e) {
      return piece; // percent signs that encode nothing stand for themselves
    }
  }

  /** What a piece of a pattern is. */
  private enum Kind {
    LITERAL('3'),
    ARGUMENT('2'),
    REST('1');

    private final char concreteness;

    Kind(char concreteness) {
      this.concreteness = concreteness;
    }
  }

  /**
   * A piece of the path.
   *
   * @param kind what it is
   * @param text what is there, or the name of the argument
   */
  private record Segment(Kind kind, String text) {}
}
