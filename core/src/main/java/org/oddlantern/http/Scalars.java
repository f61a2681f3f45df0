package org.oddlantern.http;

import org.oddlantern.json.internal.Decimals;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** Single values as text on the wire, outside of JSON: in addresses, forms and parts. */
final class Scalars {

  private Scalars() {}

  static String text(Object value, JsonMapping mapping, String what) {
    if (value instanceof String text) {
      return text;
    }
    JsonNode node = mapping.tree(value);
    if (node.isContainer() || node.isNull()) {
      throw new IllegalArgumentException("%s cannot be in %s: %s; give one of its values"
          .formatted(value.getClass().getSimpleName(), what, mapping.write(node)));
    }
    return node.isNumber() && !node.isIntegralNumber()
        ? Decimals.of(node).toPlainString()
        : node.asString();
  }
}
