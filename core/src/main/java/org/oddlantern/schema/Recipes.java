package org.oddlantern.schema;

import java.util.AbstractList;
import java.util.List;
import java.util.function.Predicate;
import org.oddlantern.internal.Needed;

/**
 * What can be done to a value by its schema, for the samples of a case: at most 100 unless {@link #all} is
 * asked for. Immutable and thread-safe.
 *
 * @param <R> what each is
 */
public final class Recipes<R extends Recipe> extends AbstractList<R> {

  private static final int MOST = 100;

  private final List<R> recipes;
  private final List<String> leftOut;
  private final int most;

  /**
   * What can be done, and what could not be proven.
   *
   * @param <R> what each is
   * @param recipes the ways
   * @param leftOut a sentence for each that was left out
   */
  public static <R extends Recipe> Recipes<R> of(List<R> recipes, List<String> leftOut) {
    return new Recipes<>(recipes, leftOut, MOST);
  }

  private Recipes(List<R> recipes, List<String> leftOut, int most) {
    this.recipes = List.copyOf(recipes);
    this.leftOut = List.copyOf(leftOut);
    this.most = most;
  }

  /**
   * Those of one kind alone.
   *
   * @param rule the kind: {@code missing}
   */
  public Recipes<R> only(String rule) {
    Needed.of(rule, "only(rule): rule");
    return those(one -> one.rule().equals(rule), "rule", rule);
  }

  /**
   * Those of every kind but one.
   *
   * @param rule the kind: {@code another kind}
   */
  public Recipes<R> without(String rule) {
    Needed.of(rule, "without(rule): rule");
    return those(one -> !one.rule().equals(rule), "", rule);
  }

  /**
   * Those of one place alone, and of what lies in it.
   *
   * @param place a JSONPath as messages have it: {@code $.label}
   */
  public Recipes<R> at(String place) {
    Needed.of(place, "at(place): place");
    return those(
        one -> one.place().equals(place)
            || one.place().startsWith(place + ".")
            || one.place().startsWith(place + "["),
        "place",
        place);
  }

  /** All of them, however many there are. */
  public Recipes<R> all() {
    return new Recipes<>(recipes, leftOut, Integer.MAX_VALUE);
  }

  /**
   * What the schema would have, and what could not be proven to do just that.
   *
   * @return a sentence for each
   */
  public List<String> leftOut() {
    return leftOut;
  }

  private Recipes<R> those(Predicate<R> wanted, String what, String word) {
    List<R> those = recipes.stream().filter(wanted).toList();
    if (those.isEmpty() && !what.isEmpty()) {
      throw new IllegalArgumentException("nothing has the " + what + " '" + word + "'; there are "
          + recipes.stream()
              .map(one -> what.equals("rule") ? one.rule() : one.place())
              .distinct()
              .toList());
    }
    return new Recipes<>(those, leftOut, most);
  }

  @Override
  public R get(int index) {
    return recipes.get(index);
  }

  @Override
  public int size() {
    return Math.min(most, recipes.size());
  }
}
