package org.oddlantern.schema.internal;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.internal.Equality;
import org.oddlantern.json.internal.Words;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** The keywords that look into lists. */
final class Lists {

  private Lists() {}

  /** {@code prefixItems} with {@code items}, or {@code items} with {@code additionalItems}. */
  static final class Items extends Keyword {
    private final String first;
    private final Rule[] prefix;
    private final @Nullable Rule rest;

    /**
     * The keyword.
     *
     * @param first what the draft calls the schemas of the first items
     * @param prefix those schemas
     * @param name what it calls the schema of all others
     * @param rest that schema; null if there is none
     */
    Items(String first, List<Rule> prefix, String name, @Nullable Rule rest) {
      super(name, Kind.LIST);
      this.first = first;
      this.prefix = prefix.toArray(Rule[]::new);
      this.rest = rest;
    }

    @Override
    boolean holds(JsonNode value, Evaluation run, @Nullable Covered covered) {
      int size = value.size();
      int start = Math.min(size, prefix.length);
      for (int i = 0; i < start; i++) {
        if (!prefix[i].holds(value.get(i), run, null)) {
          return false;
        }
      }
      cover(size, covered);
      if (rest != null) {
        for (int i = start; i < size; i++) {
          if (!rest.holds(value.get(i), run, null)) {
            return false;
          }
        }
      }
      return true;
    }

    /** How many items have a schema of their own. */
    int first() {
      return prefix.length;
    }

    /** What an item must fit; null if it may be anything. */
    @Nullable
    Rule of(int index) {
      return index < prefix.length ? prefix[index] : rest;
    }

    private void cover(int size, @Nullable Covered covered) {
      if (covered != null && rest != null) {
        covered.everyItem();
      } else if (covered != null) {
        covered.itemsBefore(Math.min(size, prefix.length));
      }
    }

    @Override
    void explain(Spot spot, Evaluation run, @Nullable Covered covered, List<Violation> out) {
      JsonNode list = spot.value();
      for (int i = 0; i < list.size(); i++) {
        Rule rule = i < prefix.length ? prefix[i] : rest;
        if (rule != null && !rule.holds(list.get(i), run, null)) {
          explain(rule, i, spot, run, out);
        }
      }
      cover(list.size(), covered);
    }

    private void explain(Rule rule, int i, Spot spot, Evaluation run, List<Violation> out) {
      JsonNode item = spot.value().get(i);
      if (rule.takesNone()) {
        out.add(spot.through(name()).at(i, item).violation(new Surplus(name(), "item")));
      } else {
        Spot through = i < prefix.length ? spot.through(first, i) : spot.through(name());
        rule.explain(through.at(i, item), run, null, out);
      }
    }

    @Override
    String wanted() {
      return "items that fit";
    }
  }

  /** {@code contains} with {@code minContains} and {@code maxContains}. */
  static final class Contains extends Keyword {
    private final Rule rule;
    private final long least;
    private final long most;
    private final boolean covers;

    Contains(Rule rule, long least, long most, boolean covers) {
      super("contains", Kind.LIST);
      this.rule = rule;
      this.least = least;
      this.most = most;
      this.covers = covers;
    }

    Rule rule() {
      return rule;
    }

    long least() {
      return least;
    }

    long most() {
      return most;
    }

    @Override
    boolean holds(JsonNode value, Evaluation run, @Nullable Covered covered) {
      boolean all = covers && covered != null;
      long found = 0;
      for (int i = 0; i < value.size(); i++) {
        if (rule.holds(value.get(i), run, null)) {
          found++;
          if (covers && covered != null) {
            covered.item(i);
          }
          if (found > most || !all && found >= least && most == Long.MAX_VALUE) {
            return found <= most;
          }
        }
      }
      return found >= least;
    }

    @Override
    void explain(Spot spot, Evaluation run, @Nullable Covered covered, List<Violation> out) {
      if (!holds(spot.value(), run, covered)) {
        long found = 0;
        for (JsonNode item : spot.value()) {
          found += rule.holds(item, run, null) ? 1 : 0;
        }
        out.add(spot.violation(new Counted(found, closest(spot, run))));
      }
    }

    /** What is wrong with the item that comes closest. */
    private String closest(Spot spot, Evaluation run) {
      List<List<Violation>> items = new ArrayList<>();
      JsonNode list = spot.value();
      for (int i = 0; i < Math.min(list.size(), 100); i++) {
        items.add(rule.explain(spot.at(i, list.get(i)), run, null));
      }
      int nearest = Nearest.of(items, Nearest.depth(spot) + 1);
      if (nearest < 0 || items.get(nearest).isEmpty()) {
        return "";
      }
      var finding = Findings.of(spot.where(), items.get(nearest)).get(0);
      return "item " + nearest + " comes closest: at " + finding.where() + " wanted "
          + finding.wanted() + ", got " + finding.got();
    }

    @Override
    String wanted() {
      String amount = most == Long.MAX_VALUE
          ? "at least " + least
          : least == most ? "exactly " + least : least + " to " + most;
      return amount + (least == 1 && least == most ? " item" : " items") + " that fit "
          + rule.site().where();
    }

    /** The same, knowing how many fit. */
    private final class Counted extends Keyword {
      private final long found;
      private final String closest;

      Counted(long found, String closest) {
        super(found > most && most != Long.MAX_VALUE ? "maxContains" : "contains", Kind.LIST);
        this.found = found;
        this.closest = closest;
      }

      @Override
      boolean holds(JsonNode value, Evaluation run, @Nullable Covered covered) {
        return false;
      }

      @Override
      String wanted() {
        return Contains.this.wanted();
      }

      @Override
      String got(JsonNode value) {
        return (found == 0 ? "none" : String.valueOf(found)) + " in a " + Words.kind(value);
      }

      @Override
      String hint(JsonNode value) {
        return found == 0 ? closest : "";
      }
    }
  }

  /** {@code uniqueItems}. */
  static final class Unique extends Keyword {
    private static final int FEW = 12;

    Unique() {
      super("uniqueItems", Kind.LIST);
    }

    @Override
    boolean holds(JsonNode value, Evaluation run, @Nullable Covered covered) {
      return twins(value) == null;
    }

    /** The indexes of two equal items. */
    private static int @Nullable [] twins(JsonNode list) {
      return list.size() <= FEW ? twinsOfFew(list) : twinsOfMany(list);
    }

    private static int @Nullable [] twinsOfFew(JsonNode list) {
      for (int i = 1; i < list.size(); i++) {
        for (int j = 0; j < i; j++) {
          if (Equality.same(list.get(i), list.get(j))) {
            return new int[] {j, i};
          }
        }
      }
      return null;
    }

    private static int @Nullable [] twinsOfMany(JsonNode list) {
      Map<Long, List<Integer>> seen = new HashMap<>();
      for (int i = 0; i < list.size(); i++) {
        JsonNode item = list.get(i);
        List<Integer> alike =
            seen.computeIfAbsent(Equality.fingerprint(item), print -> new ArrayList<>(1));
        for (int other : alike) {
          if (Equality.same(list.get(other), item)) {
            return new int[] {other, i};
          }
        }
        alike.add(i);
      }
      return null;
    }

    @Override
    String wanted() {
      return "items that differ from each other";
    }

    @Override
    String got(JsonNode value) {
      int[] twins = twins(value);
      return twins == null
          ? "a list"
          : "items " + twins[0] + " and " + twins[1] + " are the same: "
              + Words.of(value.get(twins[1]));
    }
  }
}
