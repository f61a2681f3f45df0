package org.oddlantern.json;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/** The paths that a run has read so far, so that each is read once. Thread-safe. */
public final class KnownPaths {

  private static final int MOST = 2_000;

  private final Map<String, JsonPath> paths = new ConcurrentHashMap<>();

  /** None known yet. */
  public KnownPaths() {}

  JsonPath path(String text) {
    JsonPath known = paths.get(text);
    if (known == null) {
      known = JsonPath.read(text);
      if (paths.size() < MOST) {
        paths.put(text, known);
      }
    }
    return known;
  }
}
