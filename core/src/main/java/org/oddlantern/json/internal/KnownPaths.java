package org.oddlantern.json.internal;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import org.oddlantern.json.JsonPath;

/** The paths that a run has read so far, so that each is read once. Thread-safe. */
public final class KnownPaths {

  private static final int MOST = 2_000;

  private final Map<String, JsonPath> paths = new ConcurrentHashMap<>();

  /** None known yet. */
  public KnownPaths() {}

  /** The path as it was read before, or is read now. */
  public JsonPath path(String text, Function<String, JsonPath> reading) {
    JsonPath known = paths.get(text);
    if (known == null) {
      known = reading.apply(text);
      if (paths.size() < MOST) {
        paths.put(text, known);
      }
    }
    return known;
  }
}
