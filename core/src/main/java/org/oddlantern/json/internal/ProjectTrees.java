package org.oddlantern.json.internal;

import java.lang.reflect.Method;
import org.jspecify.annotations.Nullable;
import org.oddlantern.shaded.com.fasterxml.jackson.annotation.JsonFormat;
import org.oddlantern.shaded.tools.jackson.core.JsonGenerator;
import org.oddlantern.shaded.tools.jackson.core.JsonParser;
import org.oddlantern.shaded.tools.jackson.databind.BeanDescription;
import org.oddlantern.shaded.tools.jackson.databind.DeserializationConfig;
import org.oddlantern.shaded.tools.jackson.databind.DeserializationContext;
import org.oddlantern.shaded.tools.jackson.databind.JavaType;
import org.oddlantern.shaded.tools.jackson.databind.SerializationConfig;
import org.oddlantern.shaded.tools.jackson.databind.SerializationContext;
import org.oddlantern.shaded.tools.jackson.databind.ValueDeserializer;
import org.oddlantern.shaded.tools.jackson.databind.ValueSerializer;
import org.oddlantern.shaded.tools.jackson.databind.deser.Deserializers;
import org.oddlantern.shaded.tools.jackson.databind.jsontype.TypeSerializer;
import org.oddlantern.shaded.tools.jackson.databind.module.SimpleModule;
import org.oddlantern.shaded.tools.jackson.databind.ser.Serializers;
import org.oddlantern.shaded.tools.jackson.databind.type.CollectionType;

/** Trees of the project's own Jackson, 2 or 3, inside values: written as the JSON that they are, and read by that Jackson. */
final class ProjectTrees extends SimpleModule {

  private static final long serialVersionUID = 1L;

  private static final String OF_2 = "com.fasterxml.jackson.databind.JsonNode";
  private static final String OF_3 = "tools.jackson.databind.JsonNode";

  ProjectTrees() {
    super("odd-lantern-trees");
  }

  @Override
  public void setupModule(SetupContext context) {
    context.addSerializers(new Writers());
    context.addDeserializers(new Readers());
  }

  /** The project's JsonNode above a type; null if it is none of its trees. */
  private static @Nullable Class<?> treeAbove(Class<?> type) {
    for (Class<?> above = type; above != null; above = above.getSuperclass()) {
      if (above.getName().equals(OF_2) || above.getName().equals(OF_3)) {
        return above;
      }
    }
    return null;
  }

  private static final class Writers extends Serializers.Base {

    @Override
    public @Nullable ValueSerializer<?> findSerializer(
        SerializationConfig config,
        JavaType type,
        BeanDescription.Supplier bean,
        JsonFormat.Value format) {
      return treeAbove(type.getRawClass()) == null ? null : new Writing();
    }

    /** Arrays among them are collections. */
    @Override
    public @Nullable ValueSerializer<?> findCollectionSerializer(
        SerializationConfig config,
        CollectionType type,
        BeanDescription.Supplier bean,
        JsonFormat.Value format,
        TypeSerializer elementType,
        ValueSerializer<Object> element) {
      return treeAbove(type.getRawClass()) == null ? null : new Writing();
    }
  }

  private static final class Readers extends Deserializers.Base {

    @Override
    public @Nullable ValueDeserializer<?> findBeanDeserializer(
        JavaType type, DeserializationConfig config, BeanDescription.Supplier bean) {
      Class<?> tree = treeAbove(type.getRawClass());
      return tree == null ? null : new Reading(tree);
    }

    @Override
    public boolean hasDeserializerFor(DeserializationConfig config, Class<?> type) {
      return treeAbove(type) != null;
    }
  }

  private static final class Writing extends ValueSerializer<Object> {

    @Override
    public void serialize(Object tree, JsonGenerator to, SerializationContext context) {
      context.writeTree(to, JsonMapping.standard().parse(tree.toString()));
    }

    @Override
    public void serializeWithType(
        Object tree, JsonGenerator to, SerializationContext context, TypeSerializer types) {
      serialize(tree, to, context);
    }
  }

  private static final class Reading extends ValueDeserializer<Object> {

    private final Class<?> tree;

    Reading(Class<?> tree) {
      this.tree = tree;
    }

    @Override
    public Object deserialize(JsonParser from, DeserializationContext context) {
      String json = from.readValueAsTree().toString();
      try {
        Class<?> mapper =
            Class.forName(tree.getPackageName() + ".ObjectMapper", true, tree.getClassLoader());
        Method read = mapper.getMethod("readTree", String.class);
        return read.invoke(mapper.getConstructor().newInstance(), json);
      } catch (ReflectiveOperationException e) {
        throw new IllegalStateException(
            "the project's " + tree.getName() + " could not read " + json, e);
      }
    }
  }
}
