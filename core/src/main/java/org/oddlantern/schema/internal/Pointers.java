package org.oddlantern.schema.internal;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** JSON Pointers (RFC 6901). */
public final class Pointers {

  private Pointers() {}

  /** A name as it stands in a pointer. */
  public static String escape(String name) {
    return name.indexOf('~') < 0 && name.indexOf('/') < 0
        ? name
        : name.replace("~", "~0").replace("/", "~1");
  }

  /** The names a pointer goes through; the pointer is empty or begins with a slash. */
  public static List<String> steps(String pointer) {
    List<String> steps = new ArrayList<>();
    if (!pointer.isEmpty()) {
      for (String step : pointer.substring(1).split("/", -1)) {
        steps.add(step.replace("~1", "/").replace("~0", "~"));
      }
    }
    return steps;
  }

  /** The value one step further; null if there is none. */
  static @Nullable JsonNode step(JsonNode value, String step) {
    if (value.isObject()) {
      return value.get(step);
    }
    boolean index = value.isArray()
        && !step.isEmpty()
        && step.length() < 9
        && step.chars().allMatch(c -> c >= '0' && c <= '9')
        && (step.length() == 1 || step.charAt(0) != '0');
    return index ? value.get(Integer.parseInt(step)) : null;
  }
}
