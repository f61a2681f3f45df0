package org.oddlantern.internal.plan;

import java.lang.reflect.Method;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * One of the data a case runs over.
 *
 * @param key what it is known by among the others
 * @param number its place among them, from 1
 * @param value the sample itself
 * @param getters how the components of its class are read, by their names
 */
public record Sample(String key, int number, Object value, Map<String, Method> getters) {

  /** Its class says how its components are read, so that is not compared. */
  @Override
  public boolean equals(@Nullable Object other) {
    return this == other
        || other instanceof Sample that
            && that.number == number
            && that.key.equals(key)
            && that.value.equals(value);
  }

  @Override
  public int hashCode() {
    return 31 * key.hashCode() + number;
  }
}
