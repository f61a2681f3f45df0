package org.oddlantern.http;

import java.lang.reflect.Array;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.Needed;
import org.oddlantern.shaded.tools.jackson.databind.node.ArrayNode;

/** A parameter of a query or a field of a form. */
record NamedValue(String name, Object value) {

  /** One for each item of a list or array, else one. */
  static List<NamedValue> each(String name, @Nullable Object value) {
    Needed.of(name, "the name of a field or parameter");
    List<NamedValue> all = new ArrayList<>();
    if (value instanceof Collection<?> items) {
      items.forEach(item -> all.add(one(name, item)));
    } else if (value instanceof ArrayNode items) {
      items.forEach(item -> all.add(one(name, item)));
    } else if (value != null && value.getClass().isArray()) {
      for (int i = 0; i < Array.getLength(value); i++) {
        all.add(one(name, Array.get(value, i)));
      }
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
