package org.oddlantern.internal.plan;

import java.lang.reflect.Method;
import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.Masked;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.Words;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * The components of a sample, if it is a record or one of Kotlin's data classes, as texts for titles and
 * names, secrets hidden.
 */
final class SampleFields {

  private final Map<String, Method> getters;
  private final Object sample;

  /**
   * Those of a sample.
   *
   * @param getters those of its class, which the JVM looks for anew each time it is asked
   */
  SampleFields(Object sample, Map<String, Method> getters) {
    this.sample = sample;
    this.getters = getters;
  }

  /** How the components of a class are read, by their names, in their order. */
  static Map<String, Method> getters(Class<?> type) {
    Map<String, Method> getters = new LinkedHashMap<>();
    if (type.isRecord()) {
      for (RecordComponent component : type.getRecordComponents()) {
        getters.put(component.getName(), component.getAccessor());
      }
    } else {
      getters.putAll(KotlinCode.properties(type));
    }
    getters.values().forEach(Method::trySetAccessible);
    return Collections.unmodifiableMap(getters);
  }

  /** The first component; the sample itself if it has none. */
  String first() {
    return getters.isEmpty() ? whole() : text(value(getters.values().iterator().next(), sample));
  }

  /** A component; the sample itself for an empty name. */
  String text(String name) {
    Method getter = getters.get(name);
    return name.isEmpty()
        ? whole()
        : getter == null ? "{" + name + "}" : text(value(getter, sample));
  }

  private String whole() {
    return sample instanceof Enum<?> constant ? constant.name() : text(sample);
  }

  private static @Nullable Object value(Method accessor, Object sample) {
    try {
      return accessor.invoke(sample);
    } catch (ReflectiveOperationException e) {
      return "(" + accessor.getName() + " cannot be read)";
    }
  }

  private static String text(@Nullable Object value) {
    if (value instanceof String || value instanceof Integer || value instanceof Long) {
      return Words.cut(value.toString()); // a mapper would say the same
    }
    List<String> secrets = new ArrayList<>();
    JsonNode tree;
    try {
      tree = JsonMapping.standard().hearing(secrets::add).tree(value);
    } catch (IllegalArgumentException e) {
      return Words.cut(String.valueOf(value)); // a check, maybe, which has no form in JSON
    }
    return !secrets.isEmpty()
        ? Masked.TEXT
        : Words.cut(tree.isString() ? tree.stringValue() : tree.toString());
  }
}
