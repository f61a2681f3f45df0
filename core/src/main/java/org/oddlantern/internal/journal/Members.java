package org.oddlantern.internal.journal;

import java.time.DateTimeException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.function.BiFunction;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.record.TimeText;
import org.oddlantern.json.internal.Words;

/**
 * The members of one object in a journal. What is absent is empty, since what is empty is left out; what
 * is of another kind than it was written as is refused. For one thread: it expects to be asked in the
 * order in which its members stand, and is slower where it is not.
 */
final class Members {

  private final List<String> names = new ArrayList<>();
  private final List<Object> values = new ArrayList<>();
  private long bits;
  private int next;

  /** Takes what is not there already; null is as good as nothing. */
  void add(String name, @Nullable Object value) {
    if (has(name)) {
      throw new Misread("'" + name + "' is there twice");
    }
    if (value != null) {
      names.add(name);
      values.add(value);
      bits |= 1L << name.hashCode();
    }
  }

  /** Whether it is there. */
  boolean has(String name) {
    return mayHave(name) && names.contains(name);
  }

  /** Most of what may be there is left out: false tells so without a look at each name. */
  private boolean mayHave(String name) {
    return (bits & 1L << name.hashCode()) != 0;
  }

  /** The names of all that is there. */
  List<String> names() {
    return List.copyOf(names);
  }

  String text(String name) {
    String text = textOrNull(name);
    return text == null ? "" : text;
  }

  @Nullable
  String textOrNull(String name) {
    Object value = value(name);
    return value == null ? null : needed(name, value, String.class, "a text");
  }

  long number(String name) {
    Object value = value(name);
    return value == null ? 0 : needed(name, value, Long.class, "a whole number");
  }

  int count(String name) {
    long number = number(name);
    if (number != (int) number) {
      throw new Misread("'" + name + "' is " + number + ", which is too large");
    }
    return (int) number;
  }

  boolean truth(String name) {
    Object value = value(name);
    return value != null && needed(name, value, Boolean.class, "true or false");
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
    return items(name, item -> needed(name, item, String.class, "a list of texts"));
  }

  /** Lists of two texts each. */
  <T> List<T> pairs(String name, BiFunction<String, String, T> reading) {
    return items(name, item -> {
      List<?> pair = needed(name, item, List.class, "a list of pairs");
      if (pair.size() != 2
          || !(pair.get(0) instanceof String first)
          || !(pair.get(1) instanceof String second)) {
        throw new Misread("'" + name + "' is a list of pairs: a name and a value");
      }
      return reading.apply(first, second);
    });
  }

  <T> List<T> list(String name, Function<Members, T> reading) {
    return items(
        name, item -> reading.apply(needed(name, item, Members.class, "a list of objects")));
  }

  private <T> List<T> items(String name, Function<@Nullable Object, T> reading) {
    Object value = value(name);
    if (value == null) {
      return List.of();
    }
    List<?> items = needed(name, value, List.class, "a list");
    List<T> all = new ArrayList<>(items.size());
    for (Object item : items) {
      all.add(reading.apply(item));
    }
    return all;
  }

  <T> @Nullable T part(String name, Function<Members, T> reading) {
    Object value = value(name);
    return value == null ? null : reading.apply(needed(name, value, Members.class, "an object"));
  }

  private @Nullable Object value(String name) {
    int count = mayHave(name) ? names.size() : 0;
    for (int i = 0; i < count; i++) {
      int at = next + i < count ? next + i : next + i - count;
      if (names.get(at).equals(name)) {
        next = at + 1 < count ? at + 1 : 0;
        return values.get(at);
      }
    }
    return null;
  }

  private static <T> T needed(String name, @Nullable Object value, Class<T> type, String wanted) {
    if (!type.isInstance(value)) {
      throw new Misread("'" + name + "' is " + words(value) + ", where " + wanted + " is wanted");
    }
    return type.cast(value);
  }

  private static String words(@Nullable Object value) {
    return value == null
        ? "nothing"
        : value instanceof Members
            ? "an object"
            : value instanceof List<?> list
                ? "a list of " + list.size()
                : value instanceof String text
                    ? Words.quoted(text) + " (text)"
                    : Words.cut(value.toString());
  }

  /** A line that was not written by this version. */
  static final class Misread extends RuntimeException {
    private static final long serialVersionUID = 1L;

    Misread(String message) {
      super(message);
    }
  }
}
