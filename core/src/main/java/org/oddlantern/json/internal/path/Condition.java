package org.oddlantern.json.internal.path;

import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.internal.Equality;
import org.oddlantern.json.internal.UntypedText;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** What a filter asks of a value (RFC 9535, section 2.3.5). */
public sealed interface Condition {

  /** Whether the value meets it. */
  boolean holds(JsonNode current, Search search);

  /** One of several. */
  record Or(List<Condition> parts) implements Condition {
    @Override
    public boolean holds(JsonNode current, Search search) {
      for (Condition part : parts) {
        if (part.holds(current, search)) {
          return true;
        }
      }
      return false;
    }
  }

  /** All of several. */
  record And(List<Condition> parts) implements Condition {
    @Override
    public boolean holds(JsonNode current, Search search) {
      for (Condition part : parts) {
        if (!part.holds(current, search)) {
          return false;
        }
      }
      return true;
    }
  }

  /** The contrary. */
  record Not(Condition part) implements Condition {
    @Override
    public boolean holds(JsonNode current, Search search) {
      return !part.holds(current, search);
    }
  }

  /** A query finds something. */
  record Exists(Query query, boolean singular) implements Condition {
    Exists(Query query) {
      this(query, query.isSingular());
    }

    @Override
    public boolean holds(JsonNode current, Search search) {
      return singular
          ? query.one(current, search) != null
          : !query.values(current, search).isEmpty();
    }
  }

  /** A text matches an I-Regexp (RFC 9485), as a whole or somewhere in it. */
  record Matches(Operand text, Operand pattern, boolean whole) implements Condition {
    @Override
    public boolean holds(JsonNode current, Search search) {
      JsonNode subject = text.value(current, search);
      JsonNode expression = pattern.value(current, search);
      if (subject == null || expression == null || !subject.isString() || !expression.isString()) {
        return false;
      }
      Optional<RegularExpression> known = search.expression(expression.stringValue());
      return known.isPresent() && known.get().matches(subject.stringValue(), whole, search::spend);
    }
  }

  /** Two values compared. */
  record Compared(Operand left, Comparator comparator, Operand right) implements Condition {
    @Override
    public boolean holds(JsonNode current, Search search) {
      JsonNode one = left.value(current, search);
      JsonNode other = right.value(current, search);
      return comparator.holds(UntypedText.beside(one, other), UntypedText.beside(other, one));
    }
  }

  /** How two values are compared (RFC 9535, section 2.3.5.2.2); null is nothing at all. */
  enum Comparator {
    EQUAL("==") {
      @Override
      boolean holds(@Nullable JsonNode left, @Nullable JsonNode right) {
        return same(left, right);
      }
    },
    UNEQUAL("!=") {
      @Override
      boolean holds(@Nullable JsonNode left, @Nullable JsonNode right) {
        return !same(left, right);
      }
    },
    AT_MOST("<=") {
      @Override
      boolean holds(@Nullable JsonNode left, @Nullable JsonNode right) {
        return less(left, right) || same(left, right);
      }
    },
    AT_LEAST(">=") {
      @Override
      boolean holds(@Nullable JsonNode left, @Nullable JsonNode right) {
        return less(right, left) || same(left, right);
      }
    },
    LESS("<") {
      @Override
      boolean holds(@Nullable JsonNode left, @Nullable JsonNode right) {
        return less(left, right);
      }
    },
    MORE(">") {
      @Override
      boolean holds(@Nullable JsonNode left, @Nullable JsonNode right) {
        return less(right, left);
      }
    };

    private final String sign;

    Comparator(String sign) {
      this.sign = sign;
    }

    String sign() {
      return sign;
    }

    abstract boolean holds(@Nullable JsonNode left, @Nullable JsonNode right);

    private static boolean same(@Nullable JsonNode left, @Nullable JsonNode right) {
      return left == null || right == null
          ? left == null && right == null
          : Equality.same(left, right);
    }

    private static boolean less(@Nullable JsonNode small, @Nullable JsonNode large) {
      if (small == null || large == null) {
        return false;
      }
      if (small.isNumber() && large.isNumber()) {
        return Equality.compareNumbers(small, large) < 0;
      }
      return small.isString()
          && large.isString()
          && Equality.compareTexts(small.stringValue(), large.stringValue()) < 0;
    }
  }
}
