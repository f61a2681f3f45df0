package org.oddlantern.http;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** A parameter of a query or a field of a form. */
record NamedValue(String name, Object value) {

  /** One for each item of a list or array, else one. */
  static List<NamedValue> each(String name, @Nullable Object value) {
    List<NamedValue> all = new ArrayList<>();
    if (value instanceof Iterable<?> items) {
      items.forEach(item -> all.add(one(name, item)));
    } else if (value instanceof Object[] items) {
      Arrays.asList(items).forEach(item -> all.add(one(name, item)));
    } else {
      all.add(one(name, value));
    }
    return all;
  }

  private static NamedValue one(String name, @Nullable Object value) {
    if (value == null) {
      throw new IllegalArgumentException(
          "the value of '" + name + "' is null; leave it out, or send an empty text");
    }
    return new NamedValue(name, value);
  }
}
