package org.oddlantern.json;

import java.util.ArrayList;
import java.util.List;

/** Reads the grammar of RFC 9535 as far as names, indexes and wildcards go. */
final class PathParser {

  private final PathScanner scanner;

  PathParser(String text) {
    this.scanner = new PathScanner(text);
  }

  List<Selector> parse() {
    scanner.want("$", "'$', the root with which every path begins");
    List<Selector> segments = new ArrayList<>();
    while (!scanner.atEnd()) {
      segments.add(segment());
    }
    return List.copyOf(segments);
  }

  private Selector segment() {
    scanner.skipBlanks();
    if (scanner.take("..")) {
      throw scanner.error("a name, an index or '*': descendants are not read yet, here");
    }
    if (scanner.take(".")) {
      return scanner.take("*")
          ? new Selector.Wildcard()
          : new Selector.Name(scanner.shorthandName());
    }
    scanner.want("[", "'.' or '['");
    scanner.skipBlanks();
    Selector selector = bracketed();
    scanner.skipBlanks();
    scanner.want("]", "']'");
    return selector;
  }

  private Selector bracketed() {
    if (scanner.take("*")) {
      return new Selector.Wildcard();
    }
    if (scanner.peek() == '\'' || scanner.peek() == '"') {
      return new Selector.Name(scanner.quoted());
    }
    return new Selector.Index(scanner.integer());
  }
}
