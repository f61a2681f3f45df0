package org.oddlantern.json.internal;

import java.net.URI;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.OffsetDateTime;
import java.time.ZonedDateTime;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** Says why a value is not of a type, and what the nearest fix is. */
final class MisfitWords {

  private static final Map<Class<?>, String> WRITTEN = Map.of(
      LocalDate.class, "2026-03-12",
      LocalTime.class, "06:30:00",
      LocalDateTime.class, "2026-03-12T06:30:00",
      OffsetDateTime.class, "2026-03-12T06:30:00+01:00",
      ZonedDateTime.class, "2026-03-12T06:30:00+01:00",
      Instant.class, "2026-03-12T05:30:00Z",
      Duration.class, "PT5S",
      UUID.class, "550e8400-e29b-41d4-a716-446655440000",
      URI.class, "http://example.org/hives");

  private static final Map<Class<?>, Integer> BITS = Map.of(
      byte.class, 8,
      Byte.class, 8,
      short.class, 16,
      Short.class, 16,
      int.class, 32,
      Integer.class, 32,
      long.class, 64,
      Long.class, 64);

  private MisfitWords() {}

  static String of(JsonNode value, Class<?> type) {
    String name = Words.of(type);
    if (value.isNull()) {
      return "null is not taken for the primitive " + name
          + "; let it be of a type like Integer if it may be null";
    }
    if (value.isNumber() && BITS.containsKey(type)) {
      return tooLarge(type);
    }
    if (value.isString() && type.isEnum()) {
      List<String> names =
          Arrays.stream(type.getEnumConstants()).map(Object::toString).toList();
      String hint = NearestMatch.hint(value.stringValue(), names);
      return "it is none of " + Words.names(names) + (hint.isEmpty() ? "" : "; " + hint);
    }
    if (value.isString() && WRITTEN.containsKey(type)) {
      return "it is no " + name + "; one is written like " + WRITTEN.get(type);
    }
    if (value.isString() && (type.equals(char.class) || type.equals(Character.class))) {
      return "a text of " + value.stringValue().length() + " letters is not taken for " + name;
    }
    if (Collection.class.isAssignableFrom(type)) {
      return kind(value) + " is not taken for a list";
    }
    return kind(value) + " is not taken for " + (Map.class.isAssignableFrom(type) ? "a map" : name);
  }

  static String tooLarge(Class<?> type) {
    return "it does not fit into " + Words.of(type) + ", which has " + BITS.get(type)
        + " bits; a wider type does";
  }

  private static String kind(JsonNode value) {
    return switch (value.getNodeType()) {
      case OBJECT -> "an object";
      case ARRAY -> "a list";
      case BOOLEAN -> "true or false";
      case NUMBER -> "a number";
      case STRING -> "a text";
      default -> "this";
    };
  }
}
