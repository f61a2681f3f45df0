package org.oddlantern.internal.plan;

import java.lang.reflect.Method;
import java.lang.reflect.RecordComponent;
import java.util.ArrayList;
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

  private final Map<String, String> texts = new LinkedHashMap<>();
  private final String whole;

  SampleFields(Object sample) {
    whole = sample instanceof Enum<?> constant ? constant.name() : text(sample);
    if (sample.getClass().isRecord()) {
      for (RecordComponent component : sample.getClass().getRecordComponents()) {
        texts.put(component.getName(), text(value(component.getAccessor(), sample)));
      }
    } else {
      KotlinCode.properties(sample.getClass())
          .forEach((name, getter) -> texts.put(name, text(value(getter, sample))));
    }
  }

  List<String> names() {
    return List.copyOf(texts.keySet());
  }

  /** The first component; the sample itself if it has none. */
  String first() {
    return texts.isEmpty() ? whole : texts.values().iterator().next();
  }

  /** A component; the sample itself for an empty name. */
  String text(String name) {
    return name.isEmpty() ? whole : texts.getOrDefault(name, "{" + name + "}");
  }

  private static @Nullable Object value(Method accessor, Object sample) {
    try {
      accessor.setAccessible(true);
      return accessor.invoke(sample);
    } catch (ReflectiveOperationException e) {
      return "(" + accessor.getName() + " cannot be read)";
    }
  }

  private static String text(@Nullable Object value) {
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
