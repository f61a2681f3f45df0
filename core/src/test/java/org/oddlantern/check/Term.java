package org.oddlantern.check;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.BiPredicate;
import org.jspecify.annotations.Nullable;

/**
 * A question with two answers to compare: the shape of the library, and what the documents say of it,
 * told again over plain Java values in the simplest way.
 *
 * @param wanted what is given to the library: a shape, or a plain value with shapes in it
 * @param oracle what should come out
 * @param allowsNothing whether it holds where nothing is
 * @param ofLists whether it asks about lists as a whole
 * @param negations what none of several values may have
 */
record Term(
    @Nullable Object wanted,
    BiPredicate<Term, Seen> oracle,
    boolean allowsNothing,
    boolean ofLists,
    List<Term> negations) {

  Term(@Nullable Object wanted, BiPredicate<Term, Seen> oracle) {
    this(wanted, oracle, wanted instanceof MissingShape, wanted instanceof List<?>, List.of());
  }

  static Term ofLists(Object wanted, BiPredicate<Term, Seen> oracle) {
    return new Term(wanted, oracle, false, true, List.of());
  }

  /** Of values gathered from many places, none is as it is not to be; of a list, the list. */
  static Term not(Term one) {
    BiPredicate<Term, Seen> oracle = (term, seen) -> !isNothing(seen)
        && (one.ofLists || !seen.isGathered()
            ? !one.holds(seen)
            : seen.items().stream().noneMatch(one::holds));
    return new Term(Checks.not(one.wanted), oracle, false, one.ofLists, List.of(one));
  }

  static Term and(Term a, Term b) {
    List<Term> negations = new ArrayList<>(a.negations);
    negations.addAll(b.negations);
    return new Term(
        Checks.shape(a.wanted).and(b.wanted),
        (term, seen) -> a.holds(seen) && b.holds(seen),
        false,
        a.ofLists || b.ofLists,
        negations);
  }

  static Term or(Term a, Term b) {
    return new Term(
        Checks.oneOf(a.wanted, b.wanted),
        (term, seen) -> a.holds(seen) || b.holds(seen),
        a.allowsNothing || b.allowsNothing,
        a.ofLists || b.ofLists,
        List.of());
  }

  /** One of several texts is enough, but no negation speaks of one only. */
  boolean holdsOf(List<Seen> texts) {
    return texts.isEmpty()
        ? allowsNothing
        : texts.stream().anyMatch(this::holds)
            && texts.stream()
                .allMatch(text -> negations.stream().noneMatch(one -> one.holds(text)));
  }

  /** No shape holds where nothing is, except the one that says so, by itself or as a choice. */
  boolean holds(Seen seen) {
    if (seen.isMissing()) {
      return allowsNothing;
    }
    return isNothing(seen) && wanted instanceof MissingShape || oracle.test(this, seen);
  }

  /** A path to many places led to none. */
  static boolean isNothing(Seen seen) {
    return seen.isGathered() && seen.items().isEmpty();
  }

  /** What is looked at. */
  sealed interface Seen {
    default boolean isMissing() {
      return false;
    }

    /** Whether it is what many places hold, rather than a list. */
    default boolean isGathered() {
      return false;
    }

    /** As a list, to whoever asks about one. */
    default @Nullable List<Seen> items() {
      return null;
    }

    default @Nullable String text() {
      return null;
    }

    default @Nullable BigDecimal number() {
      return null;
    }

    default @Nullable Boolean truth() {
      return null;
    }
  }

  record Nothing() implements Seen {
    @Override
    public boolean isMissing() {
      return true;
    }
  }

  /** A JSON value: null, Boolean, BigDecimal, String, List or Map; or a list or map of what is seen. */
  record Json(@Nullable Object value) implements Seen {

    static Seen of(@Nullable Object value) {
      return value instanceof Seen seen ? seen : new Json(value);
    }

    @Override
    public @Nullable List<Seen> items() {
      return value instanceof List<?> list ? list.stream().map(Json::of).toList() : null;
    }

    @Override
    public @Nullable String text() {
      return value instanceof String text ? text : null;
    }

    @Override
    public @Nullable BigDecimal number() {
      return value instanceof BigDecimal number ? number : null;
    }

    @Override
    public @Nullable Boolean truth() {
      return value instanceof Boolean truth ? truth : null;
    }
  }

  /** A text without a kind; a node of XML is a list of one to whoever asks about lists. */
  record Untyped(String text, boolean node) implements Seen {
    @Override
    public @Nullable List<Seen> items() {
      return node ? List.of(new Untyped(text, false)) : null;
    }

    @Override
    public String text() {
      return text;
    }

    @Override
    public @Nullable BigDecimal number() {
      return text.matches("-?(0|[1-9][0-9]{0,18})(\\.[0-9]{1,18})?") ? new BigDecimal(text) : null;
    }

    @Override
    public @Nullable Boolean truth() {
      return Set.of("true", "false").contains(text) ? Boolean.valueOf(text) : null;
    }
  }

  /** Several nodes of XML. */
  record Nodes(List<String> texts) implements Seen {
    @Override
    public boolean isGathered() {
      return true;
    }

    @Override
    public List<Seen> items() {
      return texts.stream().<Seen>map(text -> new Untyped(text, false)).toList();
    }
  }

  /** Several values of JSON or CSV. */
  record Gathered(List<Seen> items) implements Seen {
    @Override
    public boolean isGathered() {
      return true;
    }
  }

  static Term exactly(@Nullable Object plain) {
    return new Term(plain, (term, seen) -> same(plain, seen, false));
  }

  static Term including(@Nullable Object plain) {
    BiPredicate<Term, Seen> oracle = (term, seen) -> same(plain, seen, true);
    return plain instanceof List<?>
        ? ofLists(Checks.including(plain), oracle)
        : new Term(Checks.including(plain), oracle);
  }

  /** A list or map with terms inside, given to the library as it is. */
  static Term list(List<Term> items) {
    return new Term(
        new ArrayList<>(items.stream().map(Term::wanted).toList()),
        (term, seen) -> inOrder(items, seen.items()));
  }

  static Term map(Map<String, Term> fields) {
    Map<String, @Nullable Object> wanted = new LinkedHashMap<>();
    fields.forEach((name, term) -> wanted.put(name, term.wanted));
    return new Term(wanted, (term, seen) -> fields(fields, seen, true));
  }

  static boolean inOrder(List<Term> wanted, @Nullable List<Seen> items) {
    if (items == null || items.size() != wanted.size()) {
      return false;
    }
    for (int i = 0; i < items.size(); i++) {
      if (!wanted.get(i).holds(items.get(i))) {
        return false;
      }
    }
    return true;
  }

  static boolean fields(Map<String, Term> wanted, Seen seen, boolean only) {
    if (!(seen instanceof Json json) || !(json.value instanceof Map<?, ?> object)) {
      return false;
    }
    boolean all = wanted.entrySet().stream()
        .allMatch(field -> field
            .getValue()
            .holds(
                object.containsKey(field.getKey())
                    ? Json.of(object.get(field.getKey()))
                    : new Nothing()));
    return all && (!only || wanted.keySet().containsAll(object.keySet()));
  }

  /** Gives each of the wanted an item of its own, by trying all ways. */
  static boolean matched(List<Term> wanted, List<Seen> items) {
    if (wanted.isEmpty()) {
      return true;
    }
    for (Seen item : items) {
      if (wanted.get(0).holds(item)) {
        List<Seen> rest = new ArrayList<>(items);
        rest.remove(item);
        if (matched(wanted.subList(1, wanted.size()), rest)) {
          return true;
        }
      }
    }
    return false;
  }

  /** Numbers by value if all are numbers, texts by code points if all are texts. */
  static boolean sorted(Seen seen, boolean descending) {
    List<Seen> items = seen.items();
    if (items == null || isNothing(seen)) {
      return false;
    }
    boolean numbers = items.stream().allMatch(item -> item.number() != null);
    if (!numbers && items.stream().anyMatch(item -> item.text() == null)) {
      return false;
    }
    for (int i = 1; i < items.size(); i++) {
      int order = numbers
          ? items.get(i - 1).number().compareTo(items.get(i).number())
          : Arrays.compare(
              items.get(i - 1).text().codePoints().toArray(),
              items.get(i).text().codePoints().toArray());
      if (descending ? order < 0 : order > 0) {
        return false;
      }
    }
    return true;
  }

  static boolean distinct(Seen seen) {
    List<Seen> items = seen.items();
    return items != null
        && !isNothing(seen)
        && items.stream().map(Term::plain).distinct().count() == items.size();
  }

  private static @Nullable Object plain(@Nullable Object value) {
    if (value instanceof BigDecimal number) {
      return number.signum() == 0 ? BigDecimal.ZERO : number.stripTrailingZeros();
    }
    if (value instanceof List<?> list) {
      return Arrays.asList(list.stream().map(Term::plain).toArray());
    }
    if (value instanceof Map<?, ?> map) {
      Map<Object, @Nullable Object> plain = new HashMap<>();
      map.forEach((name, one) -> plain.put(name, plain(one)));
      return plain;
    }
    return value instanceof Json json ? plain(json.value) : value;
  }

  static int size(Seen seen) {
    if (seen.items() != null) {
      return seen.items().size();
    }
    if (seen.text() != null) {
      return seen.text().codePointCount(0, seen.text().length());
    }
    return seen instanceof Json json && json.value instanceof Map<?, ?> map ? map.size() : -1;
  }

  private static boolean same(@Nullable Object wanted, Seen seen, boolean open) {
    if (wanted instanceof String text) {
      return text.equals(seen.text());
    }
    if (wanted instanceof BigDecimal number) {
      return seen.number() != null && number.compareTo(seen.number()) == 0;
    }
    if (wanted instanceof Boolean truth) {
      return truth.equals(seen.truth());
    }
    if (wanted instanceof List<?> list) {
      return inOrder(
          list.stream()
              .map(one -> new Term(one, (term, item) -> same(one, item, open)))
              .toList(),
          seen.items());
    }
    if (wanted instanceof Map<?, ?> map) {
      Map<String, Term> fields = new HashMap<>();
      map.forEach((name, one) ->
          fields.put((String) name, new Term(one, (term, item) -> same(one, item, open))));
      return fields(fields, seen, !open);
    }
    return seen instanceof Json json && json.value == null;
  }
}
