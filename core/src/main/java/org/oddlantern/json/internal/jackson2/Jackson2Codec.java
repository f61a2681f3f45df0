package org.oddlantern.json.internal.jackson2;

import com.fasterxml.jackson.core.JsonGenerator;
import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.databind.DeserializationContext;
import com.fasterxml.jackson.databind.JsonDeserializer;
import com.fasterxml.jackson.databind.JsonSerializer;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.SerializerProvider;
import com.fasterxml.jackson.databind.introspect.AnnotationIntrospectorPair;
import com.fasterxml.jackson.databind.module.SimpleModule;
import java.io.IOException;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.Json;
import org.oddlantern.json.JsonCodec;
import org.oddlantern.json.JsonSource;
import org.oddlantern.json.Secret;
import org.oddlantern.json.Worded;
import org.oddlantern.json.internal.HearingCodec;
import org.oddlantern.json.internal.JsonMapping;

/**
 * A mapper of the project's own Jackson 2, which keeps its own rules; secrets, key records and payloads
 * inside its values travel as they do by the standard mapping.
 */
public final class Jackson2Codec implements HearingCodec {

  private static final Object LISTENER = Jackson2Codec.class;

  private final ObjectMapper mapper;
  private final Consumer<String> listener;

  /**
   * The codec of a mapper.
   *
   * @param own an {@code ObjectMapper}; it is copied, not changed
   */
  public Jackson2Codec(Object own) {
    this(withOwnTypes((ObjectMapper) own), secret -> {});
  }

  private Jackson2Codec(ObjectMapper mapper, Consumer<String> listener) {
    this.mapper = mapper;
    this.listener = listener;
  }

  private static ObjectMapper withOwnTypes(ObjectMapper own) {
    ObjectMapper copy = own.copy();
    KeyRecords keys = new KeyRecords();
    return copy.setAnnotationIntrospectors(
            AnnotationIntrospectorPair.pair(
                keys, own.getSerializationConfig().getAnnotationIntrospector()),
            AnnotationIntrospectorPair.pair(
                keys, own.getDeserializationConfig().getAnnotationIntrospector()))
        .registerModule(types());
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
    return new Jackson2Codec(mapper, other);
  }

  @Override
  public String write(Object value) throws IOException {
    return mapper.writer().withAttribute(LISTENER, listener).writeValueAsString(value);
  }

  @Override
  public <T> T read(String json, Class<T> type) throws IOException {
    return mapper.readerFor(type).withAttribute(LISTENER, listener).readValue(json);
  }

  private static void tell(@Nullable Object listening, Secret secret) {
    if (listening instanceof Consumer<?>) {
      @SuppressWarnings("unchecked")
      Consumer<String> listener = (Consumer<String>) listening;
      listener.accept(secret.reveal());
    }
  }

  private static final class SecretWriting extends JsonSerializer<Secret> {
    @Override
    public void serialize(Secret value, JsonGenerator to, SerializerProvider context)
        throws IOException {
      tell(context.getAttribute(LISTENER), value);
      to.writeString(value.reveal());
    }
  }

  private static final class SecretReading extends JsonDeserializer<Secret> {
    @Override
    public Secret deserialize(JsonParser from, DeserializationContext context) throws IOException {
      Secret secret = Secret.of(from.getValueAsString());
      tell(context.getAttribute(LISTENER), secret);
      return secret;
    }
  }

  private static final class JsonWriting extends JsonSerializer<Json> {
    @Override
    public void serialize(Json value, JsonGenerator to, SerializerProvider context)
        throws IOException {
      to.writeRawValue(value.written());
    }
  }

  private static final class JsonReading extends JsonDeserializer<Json> {
    @Override
    public Json deserialize(JsonParser from, DeserializationContext context) throws IOException {
      return Json.parse(from.readValueAsTree().toString());
    }

    @Override
    public Json getNullValue(DeserializationContext context) {
      return Json.of(null);
    }
  }

  private static final class SourceWriting extends JsonSerializer<JsonSource> {
    @Override
    public void serialize(JsonSource value, JsonGenerator to, SerializerProvider context)
        throws IOException {
      to.writeRawValue(JsonMapping.standard().write(value));
    }
  }

  private static final class Refusing extends JsonSerializer<Worded> {
    @Override
    public void serialize(Worded value, JsonGenerator to, SerializerProvider context)
        throws IOException {
      context.reportMappingProblem("%s", JsonMapping.refusal(value));
    }
  }
}
