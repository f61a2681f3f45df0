package org.oddlantern.schema.internal;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.internal.Decimals;
import org.oddlantern.json.internal.Equality;
import org.oddlantern.json.internal.NearestMatch;
import org.oddlantern.json.internal.Words;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** The keywords that look at a value alone, but for texts and lists. */
final class Assertions {

  private Assertions() {}

  /** {@code enum} and {@code const}. */
  static final class OneOfValues extends Keyword {
    private final List<JsonNode> values;
    private final Set<String> texts = new HashSet<>();

    OneOfValues(String name, List<JsonNode> values) {
      super(name, Kind.ALL);
      this.values = values;
      values.stream().filter(JsonNode::isString).forEach(value -> texts.add(value.stringValue()));
    }

    @Override
    boolean holds(JsonNode value, Evaluation run, @Nullable Covered covered) {
      if (value.isString()) {
        return texts.contains(value.stringValue());
      }
      for (JsonNode candidate : values) {
        if (Equality.same(candidate, value)) {
          return true;
        }
      }
      return false;
    }

    @Override
    String wanted() {
      if (values.size() == 1) {
        return Words.of(values.get(0));
      }
      List<String> words = new ArrayList<>();
      values.forEach(one -> words.add(Words.of(one)));
      return words.isEmpty() ? "one of no values at all" : "one of " + Words.names(words);
    }

    @Override
    String hint(JsonNode value) {
      if (value.isString()) {
        return NearestMatch.hint(value.stringValue(), texts);
      }
      return texts.contains(value.asString("")) ? "it is there without quotes" : "";
    }
  }

  /** {@code minimum}, {@code maximum} and their exclusive forms. */
  static final class Bound extends Keyword {
    private final JsonNode bound;
    private final boolean upper;
    private final boolean exclusive;

    Bound(String name, JsonNode bound, boolean upper, boolean exclusive) {
      super(name, Kind.NUMBER);
      this.bound = bound;
      this.upper = upper;
      this.exclusive = exclusive;
    }

    @Override
    boolean holds(JsonNode value, Evaluation run, @Nullable Covered covered) {
      int compared = Equality.compareNumbers(value, bound);
      return exclusive
          ? upper ? compared < 0 : compared > 0
          : upper ? compared <= 0 : compared >= 0;
    }

    @Override
    String wanted() {
      String relation =
          exclusive ? upper ? "less than " : "more than " : upper ? "at most " : "at least ";
      return relation + Words.of(bound);
    }

    @Override
    String got(JsonNode value) {
      return Words.of(value);
    }
  }

  /** {@code multipleOf}. */
  static final class Multiple extends Keyword {
    private final BigDecimal unit;
    private final long whole;

    Multiple(JsonNode unit) {
      super("multipleOf", Kind.NUMBER);
      this.unit = Decimals.of(unit);
      this.whole = unit.isIntegralNumber() && unit.canConvertToLong() ? unit.longValue() : 0;
    }

    @Override
    boolean holds(JsonNode value, Evaluation run, @Nullable Covered covered) {
      if (whole != 0 && value.isIntegralNumber() && value.canConvertToLong()) {
        return value.longValue() % whole == 0;
      }
      return Numbers.isMultiple(Decimals.of(value), unit);
    }

    @Override
    String wanted() {
      return "a multiple of " + Words.cut(unit.toString());
    }

    @Override
    String got(JsonNode value) {
      return Words.of(value);
    }
  }

  /** {@code minItems}, {@code maxLength} and the other four that count. */
  static final class Size extends Keyword {
    private final long limit;
    private final boolean upper;
    private final String unit;

    /**
     * The keyword.
     *
     * @param name the keyword
     * @param kind what it counts in: texts, lists or objects
     * @param limit the bound, included
     */
    Size(String name, int kind, long limit) {
      super(name, kind);
      this.limit = limit;
      this.upper = name.startsWith("max");
      this.unit = kind == Kind.TEXT ? "character" : kind == Kind.LIST ? "item" : "field";
    }

    @Override
    boolean holds(JsonNode value, Evaluation run, @Nullable Covered covered) {
      if (value.isString()) {
        String text = value.stringValue();
        int length = text.length();
        // between half its length and its length there are code points; count only where it matters
        if (upper ? length <= limit : length < limit) {
          return upper;
        }
        int points = text.codePointCount(0, length);
        return upper ? points <= limit : points >= limit;
      }
      return upper ? value.size() <= limit : value.size() >= limit;
    }

    @Override
    String wanted() {
      return (upper ? "at most " : "at least ") + counted(limit);
    }

    @Override
    String got(JsonNode value) {
      return counted(size(value)) + (value.isString() ? ": " + Words.of(value) : "");
    }

    private static long size(JsonNode value) {
      String text = value.isString() ? value.stringValue() : "";
      return value.isString() ? text.codePointCount(0, text.length()) : value.size();
    }

    private String counted(long count) {
      return count + " " + unit + (count == 1 ? "" : "s");
    }
  }

  /** {@code required}. */
  static final class Required extends Keyword {
    private final Absent[] fields;

    Required(String name, List<String> names) {
      super(name, Kind.OBJECT);
      fields = new Absent[names.size()];
      for (int i = 0; i < fields.length; i++) {
        fields[i] = new Absent(name, names.get(i), "");
      }
    }

    @Override
    boolean holds(JsonNode value, Evaluation run, @Nullable Covered covered) {
      for (Absent field : fields) {
        if (!field.holds(value, run, covered)) {
          return false;
        }
      }
      return true;
    }

    @Override
    void explain(Spot spot, Evaluation run, @Nullable Covered covered, List<Violation> out) {
      for (Absent field : fields) {
        field.explain(spot, run, covered, out);
      }
    }

    @Override
    String wanted() {
      return "fields that must be there";
    }
  }
}
