package org.oddlantern.json.internal.path;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.IntPredicate;

/** Reads the grammar of RFC 9485, section 3. */
final class ExpressionParser {

  private static final int DEEPEST = 100;
  private static final int LONGEST_COUNT = 6;

  /** General categories of Unicode; a letter alone names all that begin with it. */
  private static final Map<String, List<Byte>> CATEGORIES = Map.ofEntries(
      Map.entry("Lu", List.of(Character.UPPERCASE_LETTER)),
      Map.entry("Ll", List.of(Character.LOWERCASE_LETTER)),
      Map.entry("Lt", List.of(Character.TITLECASE_LETTER)),
      Map.entry("Lm", List.of(Character.MODIFIER_LETTER)),
      Map.entry("Lo", List.of(Character.OTHER_LETTER)),
      Map.entry("Mn", List.of(Character.NON_SPACING_MARK)),
      Map.entry("Mc", List.of(Character.COMBINING_SPACING_MARK)),
      Map.entry("Me", List.of(Character.ENCLOSING_MARK)),
      Map.entry("Nd", List.of(Character.DECIMAL_DIGIT_NUMBER)),
      Map.entry("Nl", List.of(Character.LETTER_NUMBER)),
      Map.entry("No", List.of(Character.OTHER_NUMBER)),
      Map.entry("Pc", List.of(Character.CONNECTOR_PUNCTUATION)),
      Map.entry("Pd", List.of(Character.DASH_PUNCTUATION)),
      Map.entry("Ps", List.of(Character.START_PUNCTUATION)),
      Map.entry("Pe", List.of(Character.END_PUNCTUATION)),
      Map.entry("Pi", List.of(Character.INITIAL_QUOTE_PUNCTUATION)),
      Map.entry("Pf", List.of(Character.FINAL_QUOTE_PUNCTUATION)),
      Map.entry("Po", List.of(Character.OTHER_PUNCTUATION)),
      Map.entry("Zs", List.of(Character.SPACE_SEPARATOR)),
      Map.entry("Zl", List.of(Character.LINE_SEPARATOR)),
      Map.entry("Zp", List.of(Character.PARAGRAPH_SEPARATOR)),
      Map.entry("Sm", List.of(Character.MATH_SYMBOL)),
      Map.entry("Sc", List.of(Character.CURRENCY_SYMBOL)),
      Map.entry("Sk", List.of(Character.MODIFIER_SYMBOL)),
      Map.entry("So", List.of(Character.OTHER_SYMBOL)),
      Map.entry("Cc", List.of(Character.CONTROL)),
      Map.entry("Cf", List.of(Character.FORMAT)),
      Map.entry("Co", List.of(Character.PRIVATE_USE)),
      Map.entry("Cn", List.of(Character.UNASSIGNED)));

  private final int[] points;
  private int at;
  private int depth;

  ExpressionParser(String text) {
    this.points = text.codePoints().toArray();
  }

  /** The steps of the expression; empty if the text is no I-Regexp. */
  Optional<Program> parse() {
    try {
      Expression whole = choice();
      if (at < points.length) {
        return Optional.empty();
      }
      Program.Writer writer = new Program.Writer();
      writer.write(whole);
      return Optional.of(writer.end());
    } catch (NoExpression e) {
      return Optional.empty();
    }
  }

  private Expression choice() {
    if (++depth > DEEPEST) {
      throw new NoExpression();
    }
    List<Expression> branches = new ArrayList<>();
    do {
      branches.add(sequence());
    } while (take('|'));
    depth--;
    return branches.size() == 1 ? branches.get(0) : new Expression.Choice(branches);
  }

  private Expression sequence() {
    List<Expression> parts = new ArrayList<>();
    while (at < points.length && points[at] != '|' && points[at] != ')') {
      parts.add(quantified(atom()));
    }
    return new Expression.Sequence(parts);
  }

  private Expression quantified(Expression atom) {
    if (take('*')) {
      return new Expression.Repeated(atom, 0, -1);
    }
    if (take('+')) {
      return new Expression.Repeated(atom, 1, -1);
    }
    if (take('?')) {
      return new Expression.Repeated(atom, 0, 1);
    }
    return take('{') ? counted(atom) : atom;
  }

