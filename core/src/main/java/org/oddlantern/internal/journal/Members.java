package org.oddlantern.internal.journal;

import java.time.DateTimeException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.record.TimeText;
import org.oddlantern.json.internal.Words;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * The members of one object in a journal. What is absent is empty, since what is empty is left out; what
 * is of another kind than it was written as is refused.
 */
record Members(JsonNode object) {

  /** Refuses what is no object. */
  Members {
    if (!object.isObject()) {
      throw new Misread("an object is wanted, not " + Words.withKind(object));
    }
  }

  String text(String name) {
    JsonNode value = object.path(name);
    return isAbsent(value)
        ? ""
        : needed(name, value, value.isString(), "a text").stringValue();
  }

  @Nullable
  String textOrNull(String name) {
    return isAbsent(object.path(name)) ? null : text(name);
  }

  long number(String name) {
    JsonNode value = object.path(name);
    boolean fits = value.isIntegralNumber() && value.canConvertToLong();
    return isAbsent(value) ? 0 : needed(name, value, fits, "a whole number").longValue();
  }

  int count(String name) {
    long number = number(name);
    if (number != (int) number) {
      throw new Misread("'" + name + "' is " + number + ", which is too large");
    }
    return (int) number;
  }

  boolean truth(String name) {
    JsonNode value = object.path(name);
    return !isAbsent(value)
        && needed(name, value, value.isBoolean(), "true or false").booleanValue();
  }

  Instant time(String name) {
    try {
      return TimeText.instant(text(name));
    } catch (DateTimeException e) {
      throw new Misread("'" + name + "' is \"" + Words.cut(text(name)) + "\", which is no time");
    }
  }

  /** Something with a word of its own. */
  <T> T word(String name, Function<String, @Nullable T> known) {
    T value = known.apply(text(name));
    if (value == null) {
      throw new Misread("'" + name + "' is \"" + Words.cut(text(name)) + "\", which is unknown");
    }
    return value;
  }

  List<String> texts(String name) {
    return items(
        name, item -> needed(name, item, item.isString(), "a list of texts").stringValue());
  }

  <T> List<T> list(String name, Function<Members, T> reading) {
    return items(name, item -> reading.apply(new Members(item)));
  }

  <T> List<T> items(String name, Function<JsonNode, T> reading) {
    JsonNode value = object.path(name);
    if (isAbsent(value)) {
      return List.of();
    }
    List<T> all = new ArrayList<>(value.size());
    for (JsonNode item : needed(name, value, value.isArray(), "a list")) {
      all.add(reading.apply(item));
    }
    return all;
  }

  <T> @Nullable T part(String name, Function<Members, T> reading) {
    JsonNode value = object.path(name);
    return isAbsent(value) ? null : reading.apply(new Members(value));
  }

  private static boolean isAbsent(JsonNode value) {
    return value.isMissingNode() || value.isNull();
  }

  private static JsonNode needed(String name, JsonNode value, boolean fits, String wanted) {
    if (!fits) {
      throw new Misread(
          "'" + name + "' is " + Words.withKind(value) + ", where " + wanted + " is wanted");
    }
    return value;
  }

  /** A line that was not written by this version. */
  static final class Misread extends RuntimeException {
    private static final long serialVersionUID = 1L;

    Misread(String message) {
      super(message);
    }
  }
}
