package org.oddlantern.reports.html;

import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import org.oddlantern.json.JsonMapping;
import org.oddlantern.json.Location;
import tools.jackson.databind.JsonNode;

/** Lays a JSON tree out over lines that know their places. */
final class LaidOutJson {

  private final List<Line> lines = new ArrayList<>();
  private final int limit;

  private LaidOutJson(int limit) {
    this.limit = limit;
  }

  /** The lines of a tree; no more than the limit. */
  static List<Line> of(JsonNode root, int limit) {
    LaidOutJson laidOut = new LaidOutJson(limit);
    laidOut.add(Location.ROOT, "", root, "", 0);
    return laidOut.lines;
  }

  private void add(Location where, String before, JsonNode node, String after, int depth) {
    if (lines.size() >= limit) {
      return;
    }
    String indent = "  ".repeat(depth) + before;
    if (!node.isContainer() || node.isEmpty()) {
      lines.add(new Line(
          where.toString(), indent + JsonMapping.standard().write(node) + after, false, false));
      return;
    }
    lines.add(new Line(where.toString(), indent + (node.isObject() ? "{" : "["), true, false));
    if (node.isObject()) {
      Iterator<Map.Entry<String, JsonNode>> members = node.properties().iterator();
      while (members.hasNext()) {
        Map.Entry<String, JsonNode> member = members.next();
        String name = JsonMapping.standard().write(member.getKey()) + ": ";
        add(
            where.child(member.getKey()),
            name,
            member.getValue(),
            members.hasNext() ? "," : "",
            depth + 1);
      }
    } else {
      for (int i = 0; i < node.size(); i++) {
        add(where.child(i), "", node.get(i), i + 1 < node.size() ? "," : "", depth + 1);
      }
    }
    if (lines.size() < limit) {
      lines.add(
          new Line("", "  ".repeat(depth) + (node.isObject() ? "}" : "]") + after, false, true));
    }
  }

  /**
   * A line.
   *
   * @param where the place of the value that begins on it; empty for a closing bracket
   * @param text the line, indented
   * @param opens whether what follows is inside it
   * @param closes whether it ends what was opened
   */
  record Line(String where, String text, boolean opens, boolean closes) {}
}
