package org.oddlantern.schema.internal;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** {@code type}: what kinds of values fit. */
final class TypeKeyword extends Keyword {

  private static final Map<String, Integer> KINDS = Map.of(
      "null", Kind.NULL,
      "boolean", Kind.TRUTH,
      "number", Kind.NUMBER,
      "string", Kind.TEXT,
      "array", Kind.LIST,
      "object", Kind.OBJECT);

  private static final Map<String, String> WORDS = Map.of(
      "null", "null",
      "boolean", "true or false",
      "number", "a number",
      "integer", "a whole number",
      "string", "a text",
      "array", "a list",
      "object", "an object");

  private final List<String> types;
  private final int allowed;
  private final boolean takesWhole;
  private final boolean writtenWhole;

  private TypeKeyword(List<String> types, int allowed, boolean writtenWhole) {
    super("type", Kind.ALL & ~allowed);
    this.types = types;
    this.allowed = allowed;
    this.takesWhole = types.contains("integer");
    this.writtenWhole = writtenWhole;
  }

  /**
   * The keyword.
   *
   * @param types the names of the types
   * @param writtenWhole whether an integer must be written as one: draft 4 takes no {@code 1.0}
   */
  static TypeKeyword of(List<String> types, boolean writtenWhole) {
    int allowed = 0;
    for (String type : types) {
      allowed |= KINDS.getOrDefault(type, 0);
    }
    return new TypeKeyword(types, allowed, writtenWhole);
  }

  @Override
  boolean holds(JsonNode value, Evaluation run, @Nullable Covered covered) {
    int kind = 1 << Kind.of(value);
    return (allowed & kind) != 0
        || kind == Kind.NUMBER
            && takesWhole
            && (writtenWhole ? value.isIntegralNumber() : Numbers.isWhole(value));
  }

  @Override
  String wanted() {
    return types.stream()
        .map(type -> WORDS.getOrDefault(type, type))
        .collect(Collectors.joining(" or "));
  }

  @Override
  String hint(JsonNode value) {
    return Misfits.hint(types, value);
  }
}
