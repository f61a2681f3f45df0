package org.oddlantern.json.internal;

import org.jspecify.annotations.Nullable;
import org.oddlantern.json.Json;
import org.oddlantern.json.JsonSource;
import org.oddlantern.json.Secret;
import org.oddlantern.json.Shape;
import org.oddlantern.json.Worded;
import org.oddlantern.shaded.tools.jackson.core.JsonGenerator;
import org.oddlantern.shaded.tools.jackson.core.JsonParser;
import org.oddlantern.shaded.tools.jackson.databind.DeserializationContext;
import org.oddlantern.shaded.tools.jackson.databind.SerializationContext;
import org.oddlantern.shaded.tools.jackson.databind.deser.std.StdDeserializer;
import org.oddlantern.shaded.tools.jackson.databind.jsontype.TypeSerializer;
import org.oddlantern.shaded.tools.jackson.databind.module.SimpleModule;
import org.oddlantern.shaded.tools.jackson.databind.node.TreeBuildingGenerator;
import org.oddlantern.shaded.tools.jackson.databind.ser.std.StdSerializer;

/** Lets secrets and JSON sources travel as what they stand for; tells a listener of secrets read. */
final class SecretModule {

  /** The attribute that holds the mapping at work. */
  static final Object MAPPING = SecretModule.class;

  private SecretModule() {}

  static SimpleModule make() {
    return new SimpleModule("odd-lantern")
        .addSerializer(Secret.class, new Writing())
        .addSerializer(JsonSource.class, new Sourcing())
        .addSerializer(Worded.class, new Embedding())
        .addSerializer(Json.class, new JsonWriting())
        .addDeserializer(Json.class, new JsonReading())
        .addDeserializer(Secret.class, new Reading());
  }

  private static JsonMapping mapping(@Nullable Object attribute) {
    return attribute instanceof JsonMapping own ? own : JsonMapping.standard();
  }

  private static final class Writing extends StdSerializer<Secret> {
    Writing() {
      super(Secret.class);
    }

    @Override
    public void serialize(Secret value, JsonGenerator generator, SerializationContext context) {
      mapping(context.getAttribute(MAPPING)).hear(value.reveal());
      generator.writeString(value.reveal());
    }
  }

  private static final class Sourcing extends StdSerializer<JsonSource> {
    Sourcing() {
      super(JsonSource.class);
    }

    @Override
    public void serialize(JsonSource value, JsonGenerator generator, SerializationContext context) {
      JsonMapping mapping = mapping(context.getAttribute(MAPPING));
      context.writeTree(generator, Trees.of(value.tree(inner -> Json.of(mapping.tree(inner)))));
    }
  }

  private static final class JsonWriting extends StdSerializer<Json> {
    JsonWriting() {
      super(Json.class);
    }

    @Override
    public void serialize(Json value, JsonGenerator generator, SerializationContext context) {
      context.writeTree(generator, Trees.of(value));
    }
  }

  private static final class JsonReading extends StdDeserializer<Json> {
    JsonReading() {
      super(Json.class);
    }

    @Override
    public Json deserialize(JsonParser parser, DeserializationContext context) {
      return Json.of(context.readTree(parser));
    }

    @Override
    public Json getNullValue(DeserializationContext context) {
      return Json.of(null);
    }
  }

  /** A shape inside a wanted value stays a shape in its tree; nothing of the kind can be sent. */
  private static final class Embedding extends StdSerializer<Worded> {
    Embedding() {
      super(Worded.class);
    }

    @Override
    public void serialize(Worded value, JsonGenerator generator, SerializationContext context) {
      if (!(generator instanceof TreeBuildingGenerator) || !(value instanceof Shape)) {
        context.reportMappingProblem("%s", JsonMapping.refusal(value));
      }
      generator.writeEmbeddedObject(value);
    }

    @Override
    public void serializeWithType(
        Worded value, JsonGenerator generator, SerializationContext context, TypeSerializer types) {
      serialize(value, generator, context);
    }
  }

  private static final class Reading extends StdDeserializer<Secret> {
    Reading() {
      super(Secret.class);
    }

    @Override
    public Secret deserialize(JsonParser parser, DeserializationContext context) {
      Secret secret = Secret.of(parser.getValueAsString());
      mapping(context.getAttribute(MAPPING)).hear(secret.reveal());
      return secret;
    }
  }
}
