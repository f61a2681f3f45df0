package org.oddlantern.internal.reports.html;

import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import org.oddlantern.json.Location;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** Lays a JSON tree out over lines that know their places. */
final class LaidOutJson {

  private final List<LaidOutLine> lines = new ArrayList<>();
  private final int limit;
  private final boolean placed;
  private int more;

  private LaidOutJson(int limit, boolean placed) {
    this.limit = limit;
    this.placed = placed;
  }

  /** The lines of a tree, the others counted; where they are is told only if somebody asks. */
  static LaidOut of(JsonNode root, int limit, boolean placed) {
    LaidOutJson laidOut = new LaidOutJson(limit, placed);
    laidOut.add(Location.ROOT, "", root, "", 0);
    return new LaidOut(laidOut.lines, laidOut.more);
  }

  private static int count(JsonNode node) {
    if (!node.isContainer() || node.isEmpty()) {
      return 1;
    }
    int count = 2;
    for (JsonNode child : node) {
      count += count(child);
    }
    return count;
  }

  /** As JSON; what is plain without a generator, since a report has millions of lines. */
  private static String text(JsonNode node) {
    return node instanceof VerbatimJson.AsWritten || node.isBoolean()
        ? node.asString()
        : node.isString() ? quoted(node.stringValue()) : JsonMapping.standard().write(node);
  }

  private static String quoted(String text) {
    for (int i = 0; i < text.length(); i++) {
      char c = text.charAt(i);
      if (c < ' ' || c > '~' || c == '"' || c == '\\') {
        return JsonMapping.standard().write(text);
      }
    }
    return '"' + text + '"';
  }

  private String place(Location where) {
    return placed ? where.toString() : "";
  }

  private void add(Location where, String before, JsonNode node, String after, int depth) {
    if (lines.size() >= limit) {
      more += count(node);
      return;
    }
    String indent = "  ".repeat(depth) + before;
    if (!node.isContainer() || node.isEmpty()) {
      lines.add(new LaidOutLine(place(where), indent + text(node) + after, false, false));
      return;
    }
    lines.add(new LaidOutLine(place(where), indent + (node.isObject() ? "{" : "["), true, false));
    if (node.isObject()) {
      Iterator<Map.Entry<String, JsonNode>> members = node.properties().iterator();
      while (members.hasNext()) {
        Map.Entry<String, JsonNode> member = members.next();
        String name = quoted(member.getKey()) + ": ";
        add(
            placed ? where.child(member.getKey()) : where,
            name,
            member.getValue(),
            members.hasNext() ? "," : "",
            depth + 1);
      }
    } else {
      for (int i = 0; i < node.size(); i++) {
        add(
            placed ? where.child(i) : where,
            "",
            node.get(i),
            i + 1 < node.size() ? "," : "",
            depth + 1);
      }
    }
    if (lines.size() < limit) {
      lines.add(new LaidOutLine(
          "", "  ".repeat(depth) + (node.isObject() ? "}" : "]") + after, false, true));
    } else {
      more++;
    }
  }
}
