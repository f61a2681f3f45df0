package org.oddlantern.json.internal;

import org.jspecify.annotations.Nullable;
import org.oddlantern.shaded.tools.jackson.core.JsonParser;
import org.oddlantern.shaded.tools.jackson.core.JsonToken;
import org.oddlantern.shaded.tools.jackson.databind.DeserializationContext;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.ValueDeserializer;
import org.oddlantern.shaded.tools.jackson.databind.deser.std.DelegatingDeserializer;

/**
 * Reads a number or a truth also from a text that came without a kind, in trees of such texts: {@code 9}
 * in a cell of CSV. An empty one is null, where null can be.
 */
final class UntypedScalar extends DelegatingDeserializer {

  /** What says of a reading that its texts came without a kind. */
  static final Object ATTRIBUTE = UntypedScalar.class;

  UntypedScalar(ValueDeserializer<?> known) {
    super(known);
  }

  /** Whether a type is a number or a truth. */
  static boolean reads(Class<?> type) {
    return type.isPrimitive()
        ? !type.equals(char.class)
        : type.equals(Boolean.class) || Number.class.isAssignableFrom(type);
  }

  @Override
  protected ValueDeserializer<?> newDelegatingInstance(ValueDeserializer<?> other) {
    return new UntypedScalar(other);
  }

  @Override
  public @Nullable Object deserialize(JsonParser parser, DeserializationContext context) {
    if (parser.currentToken() != JsonToken.VALUE_STRING
        || context.getAttribute(ATTRIBUTE) == null) {
      return super.deserialize(parser, context);
    }
    String text = parser.getString();
    if (text.isEmpty()) {
      return handledType().isPrimitive()
          ? context.reportInputMismatch(
              handledType(), "an empty text is not taken for %s", handledType().getSimpleName())
          : getNullValue(context);
    }
    JsonNode read = UntypedText.readIn(UntypedText.of(text));
    if (read.isString()) {
      return super.deserialize(parser, context);
    }
    try (JsonParser inner = read.traverse(context)) {
      inner.nextToken();
      return super.deserialize(inner, context);
    }
  }
}
