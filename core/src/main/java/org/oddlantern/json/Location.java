package org.oddlantern.json;

import java.util.ArrayDeque;
import java.util.Deque;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.internal.PathScanner;

/**
 * A place in a JSON tree. It prints as a JSONPath (RFC 9535) that leads there, in shorthand where the
 * names allow it: {@code $.hives[3].label}. Immutable and thread-safe.
 */
public final class Location {

  /** The whole document: {@code $}. */
  public static final Location ROOT = new Location(null, "", -1);

  private final @Nullable Location parent;
  private final String name;
  private final int index;

  private Location(@Nullable Location parent, String name, int index) {
    this.parent = parent;
    this.name = name;
    this.index = index;
  }

  /**
   * The member of that name.
   *
   * @param member a member name, as it is
   * @return its place
   */
  public Location child(String member) {
    return new Location(this, member, -1);
  }

  /**
   * The item at that index.
   *
   * @param item counted from 0
   * @return its place
   */
  public Location child(int item) {
    return new Location(this, "", item);
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
    Deque<Location> way = new ArrayDeque<>();
    for (Location step = this; step.parent != null; step = step.parent) {
      way.push(step);
    }
    text.append('$');
    way.forEach(step -> step.writeStep(text, shorthand));
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
