package org.oddlantern.schema.internal;

import java.util.ArrayDeque;
import java.util.Deque;
import org.jspecify.annotations.Nullable;

/**
 * A way through a value or a schema, step by step; told as a JSON Pointer only when somebody reads it.
 *
 * @param before the way up to the last step; null before the first
 * @param last the name or index of the last step
 * @param count how many steps there are
 */
record Steps(@Nullable Steps before, Object last, int count) {

  static final Steps NONE = new Steps(null, "", 0);

  Steps then(Object step) {
    return new Steps(this, step, count + 1);
  }

  /** The way as a JSON Pointer. */
  String pointer() {
    Deque<Object> all = new ArrayDeque<>();
    for (Steps step = this; step.before != null; step = step.before) {
      all.push(step.last);
    }
    StringBuilder pointer = new StringBuilder();
    all.forEach(step -> pointer.append('/').append(Pointers.escape(step.toString())));
    return pointer.toString();
  }
}
