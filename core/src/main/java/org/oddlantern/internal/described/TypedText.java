package org.oddlantern.internal.described;

import java.math.BigDecimal;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.oddlantern.schema.internal.SchemaView;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.JsonNodeFactory;

/** Reads a text as the value that a schema asks for: outside of JSON numbers are written as texts. */
public final class TypedText {

  private static final JsonNodeFactory MAKE = JsonNodeFactory.instance;

  private TypedText() {}

  /** The value; the text itself where it can be read as nothing else. */
  public static JsonNode of(String text, @Nullable SchemaView schema) {
    Set<String> types = schema == null ? Set.of() : schema.types();
    if (types.isEmpty() || types.contains("string")) {
      return MAKE.stringNode(text);
    }
    if (types.contains("boolean") && (text.equals("true") || text.equals("false"))) {
      return MAKE.booleanNode(text.equals("true"));
    }
    if (types.contains("null") && (text.isEmpty() || text.equals("null"))) {
      return MAKE.nullNode();
    }
    if ((types.contains("integer") || types.contains("number")) && isNumber(text)) {
      return text.matches("-?\\d{1,18}")
          ? MAKE.numberNode(Long.parseLong(text))
          : MAKE.numberNode(new BigDecimal(text));
    }
    return MAKE.stringNode(text);
  }

  private static boolean isNumber(String text) {
    return text.length() < 100 && text.matches("-?(0|[1-9]\\d*)(\\.\\d+)?([eE][+-]?\\d{1,4})?");
  }
}
