package org.oddlantern.schema.internal;

import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.ArrayNode;
import org.oddlantern.shaded.tools.jackson.databind.node.NumericNode;
import org.oddlantern.shaded.tools.jackson.databind.node.ObjectNode;
import org.oddlantern.shaded.tools.jackson.databind.node.StringNode;

/** The kinds of values there are in JSON, as bits, so that a set of them is a number. */
final class Kind {

  static final int NULL = 1;
  static final int TRUTH = 1 << 1;
  static final int NUMBER = 1 << 2;
  static final int TEXT = 1 << 3;
  static final int LIST = 1 << 4;

  /** The number of the bit of objects. */
  static final int OF_OBJECTS = 5;

  static final int OBJECT = 1 << OF_OBJECTS;
  static final int ALL = (1 << 6) - 1;

  /** How many kinds there are. */
  static final int COUNT = 6;

  private Kind() {}

  /** The number of the bit of a value's kind; asked so often that it first looks at the class. */
  static int of(JsonNode value) {
    if (value instanceof StringNode) {
      return 3;
    }
    if (value instanceof ObjectNode) {
      return OF_OBJECTS;
    }
    if (value instanceof ArrayNode) {
      return 4;
    }
    if (value instanceof NumericNode) {
      return 2;
    }
    return switch (value.getNodeType()) {
      case OBJECT, POJO -> OF_OBJECTS;
      case ARRAY -> 4;
      case STRING, BINARY -> 3;
      case NUMBER -> 2;
      case BOOLEAN -> 1;
      case NULL, MISSING -> 0;
    };
  }
}
