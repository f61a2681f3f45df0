package org.oddlantern.json;

import java.util.function.Consumer;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.deser.std.StdDeserializer;
import tools.jackson.databind.module.SimpleModule;
import tools.jackson.databind.ser.std.StdSerializer;

/** Lets secrets and JSON sources travel as what they stand for; tells a listener of secrets read. */
final class SecretModule {

  static final Object LISTENER = SecretModule.class;

  private SecretModule() {}

  static SimpleModule make(JsonMapping mapping) {
    return new SimpleModule("odd-lantern")
        .addSerializer(Secret.class, new Writing())
        .addSerializer(JsonSource.class, new Sourcing(mapping))
        .addDeserializer(Secret.class, new Reading());
  }

  private static final class Writing extends StdSerializer<Secret> {
    Writing() {
      super(Secret.class);
    }

    @Override
    public void serialize(Secret value, JsonGenerator generator, SerializationContext context) {
      generator.writeString(value.reveal());
    }
  }

  private static final class Sourcing extends StdSerializer<JsonSource> {
    private final JsonMapping mapping;

    Sourcing(JsonMapping mapping) {
      super(JsonSource.class);
      this.mapping = mapping;
    }

    @Override
    public void serialize(JsonSource value, JsonGenerator generator, SerializationContext context) {
      context.writeTree(generator, value.tree(mapping));
    }
  }

  private static final class Reading extends StdDeserializer<Secret> {
    Reading() {
      super(Secret.class);
    }

    @Override
    public Secret deserialize(JsonParser parser, DeserializationContext context) {
      Secret secret = Secret.of(parser.getValueAsString());
      if (context.getAttribute(LISTENER) instanceof Consumer<?> listener) {
        @SuppressWarnings("unchecked")
        Consumer<String> hears = (Consumer<String>) listener;
        hears.accept(secret.reveal());
      }
      return secret;
    }
  }
}
