package org.oddlantern.internal.record;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/**
 * How many cases ended how: whoever tells a number of cases takes it from here. A case that checked nothing
 * is unproven and has not passed.
 *
 * @param byWord how many there are of each word, those that want a look first, passed last
 */
public record Counts(Map<String, Integer> byWord) {

  private static final List<String> ORDER = List.of(
      Outcome.FAILED.word(),
      Outcome.ERRORED.word(),
      Outcome.BLOCKED.word(),
      Outcome.INTERRUPTED.word(),
      Outcome.KNOWN_FAULT.word(),
      Outcome.SKIPPED.word(),
      Outcome.PENDING.word(),
      Mark.UNPROVEN.word(),
      Outcome.PASSED.word());

  private static final Set<String> BROKEN = Set.of(
      Outcome.FAILED.word(),
      Outcome.ERRORED.word(),
      Outcome.BLOCKED.word(),
      Outcome.INTERRUPTED.word());

  /** Puts them in order; what is unknown comes last. */
  public Counts {
    Map<String, Integer> ordered = new LinkedHashMap<>();
    for (String word : ORDER) {
      if (byWord.getOrDefault(word, 0) > 0) {
        ordered.put(word, byWord.get(word));
      }
    }
    byWord.forEach(ordered::putIfAbsent);
    byWord = ordered;
  }

  /**
   * Counts cases.
   *
   * @param cases the cases, and the supplies that count
   * @return how many ended how
   */
  public static Counts of(Collection<CaseRecord> cases) {
    Map<String, Integer> counts = new LinkedHashMap<>();
    cases.forEach(one -> counts.merge(one.word(), 1, Integer::sum));
    return new Counts(counts);
  }

  /** All of them. */
  public int all() {
    return byWord.values().stream().mapToInt(Integer::intValue).sum();
  }

  /** Those that passed, and checked something. */
  public int passed() {
    return byWord.getOrDefault(Outcome.PASSED.word(), 0);
  }

  /** Those that turn a build red. */
  public int broken() {
    return BROKEN.stream().mapToInt(word -> byWord.getOrDefault(word, 0)).sum();
  }

  /**
   * Each number with its word.
   *
   * @return {@code 3 failed}, {@code 1 known fault}, {@code 67 passed}
   */
  public List<String> told() {
    List<String> told = new ArrayList<>();
    byWord.forEach((word, count) -> told.add(counted(word, count)));
    return told;
  }

  /**
   * All of them in a sentence.
   *
   * @return {@code 67 of 77 cases passed, 10 failed.}, {@code All 77 cases passed.}
   */
  public String sentence() {
    if (passed() == all()) {
      return all() == 1 ? "The one case passed." : "All " + grouped(all()) + " cases passed.";
    }
    List<String> parts = new ArrayList<>();
    parts.add(grouped(passed()) + " of " + grouped(all())
        + (all() == 1 ? " case passed" : " cases passed"));
    byWord.forEach((word, count) -> {
      if (!word.equals(Outcome.PASSED.word())) {
        parts.add(counted(word, count));
      }
    });
    return String.join(", ", parts) + ".";
  }

  private static String counted(String word, int count) {
    return grouped(count) + " " + word
        + (word.equals(Outcome.KNOWN_FAULT.word()) && count != 1 ? "s" : "");
  }

  /**
   * A count for people.
   *
   * @param count the count
   * @return {@code 12}, {@code 50,000}
   */
  public static String grouped(long count) {
    return count < 1_000 ? String.valueOf(count) : String.format(Locale.ROOT, "%,d", count);
  }
}
