package org.oddlantern.json.internal;

import java.util.Arrays;
import java.util.Collection;
import java.util.Collections;
import java.util.Map;
import java.util.function.Consumer;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.Json;
import org.oddlantern.json.JsonCodec;
import org.oddlantern.json.JsonSource;
import org.oddlantern.json.Secret;
import org.oddlantern.json.Shape;
import org.oddlantern.json.Worded;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.ArrayNode;
import org.oddlantern.shaded.tools.jackson.databind.node.JsonNodeFactory;
import org.oddlantern.shaded.tools.jackson.databind.node.ObjectNode;
import org.oddlantern.shaded.tools.jackson.databind.node.StringNode;

/** Values by a project's own mapper; what is this library's own inside maps and lists keeps its meaning. */
final class OwnRules {

  private final JsonCodec codec;
  private final Consumer<String> secrets;

  OwnRules(JsonCodec codec, Consumer<String> secrets) {
    this.codec = codec;
    this.secrets = secrets;
  }

  OwnRules hearing(Consumer<String> listener) {
    return new OwnRules(
        codec instanceof HearingCodec hearing ? hearing.hearing(listener) : codec, listener);
  }

  JsonNode tree(Object value, JsonMapping whole) {
    if (value instanceof Secret secret) {
      secrets.accept(secret.reveal());
      return StringNode.valueOf(secret.reveal());
    }
    if (value instanceof Worded asked) {
      throw new IllegalArgumentException(JsonMapping.refusal(asked));
    }
    return hasOurs(value) ? container(value, whole::tree) : whole.parse(text(value));
  }

  /** What is wanted, in which shapes may stand; inside a bean a mapper that is not ours loses them. */
  JsonNode wanted(Object value, JsonMapping whole) {
    if (value instanceof Shape) {
      return JsonNodeFactory.instance.pojoNode(value);
    }
    if (isContainer(value) && hasOurs(value)) {
      return container(value, whole::wanted);
    }
    if (Embedded.isIn(JsonMapping.standard().tree(value))) {
      throw new IllegalArgumentException(
          "a shape is inside a " + value.getClass().getName()
              + ", which the service's own mapper writes; put the shape into a map or a list");
    }
    return whole.tree(value);
  }

  private static boolean isContainer(Object value) {
    return value instanceof Map || value instanceof Collection || value instanceof Object[];
  }

  private JsonNode container(Object value, Function<@Nullable Object, JsonNode> inner) {
    if (value instanceof Map<?, ?> map) {
      ObjectNode object = JsonNodeFactory.instance.objectNode();
      map.forEach((name, member) -> object.set(name(name), inner.apply(member)));
      return object;
    }
    ArrayNode array = JsonNodeFactory.instance.arrayNode();
    Collection<?> items =
        value instanceof Object[] plain ? Arrays.asList(plain) : (Collection<?>) value;
    items.forEach(item -> array.add(inner.apply(item)));
    return array;
  }

  /** Names as the mapper has them: a key record is its one component there, too. */
  private String name(@Nullable Object key) {
    return key instanceof String text
        ? text
        : JsonMapping.standard()
            .parse(text(Collections.singletonMap(key, 0)))
            .propertyNames()
            .iterator()
            .next();
  }

  String text(Object value) {
    try {
      return codec.write(value);
    } catch (Exception e) {
      throw new IllegalArgumentException(
          "a value of type " + value.getClass().getName()
              + " cannot be written as JSON by the service's own mapper: " + e.getMessage(),
          e);
    }
  }

  <T> T read(JsonNode node, Class<T> type) {
    try {
      return codec.read(JsonMapping.standard().write(node), type);
    } catch (Exception e) {
      throw Misfit.ofOwn(node, type, e);
    }
  }

  static boolean hasOurs(@Nullable Object value) {
    if (value instanceof Map<?, ?> map) {
      return map.values().stream().anyMatch(OwnRules::hasOurs);
    }
    if (value instanceof Collection<?> items) {
      return items.stream().anyMatch(OwnRules::hasOurs);
    }
    if (value instanceof Object[] items) {
      return Arrays.stream(items).anyMatch(OwnRules::hasOurs);
    }
    return value instanceof JsonSource
        || value instanceof JsonNode
        || value instanceof Json
        || value instanceof Secret
        || value instanceof Worded;
  }
}
