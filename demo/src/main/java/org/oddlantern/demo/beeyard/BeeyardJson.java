package org.oddlantern.demo.beeyard;

import io.javalin.json.JsonMapper;
import java.lang.reflect.Type;
import tools.jackson.databind.MapperFeature;

/** Lets the web library write and read JSON with Jackson 3. */
final class BeeyardJson implements JsonMapper {

  private final tools.jackson.databind.json.JsonMapper mapper =
      tools.jackson.databind.json.JsonMapper.builder()
          .disable(MapperFeature.SORT_PROPERTIES_ALPHABETICALLY)
          .build();

  @Override
  public String toJsonString(Object value, Type type) {
    return mapper.writeValueAsString(value);
  }

  @Override
  @SuppressWarnings("TypeParameterUnusedInFormals") // the signature is the web library's
  public <T> T fromJsonString(String json, Type type) {
    return mapper.readValue(json, mapper.constructType(type));
  }
}
