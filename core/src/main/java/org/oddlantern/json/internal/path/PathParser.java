package org.oddlantern.json.internal.path;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** Reads the grammar of RFC 9535, except what stands in a filter. */
public final class PathParser {

  /** Brackets within brackets; more are nobody's honest path. */
  private static final int DEEPEST = 100;

  private final PathScanner scanner;
  private int depth;

  /** A parser of one path. */
  public PathParser(String text) {
    this.scanner = new PathScanner(text);
  }

  /** The whole path. */
  public Query parse() {
    scanner.want("$", "'$', the root with which every path begins");
    Query query = new Query(false, segments());
    if (!scanner.atEnd()) {
      throw scanner.error("'.', '[' or the end of the path");
    }
    return query;
  }

  /** A query inside a filter, whose first sign is still to be read. */
  Query query() {
    boolean relative = scanner.take("@");
    if (!relative) {
      scanner.want("$", "'@' or '$'");
    }
    return new Query(relative, segments());
  }

  PathScanner scanner() {
    return scanner;
  }

  /** Goes one level down; {@link #up} comes back. */
  void down() {
    if (++depth > DEEPEST) {
      throw scanner.error("at most " + DEEPEST + " levels of nesting");
    }
  }

  void up() {
    depth--;
  }

  private List<Segment> segments() {
    List<Segment> segments = new ArrayList<>();
    int before = scanner.at();
    scanner.skipBlanks();
    while (scanner.peek() == '.' || scanner.peek() == '[') {
      segments.add(segment());
      before = scanner.at();
      scanner.skipBlanks();
    }
    scanner.backTo(before);
    return List.copyOf(segments);
  }

  private Segment segment() {
    int start = scanner.at();
    boolean descendant = scanner.take("..");
    List<Selector> selectors;
    if (scanner.peek() == '[') {
      selectors = bracketed();
    } else {
      if (!descendant) {
        scanner.want(".", "'.' or '['");
      }
      selectors = List.of(shorthand());
    }
    return new Segment(scanner.since(start), descendant, selectors);
  }

  private Selector shorthand() {
    return scanner.take("*") ? new Selector.Wildcard() : new Selector.Name(scanner.shorthandName());
  }

  private List<Selector> bracketed() {
    down();
    scanner.want("[", "'['");
    List<Selector> selectors = new ArrayList<>();
    do {
      scanner.skipBlanks();
      selectors.add(selector());
      scanner.skipBlanks();
    } while (scanner.take(","));
    scanner.want("]", "',' or ']'");
    up();
    return List.copyOf(selectors);
  }

  private Selector selector() {
    if (scanner.take("*")) {
      return new Selector.Wildcard();
    }
    if (scanner.isQuote()) {
      return new Selector.Name(scanner.quoted());
    }
    if (scanner.take("?")) {
      scanner.skipBlanks();
      return new Selector.Filter(new FilterParser(this).condition());
    }
    if (scanner.peek() != ':' && !scanner.isInteger()) {
      throw scanner.error("a quoted name, an index, a slice, '*' or a filter that begins with '?'");
    }
    return indexOrSlice();
  }

  private Selector indexOrSlice() {
    Long first = scanner.isInteger() ? scanner.integer() : null;
    int after = scanner.at();
    scanner.skipBlanks();
    if (!scanner.take(":")) {
      scanner.backTo(after);
      if (first == null) {
        throw scanner.error("an index");
      }
      return new Selector.Index(first);
    }
    Long end = numberAfterBlanks();
    Long step = null;
    if (scanner.take(":")) {
      step = numberAfterBlanks();
    }
    return new Selector.Slice(first, end, step == null ? 1 : step);
  }

  private @Nullable Long numberAfterBlanks() {
    scanner.skipBlanks();
    if (!scanner.isInteger()) {
      return null;
    }
    Long number = scanner.integer();
    int after = scanner.at();
    scanner.skipBlanks();
    if (scanner.peek() != ':') {
      scanner.backTo(after);
    }
    return number;
  }
}
