package org.oddlantern.http;

import java.nio.charset.StandardCharsets;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.JsonMapping;

/** What a call carries. */
sealed interface Body {

  byte[] bytes(JsonMapping mapping);

  /** The content type that goes with it; null for none. */
  @Nullable
  String contentType();

  /** No body at all. */
  record None() implements Body {
    @Override
    public byte[] bytes(JsonMapping mapping) {
      return new byte[0];
    }

    @Override
    public @Nullable String contentType() {
      return null;
    }
  }

  /** A value written as JSON. */
  record Json(@Nullable Object value) implements Body {
    @Override
    public byte[] bytes(JsonMapping mapping) {
      return mapping.writeBytes(value);
    }

    @Override
    public String contentType() {
      return "application/json";
    }
  }

  /** Text sent as it is. */
  record Text(String text, String contentType) implements Body {
    @Override
    public byte[] bytes(JsonMapping mapping) {
      return text.getBytes(StandardCharsets.UTF_8);
    }
  }
}
