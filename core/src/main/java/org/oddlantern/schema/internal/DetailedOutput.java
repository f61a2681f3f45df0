package org.oddlantern.schema.internal;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.oddlantern.shaded.tools.jackson.databind.node.ArrayNode;
import org.oddlantern.shaded.tools.jackson.databind.node.JsonNodeFactory;
import org.oddlantern.shaded.tools.jackson.databind.node.ObjectNode;

/**
 * Nests the units of an output as the schemas are nested (2020-12 core, section 12.4.3): a place in the
 * schema with one unit below it is replaced by that unit.
 *
 * @param units what does not hold, each with its places
 */
record DetailedOutput(List<ObjectNode> units) {

  /** The unit of a place in the schema. */
  ObjectNode of(String place) {
    List<ObjectNode> here = new ArrayList<>();
    Map<String, List<ObjectNode>> below = new LinkedHashMap<>();
    for (ObjectNode unit : units) {
      String rest = unit.path("keywordLocation").stringValue().substring(place.length());
      if (rest.isEmpty()) {
        here.add(unit);
      } else {
        int end = rest.indexOf('/', 1);
        String step = place + (end < 0 ? rest : rest.substring(0, end));
        below.computeIfAbsent(step, key -> new ArrayList<>()).add(unit);
      }
    }
    below.forEach((step, all) -> here.add(new DetailedOutput(all).of(step)));
    if (here.size() == 1 && !place.isEmpty()) {
      return here.get(0);
    }
    ObjectNode node = JsonNodeFactory.instance.objectNode().put("valid", false);
    node.put("keywordLocation", place);
    node.put("instanceLocation", common(here));
    ArrayNode errors = node.putArray("errors");
    here.forEach(errors::add);
    return node;
  }

  /** The place in the value that all units lie at or below. */
  private static String common(List<ObjectNode> units) {
    List<String> shared = null;
    for (ObjectNode unit : units) {
      List<String> steps = Pointers.steps(unit.path("instanceLocation").stringValue());
      if (shared == null) {
        shared = new ArrayList<>(steps);
      }
      int same = 0;
      while (same < Math.min(shared.size(), steps.size())
          && shared.get(same).equals(steps.get(same))) {
        same++;
      }
      shared = shared.subList(0, same);
    }
    StringBuilder pointer = new StringBuilder();
    if (shared != null) {
      shared.forEach(step -> pointer.append('/').append(Pointers.escape(step)));
    }
    return pointer.toString();
  }
}
