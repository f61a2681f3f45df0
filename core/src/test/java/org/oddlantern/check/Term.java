package org.oddlantern.check;

import java.math.BigDecimal;
import java.util.ArrayList;
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
 */
record Term(@Nullable Object wanted, BiPredicate<Term, Seen> oracle, boolean allowsNothing) {

  Term(@Nullable Object wanted, BiPredicate<Term, Seen> oracle) {
    this(wanted, oracle, wanted instanceof MissingShape);
  }

  /** No shape holds where nothing is, except the one that says so, by itself or as a choice. */
  boolean holds(Seen seen) {
    return seen.isMissing() ? allowsNothing : oracle.test(this, seen);
  }

  /** What is looked at. */
  sealed interface Seen {
    default boolean isMissing() {
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

  /** A JSON value: null, Boolean, BigDecimal, String, List or Map. */
  record Json(@Nullable Object value) implements Seen {
    @Override
    public @Nullable List<Seen> items() {
      return value instanceof List<?> list ? list.stream().<Seen>map(Json::new).toList() : null;
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
    public List<Seen> items() {
      return texts.stream().<Seen>map(text -> new Untyped(text, false)).toList();
    }
  }

  static Term exactly(@Nullable Object plain) {
    return new Term(plain, (term, seen) -> same(plain, seen, false));
  }

  static Term including(@Nullable Object plain) {
    return new Term(Checks.including(plain), (term, seen) -> same(plain, seen, true));
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
                    ? new Json(object.get(field.getKey()))
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
