package org.oddlantern.json.internal;

import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;
import org.oddlantern.json.Shape;
import org.oddlantern.json.Worded;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * A plain value as a shape: exactly that value, or at least its fields. Shapes may stand inside it, in
 * maps, lists and records. Immutable: the value is turned into its tree at once.
 */
public final class WantedValue implements ComposedShape {

  private final ComparisonMode comparison;
  private final @Nullable Object value;
  private final JsonNode tree;

  private WantedValue(ComparisonMode comparison, @Nullable Object value, JsonNode tree) {
    this.comparison = comparison;
    this.value = value;
    this.tree = tree;
  }

  /**
   * The shape of a value.
   *
   * @param value a record, map, list, payload, tree or scalar; null is JSON's null
   * @param comparison how it is compared
   * @return the shape
   * @throws IllegalArgumentException if the value is a shape or a check, or cannot be written as JSON
   */
  public static WantedValue of(@Nullable Object value, ComparisonMode comparison) {
    if (value instanceof Shape shape) {
      throw new IllegalArgumentException("the shape '" + shape.words()
          + "' was given where a plain value is wanted; a shape is given by itself");
    }
    refuseCheck(value);
    return new WantedValue(comparison, value, JsonMapping.standard().tree(value));
  }

  @Override
  public WantedValue by(JsonMapping mapping) {
    return new WantedValue(comparison, value, mapping.wanted(value));
  }

  static void refuseCheck(@Nullable Object value) {
    if (value instanceof Worded check && !(value instanceof Shape)) {
      throw new IllegalArgumentException("the check " + check.words()
          + " was given where a value or a shape is wanted; give it to must(...) by itself");
    }
  }

  @Override
  public String words() {
    return comparison == ComparisonMode.EXACTLY ? Words.of(tree) : "at least " + Words.of(tree);
  }

  /**
   * The value as a tree; not to be changed.
   *
   * @return the tree
   */
  public JsonNode tree() {
    return tree;
  }

  /**
   * Whether no shape stands in it and exactly it is wanted, so that equal values are all it fits.
   *
   * @return true if so
   */
  public boolean isPlain() {
    return comparison == ComparisonMode.EXACTLY && !Embedded.isIn(tree);
  }

  @Override
  public boolean asksAboutLists() {
    return tree.isArray();
  }

  @Override
  public List<Finding> differences(Location where, JsonNode value) {
    return comparison.differences(where, tree, value);
  }

  @Override
  public boolean equals(@Nullable Object other) {
    return other instanceof WantedValue wanted
        && comparison == wanted.comparison
        && tree.equals(wanted.tree);
  }

  @Override
  public int hashCode() {
    return Objects.hash(comparison, tree);
  }

  @Override
  public String toString() {
    return words();
  }
}
