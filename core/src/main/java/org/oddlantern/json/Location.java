package org.oddlantern.json;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.internal.path.PathScanner;

/**
 * A place in a JSON tree. It prints as a JSONPath (RFC 9535) that leads there, in shorthand where the
 * names allow it: {@code $.hives[3].label}. Immutable and thread-safe.
 */
public final class Location {

  /** The whole document: {@code $}. */
  public static final Location ROOT = new Location(null, "", -1, "", List.of());

  private final @Nullable Location parent;
  private final String name;
  private final int index;
  private final String item;
  private final List<Location> gathered;

  private Location(
      @Nullable Location parent, String name, int index, String item, List<Location> gathered) {
    this.parent = parent;
    this.name = name;
    this.index = index;
    this.item = item;
    this.gathered = gathered;
  }

  /**
   * The place of a list that was gathered from many places; its items are where they were found.
   *
   * @param path the path that found them, as it is written
   * @param places the place of each item
   * @return the place
   */
  public static Location gathered(String path, List<Location> places) {
    return new Location(null, path, -1, "", List.copyOf(places));
  }

  /**
   * The member of that name.
   *
   * @param member a member name, as it is
   * @return its place
   */
  public Location child(String member) {
    return new Location(this, member, -1, "", List.of());
  }

  /**
   * The item at that index.
   *
   * @param item counted from 0
   * @return its place
   */
  public Location child(int item) {
    return item < gathered.size()
        ? gathered.get(item)
        : new Location(this, "", item, "", List.of());
  }

  /**
   * The same place, with what the item there is known by.
   *
   * @param identity {@code id 4711}; empty if it is known by its index only
   * @return the place
   */
  public Location knownAs(String identity) {
    return identity.isEmpty() ? this : new Location(parent, name, index, identity, gathered);
  }

  /**
   * What the nearest list item around this place is known by.
   *
   * @return {@code id 4711}; empty if nothing around it has an identity
   */
  public String item() {
    for (Location step = this; step != null; step = step.parent) {
      if (!step.item.isEmpty()) {
        return step.item;
      }
    }
    return "";
  }

  /** The place around this one; null for the whole document. */
  @Nullable
  Location parent() {
    return parent;
  }

  /**
   * The index of an item.
   *
   * @return counted from 0; below 0 for anything else
   */
  public int index() {
    return index;
  }

  /**
   * The steps from the whole document to here.
   *
   * @return each place on the way, the whole document left out
   */
  public List<Location> steps() {
    Deque<Location> way = new ArrayDeque<>();
    for (Location step = this; step.parent != null; step = step.parent) {
      way.push(step);
    }
    return List.copyOf(way);
  }

  /**
   * The name of the member that the last step leads to.
   *
   * @return the name; empty if it leads to an item, or is the whole document
   */
  public String name() {
    return parent == null ? "" : name;
  }

  /**
   * The place as an RFC 9535 normalized path (section 2.7): {@code $['hives'][3]['label']}.
   *
   * @return the normalized path
   */
  public String normalized() {
    StringBuilder text = new StringBuilder();
    write(text, false);
    return text.toString();
  }

  @Override
  public String toString() {
    StringBuilder text = new StringBuilder();
    write(text, true);
    return text.toString();
  }

  /** Without recursion: a place may lie as deep as its document goes. */
  private void write(StringBuilder text, boolean shorthand) {
    int steps = 0;
    Location top = this;
    while (top.parent != null) {
      steps++;
      top = top.parent;
    }
    text.append(top.name.isEmpty() ? "$" : top.name);
    Location[] way = new Location[steps];
    Location step = this;
    while (step.parent != null) {
      way[--steps] = step;
      step = step.parent;
    }
    for (Location next : way) {
      next.writeStep(text, shorthand);
    }
  }

  private void writeStep(StringBuilder text, boolean shorthand) {
    if (index >= 0) {
      text.append('[').append(index).append(']');
    } else if (shorthand && PathScanner.isShorthandName(name)) {
      text.append('.').append(name);
    } else {
      text.append("['");
      name.codePoints().forEach(point -> escape(text, point));
      text.append("']");
    }
  }

  private static void escape(StringBuilder text, int point) {
    switch (point) {
      case '\b' -> text.append("\\b");
      case '\t' -> text.append("\\t");
      case '\n' -> text.append("\\n");
      case '\f' -> text.append("\\f");
      case '\r' -> text.append("\\r");
      case '\'', '\\' -> text.append('\\').appendCodePoint(point);
      default -> {
        if (point < 0x20) {
          text.append(String.format("\\u%04x", point));
        } else {
          text.appendCodePoint(point);
        }
      }
    }
  }
}
