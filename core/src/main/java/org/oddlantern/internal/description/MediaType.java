package org.oddlantern.internal.description;

import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * What is said of a body of some type (OpenAPI 3.1, Media Type Object).
 *
 * @param range the types it is about
 * @param schema what the body must fit; null if nothing is said
 * @param encoding of a form, how its fields are written
 * @param pointer where it stands
 */
public record MediaType(
    MediaRange range,
    @Nullable DescribedSchema schema,
    Map<String, Encoding> encoding,
    String pointer) {

  /** Keeps its own map. */
  public MediaType {
    encoding = Map.copyOf(encoding);
  }

  /**
   * How a field of a form is written (OpenAPI 3.1, Encoding Object).
   *
   * @param contentType its media types, separated by commas; empty if nobody says
   * @param writing how a list or an object is written
   */
  public record Encoding(String contentType, Writing writing) {}
}
