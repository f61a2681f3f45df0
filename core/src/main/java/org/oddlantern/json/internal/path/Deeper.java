package org.oddlantern.json.internal.path;

import java.util.ArrayDeque;
import java.util.Map;
import java.util.Optional;
import java.util.Queue;
import org.oddlantern.json.Location;
import org.oddlantern.json.internal.FoundNode;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** Looks for a name below a place, nearest first. */
final class Deeper {

  private static final int MOST_LOOKS = 10_000;

  private Deeper() {}

  static Optional<Location> first(FoundNode top, String name) {
    Queue<FoundNode> open = new ArrayDeque<>();
    open.add(top);
    for (int looks = 0; looks < MOST_LOOKS && !open.isEmpty(); looks++) {
      FoundNode next = open.remove();
      if (next.value().isObject() && next.value().has(name)) {
        return Optional.of(next.where().child(name));
      }
      if (open.size() < MOST_LOOKS) {
        addChildren(next, open);
      }
    }
    return Optional.empty();
  }

  private static void addChildren(FoundNode parent, Queue<FoundNode> open) {
    if (parent.value().isObject()) {
      for (Map.Entry<String, JsonNode> member : parent.value().properties()) {
        open.add(new FoundNode(parent.where().child(member.getKey()), member.getValue()));
      }
    } else if (parent.value().isArray() && !parent.value().isEmpty()) {
      open.add(new FoundNode(parent.where().child(0), parent.value().get(0)));
    }
  }
}
