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
 * @param places the places themselves, as many as are listed, if {@code where} stands for several: {@code
 *     $.items[37].frames} and others for {@code $.items[*].frames}; empty else
 * @param absent whether nothing was there at all, so that {@code got} is no value
 */
public record Finding(
    String where,
    String item,
    String wanted,
    String got,
    List<String> hints,
    List<String> places,
    boolean absent) {

  private static final String NOTHING = "nothing: ";

  /** Refuses blank texts, since a finding that says nothing helps nobody. */
  public Finding {
    requireText(where, "where");
    requireText(wanted, "wanted");
    requireText(got, "got");
    hints = List.copyOf(hints);
    places = List.copyOf(places);
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
    return new Finding(where.toString(), item, wanted, got, List.of(), List.of(), false);
  }

  /**
   * A finding about a place where nothing is.
   *
   * @param where the place
   * @param wanted what was asked for
   * @param reason why nothing is there: {@code the list ends before}
   * @return the finding
   */
  public static Finding nothing(Object where, String wanted, String reason) {
    Finding finding = of(where, wanted, NOTHING + reason);
    return new Finding(
        finding.where, finding.item, wanted, finding.got, List.of(), List.of(), true);
  }

  /**
   * The same finding, of another place.
   *
   * @param place the place
   * @return the finding, which stands for that place alone
   */
  public Finding at(String place) {
    return new Finding(place, item, wanted, got, hints, List.of(), absent);
  }

  /**
   * The same finding, with something else there.
   *
   * @param other what was there
   * @return the finding
   */
  public Finding got(String other) {
    return new Finding(where, item, wanted, other, hints, places, false);
  }

  /**
   * The same finding, of a list item.
   *
   * @param identity what the item is known by, like {@code id 4711}; empty if by its index only
   * @return the finding
   */
  public Finding ofItem(String identity) {
    return new Finding(where, identity, wanted, got, hints, places, absent);
  }

  /**
   * The same finding at several places at once.
   *
   * @param each the places, as many as are listed
   * @return the finding
   */
  public Finding atEach(List<String> each) {
    return new Finding(where, item, wanted, got, hints, each, absent);
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
    return new Finding(where, item, wanted, got, more, places, absent);
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
