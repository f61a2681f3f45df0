package org.oddlantern.schema.internal.text;

/** Writes what stands in brackets. */
final class PatternClass {

  private final PatternTranslator in;
  private final StringBuilder out = new StringBuilder();
  private final int start;
  private boolean nested;

  PatternClass(PatternTranslator in) {
    this.in = in;
    this.start = in.place();
  }

  String translate() throws BadPattern {
    in.skip(1);
    boolean not = in.peek(0) == '^';
    in.skip(not ? 1 : 0);
    while (in.peek(0) != ']') {
      if (in.isAtEnd()) {
        throw in.bad(start, "brackets are not closed");
      }
      member();
    }
    in.skip(1);
    if (out.isEmpty()) {
      return not ? "(?s:.)" : "(?!)";
    }
    if (not && nested) {
      return "(?:(?![" + out
          + "])(?s:.))"; // how a negation reaches sets within is not the same everywhere
    }
    return (not ? "[^" : "[") + out + "]";
  }

  private void member() throws BadPattern {
    int place = in.place();
    if (set()) {
      boolean range = in.peek(0) == '-' && in.peek(1) != ']' && in.peek(1) != 0;
      if (range) {
        in.skip(1);
        out.append(PatternTranslator.written('-'));
      }
      return;
    }
    int from = point();
    if (in.peek(0) != '-' || in.peek(1) == ']' || in.peek(1) == 0) {
      out.append(PatternTranslator.written(from));
      return;
    }
    in.skip(1);
    if (set(PatternTranslator.written(from) + PatternTranslator.written('-'))) {
      return;
    }
    int to = point();
    if (to < from) {
      throw in.bad(place, "a range goes from more to less");
    }
    out.append(PatternTranslator.written(from)).append('-').append(PatternTranslator.written(to));
  }

  private boolean set() throws BadPattern {
    return set("");
  }

  /** Takes a set of characters, if one comes next. */
  private boolean set(String before) throws BadPattern {
    if (in.peek(0) != '\\') {
      return false;
    }
    char letter = in.peek(1);
    nested |= letter == 'p' || letter == 'P' || PatternSets.of(letter) != null;
    if (letter == 'p' || letter == 'P') {
      out.append(before).append(in.property());
      return true;
    }
    String set = PatternSets.of(letter);
    if (set == null) {
      return false;
    }
    in.skip(2);
    out.append(before).append('[').append(set).append(']');
    return true;
  }

  private int point() throws BadPattern {
    if (in.peek(0) != '\\') {
      return in.next();
    }
    if (in.peek(1) == 'b') {
      in.skip(2);
      return '\b';
    }
    if (in.peek(1) == 0) {
      throw in.bad(in.place(), "a backslash at the end escapes nothing");
    }
    return in.escapedPoint();
  }
}
