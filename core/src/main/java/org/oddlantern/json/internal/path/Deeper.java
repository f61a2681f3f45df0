package org.oddlantern.json.internal.path;

import java.util.ArrayDeque;
import java.util.Map;
import java.util.Optional;
import java.util.Queue;
import org.oddlantern.json.Found;
import org.oddlantern.json.Location;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** Looks for a name below a place, nearest first. */
final class Deeper {

  private static final int MOST_LOOKS = 10_000;

  private Deeper() {}

  static Optional<Location> first(Found top, String name) {
    Queue<Found> open = new ArrayDeque<>();
    open.add(top);
    for (int looks = 0; looks < MOST_LOOKS && !open.isEmpty(); looks++) {
      Found next = open.remove();
      if (next.value().isObject() && next.value().has(name)) {
        return Optional.of(next.where().child(name));
      }
      if (open.size() < MOST_LOOKS) {
        addChildren(next, open);
      }
    }
    return Optional.empty();
  }

  private static void addChildren(Found parent, Queue<Found> open) {
    if (parent.value().isObject()) {
      for (Map.Entry<String, JsonNode> member : parent.value().properties()) {
        open.add(new Found(parent.where().child(member.getKey()), member.getValue()));
      }
    } else if (parent.value().isArray() && !parent.value().isEmpty()) {
      open.add(new Found(parent.where().child(0), parent.value().get(0)));
    }
  }
}
