package org.oddlantern.internal.reports;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.ExchangeRecord;
import org.oddlantern.internal.record.Outcome;
import org.oddlantern.internal.record.RecipeRecord;

/** What a service made of good values that were changed: which wrong ones it took, which good ones it refused. */
public final class TriedRecipes {

  private static final int MOST = 5;

  private final Map<String, Tried> all = new LinkedHashMap<>();

  /** None was tried yet. */
  public TriedRecipes() {}

  /** Adds a case that has ended; one that changes no good value counts for nothing. */
  public void add(CaseRecord one) {
    RecipeRecord recipe = one.head().recipe();
    boolean ran = one.lane() > 0 && one.outcome() != Outcome.INTERRUPTED;
    if (recipe != null && ran) {
      String method = one.id().replaceFirst("\\[.*", "");
      all.computeIfAbsent(
              method.substring(method.lastIndexOf('.', method.indexOf('#')) + 1),
              name -> new Tried(recipe.breaks()))
          .add(recipe, one);
    }
  }

  /** A sentence without a full stop for each method. */
  public List<Told> told() {
    return all.entrySet().stream()
        .map(one -> new Told(
            one.getValue().breaks ? "Wrong" : "Edge", one.getValue().sentence(one.getKey())))
        .toList();
  }

  /**
   * A sentence.
   *
   * @param kind the kind of change it tells of: {@code Wrong} or {@code Edge}
   * @param sentence the sentence
   */
  public record Told(String kind, String sentence) {}

  /** The cases of one method. */
  private static final class Tried {
    private final boolean breaks;
    private final List<String> otherwise = new ArrayList<>();
    private int count;
    private int expected;

    private Tried(boolean breaks) {
      this.breaks = breaks;
    }

    private void add(RecipeRecord recipe, CaseRecord one) {
      count++;
      if (one.outcome() == Outcome.PASSED) {
        expected++;
      } else if (isOpposite(one.exchanges())) {
        otherwise.add(recipe.what());
      }
    }

    /** Whether the last call took what is wrong, or refused what is good. */
    private boolean isOpposite(List<ExchangeRecord> exchanges) {
      return exchanges.stream()
          .filter(call -> !call.isVisit())
          .reduce((first, last) -> last)
          .map(call -> breaks ? call.status() / 100 == 2 : call.status() / 100 == 4)
          .orElse(false);
    }

    private String sentence(String method) {
      String wanted = breaks ? "refused" : "accepted";
      String opposite = breaks ? "accepted" : "refused";
      StringBuilder told = new StringBuilder(
          String.format(Locale.ROOT, "%s: %,d of %,d %s", method, expected, count, wanted));
      if (!otherwise.isEmpty()) {
        told.append("; ").append(opposite).append(": ").append(String.join(", ", first()));
      }
      int rest = count - expected - otherwise.size();
      if (rest > 0) {
        told.append("; ").append(Amounts.of(rest, "case")).append(" failed otherwise");
      }
      return told.toString();
    }

    private List<String> first() {
      List<String> first = new ArrayList<>(otherwise.subList(0, Math.min(MOST, otherwise.size())));
      if (otherwise.size() > MOST) {
        first.add(otherwise.size() - MOST + " more");
      }
      return first;
    }
  }
}
