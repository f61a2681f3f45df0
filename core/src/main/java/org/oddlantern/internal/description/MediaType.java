package org.oddlantern.internal.description;

import java.util.Map;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * What is said of a body of some type (OpenAPI 3.1, Media Type Object).
 *
 * @param range the types it is about
 * @param schema what the body must fit; null if nothing is said
 * @param encoding of a form, how its fields are written
 * @param example a body of that type; null if there is none
 */
public record MediaType(
    MediaRange range,
    @Nullable DescribedSchema schema,
    Map<String, Encoding> encoding,
    @Nullable JsonNode example) {

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
  public record Encoding(String contentType, Writing writing) {

    /** Whether a field may be of a type; a part that names none is plain text (RFC 7578, section 4.4). */
    public boolean takes(String type) {
      MediaRange written = MediaRange.of(type.isEmpty() ? "text/plain" : type);
      return contentType.isEmpty()
          || Stream.of(contentType.split(",", -1))
              .anyMatch(range -> MediaRange.of(range).takes(written));
    }
  }
}
