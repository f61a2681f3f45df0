package org.oddlantern.internal.reports.html;

import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.shaded.tools.jackson.core.JacksonException;
import org.oddlantern.shaded.tools.jackson.core.JsonParser;
import org.oddlantern.shaded.tools.jackson.core.JsonToken;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.ArrayNode;
import org.oddlantern.shaded.tools.jackson.databind.node.BooleanNode;
import org.oddlantern.shaded.tools.jackson.databind.node.JsonNodeFactory;
import org.oddlantern.shaded.tools.jackson.databind.node.NullNode;
import org.oddlantern.shaded.tools.jackson.databind.node.ObjectNode;
import org.oddlantern.shaded.tools.jackson.databind.node.StringNode;

/** Reads JSON for showing it: numbers stay as they stood, whatever their size. */
final class VerbatimJson {

  private VerbatimJson() {}

  /** The tree, its numbers as {@link AsWritten}; empty if it is no JSON, or has a name twice. */
  static Optional<JsonNode> tree(String text) {
    try (JsonParser parser = JsonMapping.standard().parser(text)) {
      if (parser.nextToken() == null) {
        return Optional.empty();
      }
      JsonNode root = read(parser);
      return root == null || parser.nextToken() != null ? Optional.empty() : Optional.of(root);
    } catch (JacksonException e) {
      return Optional.empty();
    }
  }

  /** Null if a name occurs twice in one object. */
  private static @Nullable JsonNode read(JsonParser parser) {
    return switch (parser.currentToken()) {
      case START_OBJECT -> object(parser);
      case START_ARRAY -> list(parser);
      case VALUE_NUMBER_INT, VALUE_NUMBER_FLOAT -> new AsWritten(parser.getString());
      case VALUE_TRUE, VALUE_FALSE -> BooleanNode.valueOf(parser.getBooleanValue());
      case VALUE_NULL -> NullNode.getInstance();
      default -> StringNode.valueOf(parser.getString());
    };
  }

  private static @Nullable JsonNode object(JsonParser parser) {
    ObjectNode object = JsonNodeFactory.instance.objectNode();
    while (parser.nextToken() == JsonToken.PROPERTY_NAME) {
      String name = parser.currentName();
      parser.nextToken();
      JsonNode value = read(parser);
      if (value == null || object.has(name)) {
        return null;
      }
      object.set(name, value);
    }
    return object;
  }

  private static @Nullable JsonNode list(JsonParser parser) {
    ArrayNode list = JsonNodeFactory.instance.arrayNode();
    while (parser.nextToken() != JsonToken.END_ARRAY) {
      JsonNode value = read(parser);
      if (value == null) {
        return null;
      }
      list.add(value);
    }
    return list;
  }

  /** A number as it was written. */
  static final class AsWritten extends StringNode {
    private static final long serialVersionUID = 1L;

    AsWritten(String text) {
      super(text);
    }
  }
}