  private Expression counted(Expression atom) {
    int least = count();
    int most = least;
    if (take(',')) {
      most = peek() == '}' ? -1 : count();
    }
    want('}');
    if (most >= 0 && most < least) {
      throw new NoExpression();
    }
    return new Expression.Repeated(atom, least, most);
  }

  private int count() {
    int start = at;
    int count = 0;
    while (peek() >= '0' && peek() <= '9' && at - start < LONGEST_COUNT) {
      count = count * 10 + (points[at++] - '0');
    }
    if (at == start) {
      throw new NoExpression();
    }
    return count;
  }

  private Expression atom() {
    if (take('(')) {
      Expression inner = choice();
      want(')');
      return inner;
    }
    if (take('.')) {
      return new Expression.One(point -> point != '\n' && point != '\r');
    }
    if (take('[')) {
      return new Expression.One(characterClass());
    }
    if (peek() == '^' || peek() == '$') {
      return new Expression.Edge(next() == '^');
    }
    if (take('\\')) {
      return new Expression.One(isProperty() ? property() : only(escaped()));
    }
    return new Expression.One(only(plain("()*+.?[\\]{|}")));
  }

  private IntPredicate characterClass() {
    boolean not = take('^');
    IntPredicate any = point -> false;
    boolean first = true;
    while (first || peek() != ']') {
      any = any.or(member(first));
      first = false;
    }
    want(']');
    return not ? any.negate() : any;
  }

  /** A hyphen stands for itself only at the beginning and at the end. */
  private IntPredicate member(boolean first) {
    if (peek() == '-') {
      at++;
      if (!first && peek() != ']') {
        throw new NoExpression();
      }
      return only('-');
    }
    if (peek() == '\\' && at + 1 < points.length && (points[at + 1] | 0x20) == 'p') {
      at++;
      return property();
    }
    int from = member();
    boolean range = peek() == '-' && at + 1 < points.length && points[at + 1] != ']';
    if (!range) {
      return only(from);
    }
    at++;
    int to = member();
    if (to < from) {
      throw new NoExpression();
    }
    return point -> point >= from && point <= to;
  }

  private int member() {
    return take('\\') ? escaped() : plain("-[\\]");
  }

  private boolean isProperty() {
    return peek() == 'p' || peek() == 'P';
  }

  private IntPredicate property() {
    boolean not = points[at++] == 'P';
    want('{');
    StringBuilder name = new StringBuilder();
    while (peek() != '}') {
      name.appendCodePoint(next());
    }
    want('}');
    IntPredicate any = category(name.toString());
    return not ? any.negate() : any;
  }

  private static IntPredicate category(String name) {
    List<Byte> types = CATEGORIES.entrySet().stream()
        .filter(entry ->
            entry.getKey().equals(name) || name.length() == 1 && entry.getKey().startsWith(name))
        .flatMap(entry -> entry.getValue().stream())
        .toList();
    if (types.isEmpty()) {
      throw new NoExpression();
    }
    return point -> types.contains((byte) Character.getType(point));
  }

  private int escaped() {
    int point = next();
    return switch (point) {
      case 'n' -> '\n';
      case 'r' -> '\r';
      case 't' -> '\t';
      default -> {
        if ("()*+-.?[\\]^{|}".indexOf(point) < 0) {
          throw new NoExpression();
        }
        yield point;
      }
    };
  }

  private int plain(String special) {
    int point = next();
    if (special.indexOf(point) >= 0 || point >= 0xD800 && point <= 0xDFFF) {
      throw new NoExpression();
    }
    return point;
  }

  private static IntPredicate only(int wanted) {
    return point -> point == wanted;
  }

  private int peek() {
    return at < points.length ? points[at] : -1;
  }

  private int next() {
    if (at >= points.length) {
      throw new NoExpression();
    }
    return points[at++];
  }

  private boolean take(int point) {
    boolean there = peek() == point;
    at += there ? 1 : 0;
    return there;
  }

  private void want(int point) {
    if (!take(point)) {
      throw new NoExpression();
    }
  }

  /** Ends the reading of a text that is no I-Regexp; by the RFC that is no error but no match. */
  private static final class NoExpression extends RuntimeException {
    private static final long serialVersionUID = 1L;

    NoExpression() {
      super("no I-Regexp", null, false, false);
    }
  }
}
