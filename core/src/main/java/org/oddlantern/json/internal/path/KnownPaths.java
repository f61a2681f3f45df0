package org.oddlantern.json.internal.path;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/** The paths that a run has read so far, so that each is read once. Thread-safe. */
public final class KnownPaths {

  private static final int MOST = 2_000;

  private final Map<String, Query> queries = new ConcurrentHashMap<>();

  /** None known yet. */
  public KnownPaths() {}

  /** What a path says, as it was read before, or is read now. */
  public Query query(String text) {
    Query known = queries.get(text);
    if (known == null) {
      known = new PathParser(text).parse();
      if (queries.size() < MOST) {
        queries.put(text, known);
      }
    }
    return known;
  }
}
