package org.oddlantern.internal.described;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.shaded.org.snakeyaml.engine.v2.api.Dump;
import org.oddlantern.shaded.org.snakeyaml.engine.v2.api.DumpSettings;
import org.oddlantern.shaded.org.snakeyaml.engine.v2.common.FlowStyle;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.ObjectNode;

/**
 * Writes lines as a description is written.
 *
 * @param json whether it is JSON; else it is YAML
 */
record DescriptionLines(boolean json) {

  /** The members of an object, without what stands around them. */
  String members(ObjectNode object) {
    if (!json) {
      return yaml(plain(object));
    }
    String text = JsonMapping.standard().writeIndented(object);
    return text.lines()
        .skip(1)
        .limit(Math.max(0, text.lines().count() - 2))
        .map(line -> line.substring(Math.min(2, line.length())))
        .reduce((one, other) -> one + "\n" + other)
        .orElse(text);
  }

  /** One more item of a list. */
  String item(JsonNode value) {
    return json ? JsonMapping.standard().writeIndented(value) : yaml(List.of(plain(value)));
  }

  private static String yaml(Object value) {
    DumpSettings settings = DumpSettings.builder()
        .setDefaultFlowStyle(FlowStyle.BLOCK)
        .setIndent(2)
        .setWidth(200)
        .build();
    return new Dump(settings).dumpToString(value).stripTrailing();
  }

  private static Object plain(JsonNode node) {
    if (node.isObject()) {
      Map<String, Object> map = new LinkedHashMap<>();
      node.properties().forEach(one -> map.put(one.getKey(), plain(one.getValue())));
      return map;
    }
    if (node.isArray()) {
      List<Object> list = new ArrayList<>();
      node.forEach(item -> list.add(plain(item)));
      return list;
    }
    if (node.isBoolean()) {
      return node.booleanValue();
    }
    if (node.isIntegralNumber()) {
      return node.bigIntegerValue();
    }
    return node.isNumber() ? node.doubleValue() : node.asString("null");
  }
}
