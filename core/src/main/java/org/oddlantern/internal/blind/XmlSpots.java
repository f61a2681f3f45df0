package org.oddlantern.internal.blind;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Deque;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The places of an XML document and how each can be changed: the text of elements without others inside, and
 * attributes. The document is taken as the text it is, which a parser has not to like; what cannot be told
 * apart is left alone.
 */
final class XmlSpots {

  private static final int MOST = 600;
  private static final Pattern TAG = Pattern.compile(
      "<!--.*?-->|<!\\[CDATA\\[.*?]]>|<\\?.*?\\?>|<(/?)([A-Za-z_][\\w.:-]*)((?:\\s+[\\w.:-]+\\s*=\\s*(?:\"[^\"]*\"|'[^']*'))*)\\s*(/?)>",
      Pattern.DOTALL);
  private static final Pattern ATTRIBUTE =
      Pattern.compile("\\s+([\\w.:-]+)\\s*=\\s*(?:\"([^\"]*)\"|'([^']*)')");

  private final String text;
  private final Spot body;
  private final Function<String, Object> answer;
  private final List<Change> changes = new ArrayList<>();

  private XmlSpots(String text, Spot body, Function<String, Object> answer) {
    this.text = text;
    this.body = body;
    this.answer = answer;
  }

  /** All changes; none if it is no XML. */
  static List<Change> changes(String text, Spot body, Function<String, Object> answer) {
    String start = text.stripLeading();
    if (!start.startsWith("<") || start.regionMatches(true, 0, "<!doctype", 0, 9)) {
      return List.of();
    }
    XmlSpots spots = new XmlSpots(text, body, answer);
    spots.walk();
    return spots.some();
  }

  /** Of many elements in one place the first, the middle and the last. */
  private List<Change> some() {
    Map<String, Set<Spot>> byPlace = new HashMap<>();
    changes.forEach(change -> byPlace
        .computeIfAbsent(change.spot().place(), any -> new LinkedHashSet<>())
        .add(change.spot()));
    Set<Spot> chosen = Collections.newSetFromMap(new IdentityHashMap<>());
    for (Set<Spot> spots : byPlace.values()) {
      List<Spot> all = List.copyOf(spots);
      TreeSpots.some(all.size()).forEach(index -> chosen.add(all.get(index)));
    }
    return changes.stream().filter(change -> chosen.contains(change.spot())).toList();
  }

  private void walk() {
    Deque<Open> open = new ArrayDeque<>();
    Matcher tag = TAG.matcher(text);
    while (tag.find() && changes.size() < MOST) {
      String name = tag.group(2);
      if (name == null) {
        continue;
      }
      if (!tag.group(1).isEmpty()) {
        close(open, tag);
        continue;
      }
      Open around = open.peek();
      String place = (around == null ? "" : around.place) + "/" + name;
      if (around != null) {
        around.leaf = false;
      }
      attributes(tag, place);
      if (tag.group(4).isEmpty()) {
        open.push(new Open(place, tag.start(), tag.end()));
      }
    }
  }

  private void close(Deque<Open> open, Matcher tag) {
    Open closed = open.poll();
    if (closed == null || !closed.leaf) {
      return;
    }
    String inner = text.substring(closed.inside, tag.start());
    Spot spot = Spot.plain(closed.place, body);
    if (!inner.isBlank() && inner.indexOf('&') < 0 && inner.indexOf('<') < 0) {
      add(spot, ChangeKind.OTHER_TEXT, closed.inside, tag.start(), OtherText.of(inner));
    }
    add(spot, ChangeKind.MISSING, closed.start, tag.end(), "");
  }

  private void attributes(Matcher tag, String place) {
    Matcher attribute = ATTRIBUTE.matcher(tag.group(3));
    while (attribute.find()) {
      String name = attribute.group(1);
      int group = attribute.group(2) == null ? 3 : 2;
      String value = attribute.group(group);
      if (name.startsWith("xmlns") || value.indexOf('&') >= 0) {
        continue;
      }
      Spot spot = Spot.plain(place + "/@" + name, body);
      int from = tag.start(3);
      add(
          spot,
          ChangeKind.OTHER_TEXT,
          from + attribute.start(group),
          from + attribute.end(group),
          OtherText.of(value));
      add(spot, ChangeKind.MISSING, from + attribute.start(), from + attribute.end(), "");
    }
  }

  private void add(Spot spot, ChangeKind kind, int from, int to, String other) {
    changes.add(new Change(
        spot, kind, () -> answer.apply(text.substring(0, from) + other + text.substring(to))));
  }

  /** An element that is open. */
  private static final class Open {
    private final String place;
    private final int start;
    private final int inside;
    private boolean leaf = true;

    Open(String place, int start, int inside) {
      this.place = place;
      this.start = start;
      this.inside = inside;
    }
  }
}
