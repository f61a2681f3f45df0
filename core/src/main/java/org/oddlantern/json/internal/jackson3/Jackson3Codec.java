package org.oddlantern.json.internal.jackson3;

import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.Json;
import org.oddlantern.json.JsonCodec;
import org.oddlantern.json.JsonSource;
import org.oddlantern.json.Secret;
import org.oddlantern.json.Worded;
import org.oddlantern.json.internal.HearingCodec;
import org.oddlantern.json.internal.JsonMapping;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.ObjectMapper;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.ValueDeserializer;
import tools.jackson.databind.ValueSerializer;
import tools.jackson.databind.introspect.AnnotationIntrospectorPair;
import tools.jackson.databind.module.SimpleModule;

/**
 * A mapper of the project's own Jackson 3, which keeps its own rules; secrets, key records and payloads
 * inside its values travel as they do by the standard mapping.
 */
public final class Jackson3Codec implements HearingCodec {

  private static final Object LISTENER = Jackson3Codec.class;

  private final ObjectMapper mapper;
  private final Consumer<String> listener;

  /**
   * The codec of a mapper.
   *
   * @param own an {@code ObjectMapper}; it is copied, not changed
   */
  public Jackson3Codec(Object own) {
    this(withOwnTypes((ObjectMapper) own), secret -> {});
  }

  private Jackson3Codec(ObjectMapper mapper, Consumer<String> listener) {
    this.mapper = mapper;
    this.listener = listener;
  }

  private static ObjectMapper withOwnTypes(ObjectMapper own) {
    var builder = own.rebuild();
    return builder
        .annotationIntrospector(AnnotationIntrospectorPair.pair(
            new KeyRecords(), own.serializationConfig().getAnnotationIntrospector()))
        .addModule(types())
        .build();
  }

  private static SimpleModule types() {
    return new SimpleModule("odd-lantern")
        .addSerializer(Secret.class, new SecretWriting())
        .addDeserializer(Secret.class, new SecretReading())
        .addSerializer(Json.class, new JsonWriting())
        .addDeserializer(Json.class, new JsonReading())
        .addSerializer(JsonSource.class, new SourceWriting())
        .addSerializer(Worded.class, new Refusing());
  }

  @Override
  public JsonCodec hearing(Consumer<String> other) {
    return new Jackson3Codec(mapper, other);
  }

  @Override
  public String write(Object value) {
    return mapper.writer().withAttribute(LISTENER, listener).writeValueAsString(value);
  }

  @Override
  public <T> T read(String json, Class<T> type) {
    return mapper.readerFor(type).withAttribute(LISTENER, listener).readValue(json);
  }

  private static void tell(@Nullable Object listening, Secret secret) {
    if (listening instanceof Consumer<?>) {
      @SuppressWarnings("unchecked")
      Consumer<String> listener = (Consumer<String>) listening;
      listener.accept(secret.reveal());
    }
  }

  private static final class SecretWriting extends ValueSerializer<Secret> {
    @Override
    public void serialize(Secret value, JsonGenerator to, SerializationContext context) {
      tell(context.getAttribute(LISTENER), value);
      to.writeString(value.reveal());
    }
  }

  private static final class SecretReading extends ValueDeserializer<Secret> {
    @Override
    public Secret deserialize(JsonParser from, DeserializationContext context) {
      Secret secret = Secret.of(from.getValueAsString());
      tell(context.getAttribute(LISTENER), secret);
      return secret;
    }
  }

  private static final class JsonWriting extends ValueSerializer<Json> {
    @Override
    public void serialize(Json value, JsonGenerator to, SerializationContext context) {
      to.writeRawValue(value.written());
    }
  }

  private static final class JsonReading extends ValueDeserializer<Json> {
    @Override
    public Json deserialize(JsonParser from, DeserializationContext context) {
      return Json.parse(from.readValueAsTree().toString());
    }

    @Override
    public Json getNullValue(DeserializationContext context) {
      return Json.of(null);
    }
  }

  private static final class SourceWriting extends ValueSerializer<JsonSource> {
    @Override
    public void serialize(JsonSource value, JsonGenerator to, SerializationContext context) {
      to.writeRawValue(JsonMapping.standard().write(value));
    }
  }

  private static final class Refusing extends ValueSerializer<Worded> {
    @Override
    public void serialize(Worded value, JsonGenerator to, SerializationContext context) {
      context.reportMappingProblem("%s", JsonMapping.refusal(value));
    }
  }
}
