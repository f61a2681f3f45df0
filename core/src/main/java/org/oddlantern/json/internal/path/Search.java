package org.oddlantern.json.internal.path;

import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.CostlyPath;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** One evaluation of a path: the document, and how much has been looked at so far. Of one thread. */
public final class Search {

  /** Looks at values and steps of regular expressions before a path is given up. */
  public static final int MOST_LOOKS = 50_000_000;

  private static final int KEEPING = 9;
  private static final int MOST_PATTERNS = 1_000;

  private final String path;
  private final JsonNode root;
  private @Nullable Map<String, Optional<RegularExpression>> patterns;
  private int looks;

  /** A search for a path in a document. */
  public Search(String path, JsonNode root) {
    this.path = path;
    this.root = root;
  }

  /** The whole document. */
  public JsonNode root() {
    return root;
  }

  /** One more value is kept, which costs memory, too. */
  void keep() {
    looks += KEEPING;
    spend();
  }

  void spend() {
    if (++looks > MOST_LOOKS) {
      throw new CostlyPath(path, MOST_LOOKS);
    }
  }

  /** The expression; empty if the text is none by RFC 9485. */
  Optional<RegularExpression> expression(String pattern) {
    if (patterns == null) {
      patterns = new HashMap<>();
    }
    Optional<RegularExpression> known = patterns.get(pattern);
    if (known == null) {
      known = RegularExpression.of(pattern);
      if (patterns.size() < MOST_PATTERNS) {
        patterns.put(pattern, known);
      }
    }
    return known;
  }
}
