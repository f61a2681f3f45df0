package org.oddlantern.json;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;

/**
 * One thing that does not hold: where, what was wanted, what was there instead, and what may help. A
 * check or shape that holds has no findings. Immutable.
 *
 * @param where the place, usually a JSONPath or a header; never blank
 * @param item what the list item around the place is known by, like {@code id 4711}; often empty
 * @param wanted what was asked for, in words; never blank
 * @param got what was there, in words; never blank
 * @param hints what may help to see the reason; often empty
 */
public record Finding(String where, String item, String wanted, String got, List<String> hints) {

  /** Refuses blank texts, since a finding that says nothing helps nobody. */
  public Finding {
    requireText(where, "where");
    item = item == null ? "" : item;
    requireText(wanted, "wanted");
    requireText(got, "got");
    hints = hints == null ? List.of() : List.copyOf(hints);
  }

  /**
   * A finding without hints.
   *
   * @param where the place
   * @param wanted what was asked for
   * @param got what was there
   * @return the finding
   */
  public static Finding of(Object where, String wanted, String got) {
    String item = where instanceof Location place ? place.item() : "";
    return new Finding(where.toString(), item, wanted, got, List.of());
  }

  /**
   * The same finding, of a list item.
   *
   * @param identity what the item is known by, like {@code id 4711}; empty if by its index only
   * @return the finding
   */
  public Finding ofItem(String identity) {
    return new Finding(where, identity, wanted, got, hints);
  }

  /**
   * The same finding with one more hint.
   *
   * @param hint what may help; an empty one adds nothing
   * @return the finding with the hint
   */
  public Finding hint(String hint) {
    if (hint.isEmpty()) {
      return this;
    }
    List<String> more = new ArrayList<>(hints);
    more.add(hint);
    return new Finding(where, item, wanted, got, more);
  }

  /**
   * The finding as lines of text, for a message.
   *
   * @return the lines, not indented
   */
  public List<String> lines() {
    List<String> lines = new ArrayList<>();
    add(lines, "at      ", item.isEmpty() ? where : where + " of " + item);
    add(lines, "wanted  ", wanted);
    add(lines, "got     ", got);
    hints.forEach(hint -> add(lines, "hint    ", hint));
    return lines;
  }

  private static void add(List<String> lines, String word, String text) {
    String indent = word;
    for (String line : text.split("\n", -1)) {
      lines.add(indent + line);
      indent = " ".repeat(word.length());
    }
  }

  private static void requireText(String text, String name) {
    Objects.requireNonNull(text, name);
    if (text.isBlank()) {
      throw new IllegalArgumentException("a finding needs a text for '" + name + "'");
    }
  }
}
