package org.oddlantern.internal.run;

import java.lang.reflect.Type;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import org.oddlantern.internal.plan.ValueParameter;

/** The values that one call of a suite's method takes, built-in ones included. */
final class TakenValues {

  private final Map<ValueParameter, Object> values = new LinkedHashMap<>();

  void put(ValueParameter parameter, Object value) {
    values.put(parameter, value);
  }

  /** All values but the built-in ones, by what they are taken for. */
  Map<ValueParameter, Object> all() {
    return Collections.unmodifiableMap(values);
  }

  /** The value for a parameter of a method, or of a constructor on the way to it. */
  Object value(Type type, Class<?> asker, Work work) {
    Object builtIn = work.builtIn(type);
    if (builtIn != null) {
      return builtIn;
    }
    for (Map.Entry<ValueParameter, Object> entry : values.entrySet()) {
      if (entry.getKey().type().equals(type) && entry.getKey().asker() == asker) {
        return entry.getValue();
      }
    }
    throw new IllegalStateException("no value of type " + type.getTypeName() + " was made");
  }
}
