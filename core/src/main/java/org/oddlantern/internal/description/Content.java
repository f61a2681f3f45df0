package org.oddlantern.internal.description;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * The media types that a body may have, as they are written, and what each says of it.
 *
 * @param types what is said, by type
 */
public record Content(Map<String, MediaType> types) {

  /** Says nothing. */
  public static final Content NONE = new Content(Map.of());

  /** Keeps its own map, in order. */
  public Content {
    types = Collections.unmodifiableMap(new LinkedHashMap<>(types));
  }

  /**
   * What is said of a body of that type: by its closest range.
   *
   * @param contentType the header
   * @return null if it is not described
   */
  public Map.@Nullable Entry<String, MediaType> of(String contentType) {
    MediaRange wanted = MediaRange.of(contentType);
    Map.Entry<String, MediaType> closest = null;
    int best = 0;
    for (Map.Entry<String, MediaType> one : types.entrySet()) {
      int closeness = one.getValue().range().closeness(wanted);
      if (closeness > best) {
        best = closeness;
        closest = one;
      }
    }
    return closest;
  }

  /** Whether it says nothing. */
  public boolean isEmpty() {
    return types.isEmpty();
  }

  /** The types in words. */
  public String words() {
    return types.keySet().stream().collect(Collectors.joining(" or "));
  }
}
