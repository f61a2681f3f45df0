package org.oddlantern.json.internal.path;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.BooleanNode;
import org.oddlantern.shaded.tools.jackson.databind.node.DecimalNode;
import org.oddlantern.shaded.tools.jackson.databind.node.LongNode;
import org.oddlantern.shaded.tools.jackson.databind.node.NullNode;
import org.oddlantern.shaded.tools.jackson.databind.node.StringNode;

/** Reads what stands in a filter (RFC 9535, section 2.3.5), and refuses what is not well-typed (2.4.3). */
final class FilterParser {

  private static final int LONG = 18;

  private final PathParser paths;
  private final PathScanner scanner;

  FilterParser(PathParser paths) {
    this.paths = paths;
    this.scanner = paths.scanner();
  }

  Condition condition() {
    paths.down();
    List<Condition> parts = new ArrayList<>();
    do {
      scanner.skipBlanks();
      parts.add(conjunction());
    } while (takeAfterBlanks("||"));
    paths.up();
    return parts.size() == 1 ? parts.get(0) : new Condition.Or(List.copyOf(parts));
  }

  private Condition conjunction() {
    List<Condition> parts = new ArrayList<>();
    do {
      scanner.skipBlanks();
      parts.add(basic());
    } while (takeAfterBlanks("&&"));
    return parts.size() == 1 ? parts.get(0) : new Condition.And(List.copyOf(parts));
  }

  private Condition basic() {
    boolean not = scanner.take("!");
    if (not) {
      scanner.skipBlanks();
    }
    Condition condition = scanner.take("(") ? parenthesized() : testOrComparison(not);
    return not ? new Condition.Not(condition) : condition;
  }

  private Condition parenthesized() {
    Condition inner = condition();
    scanner.skipBlanks();
    scanner.want(")", "')', '&&' or '||'");
    return inner;
  }

  private Condition testOrComparison(boolean negated) {
    int start = scanner.at();
    Object left = term();
    int after = scanner.at();
    scanner.skipBlanks();
    Condition.Comparator comparator = comparator();
    if (comparator == null) {
      scanner.backTo(after);
      return test(left, start);
    }
    if (negated) {
      scanner.backTo(start);
      throw scanner.error("'(' after '!': a comparison is negated as !(...), here");
    }
    Operand first = operand(left, start);
    scanner.skipBlanks();
    int second = scanner.at();
    return new Condition.Compared(first, comparator, operand(term(), second));
  }

  private Condition.@Nullable Comparator comparator() {
    for (Condition.Comparator comparator : Condition.Comparator.values()) {
      if (scanner.take(comparator.sign())) {
        return comparator;
      }
    }
    if (scanner.peek() == '=') {
      throw scanner.error("'==' to compare two values");
    }
    return null;
  }

  private Condition test(Object term, int start) {
    if (term instanceof Query query) {
      return new Condition.Exists(query);
    }
    if (term instanceof Condition condition) {
      return condition;
    }
    if (term instanceof Operand.Literal) {
      throw scanner.error("a comparison, since a value alone is no condition,");
    }
    scanner.backTo(start);
    throw scanner.error("a comparison with what this function gives, since it is no condition,");
  }

  private Operand operand(Object term, int start) {
    if (term instanceof Operand operand) {
      return operand;
    }
    int after = scanner.at();
    scanner.backTo(start);
    if (term instanceof Query query) {
      if (!query.isSingular()) {
        throw scanner.error(
            "a path that leads to one place, since several values cannot be compared,");
      }
      scanner.backTo(after);
      return new Operand.Place(query);
    }
    throw scanner.error("a value to compare; match and search are conditions by themselves,");
  }

  /** A literal, a query or a function: an {@link Operand}, a {@link Query} or a {@link Condition}. */
  private Object term() {
    char next = scanner.peek();
    if (next == '@' || next == '$') {
      return paths.query();
    }
    if (scanner.isQuote()) {
      return literal(StringNode.valueOf(scanner.quoted()));
    }
    if (next == '-' || next >= '0' && next <= '9') {
      return literal(number(scanner.number()));
    }
    if (next >= 'a' && next <= 'z') {
      return word();
    }
    throw scanner.error("a value, '@', '$', a function or '('");
  }

  private Object word() {
    int start = scanner.at();
    String word = scanner.functionName();
    if (scanner.take("(")) {
      paths.down();
      Object function = function(word, start);
      paths.up();
      return function;
    }
    return switch (word) {
      case "true" -> literal(BooleanNode.TRUE);
      case "false" -> literal(BooleanNode.FALSE);
      case "null" -> literal(NullNode.getInstance());
      default -> {
        scanner.backTo(start);
        throw scanner.error("true, false, null, a quoted text, a number, '@' or '$'");
      }
    };
  }

  private Object function(String name, int start) {
    return switch (name) {
      case "length" -> closed(new Operand.Length(valueArgument()));
      case "count" -> closed(new Operand.Count(queryArgument(name)));
      case "value" -> closed(new Operand.Only(queryArgument(name)));
      case "match", "search" -> {
        Operand text = valueArgument();
        scanner.skipBlanks();
        scanner.want(",", "',' and a second argument");
        yield closed(new Condition.Matches(text, valueArgument(), name.equals("match")));
      }
      default -> {
        scanner.backTo(start);
        throw scanner.error("one of the functions length, count, match, search and value");
      }
    };
  }

  private <T> T closed(T function) {
    scanner.skipBlanks();
    scanner.want(")", "')'");
    return function;
  }

  private Operand valueArgument() {
    scanner.skipBlanks();
    int start = scanner.at();
    return operand(term(), start);
  }

  private Query queryArgument(String function) {
    scanner.skipBlanks();
    int start = scanner.at();
    if (term() instanceof Query query) {
      return query;
    }
    scanner.backTo(start);
    throw scanner.error("a path, which is what " + function + " takes,");
  }

  /** Whole numbers as such: they are compared much faster. */
  private static JsonNode number(String text) {
    return text.length() < LONG && text.chars().allMatch(c -> c == '-' || c >= '0' && c <= '9')
        ? LongNode.valueOf(Long.parseLong(text))
        : DecimalNode.valueOf(new BigDecimal(text));
  }

  private static Operand literal(JsonNode value) {
    return new Operand.Literal(value);
  }

  private boolean takeAfterBlanks(String token) {
    int before = scanner.at();
    scanner.skipBlanks();
    boolean there = scanner.take(token);
    if (!there) {
      scanner.backTo(before);
    }
    return there;
  }
}
