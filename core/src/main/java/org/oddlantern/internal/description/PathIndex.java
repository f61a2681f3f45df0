package org.oddlantern.internal.description;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Finds paths among thousands: step by step, fixed parts first. Of several that match, the one with fewer
 * variables wins, then the one whose fixed parts come first, then the one with more fixed text.
 */
final class PathIndex {

  private final Node root = new Node();

  PathIndex(Iterable<PathTemplate> paths) {
    for (PathTemplate path : paths) {
      Node node = root;
      for (String step : path.steps()) {
        node = step.equals(PathTemplate.ANY)
            ? node.variable()
            : node.fixed.computeIfAbsent(step, any -> new Node());
      }
      node.ends.add(path);
    }
  }

  Optional<PathTemplate> find(String path) {
    List<PathTemplate> found = new ArrayList<>();
    root.collect(path.split("/", -1), 0, path, found);
    PathTemplate best = null;
    for (PathTemplate one : found) {
      if (best == null || isCloser(one, best)) {
        best = one;
      }
    }
    return Optional.ofNullable(best);
  }

  private static boolean isCloser(PathTemplate one, PathTemplate other) {
    if (one.names().size() != other.names().size()) {
      return one.names().size() < other.names().size();
    }
    List<String> left = one.steps();
    List<String> right = other.steps();
    for (int i = 0; i < Math.min(left.size(), right.size()); i++) {
      boolean fixed = !left.get(i).equals(PathTemplate.ANY);
      if (fixed == right.get(i).equals(PathTemplate.ANY)) {
        return fixed;
      }
    }
    return one.fixedLength() > other.fixedLength();
  }

  private static final class Node {
    private final Map<String, Node> fixed = new HashMap<>();
    private final List<PathTemplate> ends = new ArrayList<>();
    private @Nullable Node variable;

    Node variable() {
      Node node = variable == null ? new Node() : variable;
      variable = node;
      return node;
    }

    void collect(String[] steps, int depth, String path, List<PathTemplate> found) {
      if (depth == steps.length) {
        for (PathTemplate one : ends) {
          if (one.pattern().matcher(path).matches()) {
            found.add(one);
          }
        }
        return;
      }
      Node next = fixed.get(steps[depth]);
      if (next != null) {
        next.collect(steps, depth + 1, path, found);
      }
      if (variable != null) {
        variable.collect(steps, depth + 1, path, found);
      }
    }
  }
}
