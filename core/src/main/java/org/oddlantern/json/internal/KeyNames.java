package org.oddlantern.json.internal;

import org.jspecify.annotations.Nullable;
import org.oddlantern.json.Key;
import org.oddlantern.json.NotJson;
import org.oddlantern.shaded.tools.jackson.databind.BeanDescription;
import org.oddlantern.shaded.tools.jackson.databind.DeserializationConfig;
import org.oddlantern.shaded.tools.jackson.databind.DeserializationContext;
import org.oddlantern.shaded.tools.jackson.databind.JavaType;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.KeyDeserializer;
import org.oddlantern.shaded.tools.jackson.databind.deser.KeyDeserializers;
import org.oddlantern.shaded.tools.jackson.databind.node.JsonNodeFactory;

/** Reads a {@link Key} record also where it is the name of a member. */
final class KeyNames implements KeyDeserializers {

  @Override
  public @Nullable KeyDeserializer findKeyDeserializer(
      JavaType type, DeserializationConfig config, BeanDescription.Supplier bean) {
    return KeyType.is(type.getRawClass()) ? new Reading(type.getRawClass()) : null;
  }

  private static final class Reading extends KeyDeserializer {

    private final Class<?> type;

    Reading(Class<?> type) {
      this.type = type;
    }

    /** A name has no kind, so it is read as what the component is. */
    @Override
    public Object deserializeKey(String name, DeserializationContext context) {
      return JsonMapping.standard().read(tree(name), type);
    }

    private JsonNode tree(String name) {
      if (UntypedScalar.reads(type.getRecordComponents()[0].getType())) {
        try {
          return JsonMapping.standard().parse(name);
        } catch (NotJson e) {
          // told below as a text that is not taken
        }
      }
      return JsonNodeFactory.instance.stringNode(name);
    }
  }
}
