package org.oddlantern.internal.reports;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.EnumMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.promise.Promise;
import org.oddlantern.internal.promise.PromiseDocument;
import org.oddlantern.internal.promise.TitledCase;
import org.oddlantern.internal.record.RunEvent;

/** What became of the promises of a run. */
public final class KeptPromises {

  private final List<PromiseDocument> documents;
  private final List<TitledCase> unpromised;
  private final Function<String, @Nullable Keeping> cases;
  private final IdentityHashMap<PromiseDocument, Map<Integer, List<Promise>>> below =
      new IdentityHashMap<>();

  /**
   * Of what was told when the run began.
   *
   * @param told what documents promise
   * @param cases how the case of a full name went; null if it did not end
   */
  public KeptPromises(
      Collection<RunEvent.Promised> told, Function<String, @Nullable Keeping> cases) {
    this.documents = told.stream().flatMap(one -> one.documents().stream()).toList();
    this.unpromised = told.stream().flatMap(one -> one.unpromised().stream()).toList();
    this.cases = cases;
    documents.forEach(one ->
        below.put(one, one.promises().stream().collect(Collectors.groupingBy(Promise::above))));
  }

  /**
   * The documents.
   *
   * @return in the order of their names; empty if nothing is promised
   */
  public List<PromiseDocument> documents() {
    return documents;
  }

  /**
   * What became of a promise.
   *
   * @param document its document
   * @param promise the promise
   * @return what its cases came to; if it has none, what those below it came to
   */
  public Keeping of(PromiseDocument document, Promise promise) {
    List<Keeping> all = promise.cases().isEmpty()
        ? below(document, promise).stream().map(one -> of(document, one)).toList()
        : promise.cases().stream().map(this::ofCase).toList();
    return all.stream().reduce(Keeping::and).orElse(Keeping.PENDING);
  }

  private Keeping ofCase(String id) {
    Keeping known = cases.apply(id);
    return known == null ? Keeping.NOT_TRIED : known;
  }

  private List<Promise> below(PromiseDocument document, Promise promise) {
    return below.getOrDefault(document, Map.of()).getOrDefault(promise.line(), List.of());
  }

  /**
   * How many promises came to what. One that stands for those below it is not counted beside them.
   *
   * @return kept first, broken last; without those there are none of
   */
  public Map<Keeping, Integer> counts() {
    Map<Keeping, Integer> counts = new EnumMap<>(Keeping.class);
    for (PromiseDocument document : documents) {
      document.counted().forEach(one -> counts.merge(of(document, one), 1, Integer::sum));
    }
    return counts;
  }

  /**
   * All of it in a sentence.
   *
   * @return {@code 14 of 16 promises kept, 1 broken, 1 pending; 3 cases have no promise}
   */
  public String sentence() {
    Map<Keeping, Integer> counts = counts();
    int all = counts.values().stream().mapToInt(Integer::intValue).sum();
    int kept = counts.getOrDefault(Keeping.KEPT, 0);
    List<String> parts = new ArrayList<>();
    parts.add(
        kept == all && all > 1
            ? "all " + all + " promises kept"
            : kept + " of " + Amounts.of(all, "promise") + " kept");
    List<Keeping> worst = new ArrayList<>(counts.keySet());
    Collections.reverse(worst);
    for (Keeping keeping : worst) {
      int count = counts.getOrDefault(keeping, 0);
      if (keeping != Keeping.KEPT) {
        parts.add(count + " " + keeping.word()
            + (keeping == Keeping.KNOWN_FAULT && count != 1 ? "s" : ""));
      }
    }
    String without = unpromised.isEmpty()
        ? ""
        : "; " + Amounts.of(unpromised.size(), "case") + (unpromised.size() == 1 ? " has" : " have")
            + " no promise";
    return String.join(", ", parts) + without;
  }
}
