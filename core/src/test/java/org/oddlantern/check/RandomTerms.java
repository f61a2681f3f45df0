package org.oddlantern.check;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.jspecify.annotations.Nullable;

/** Makes questions and values by chance, from so few parts that they often fit. */
final class RandomTerms {

  private static final List<String> TEXTS =
      List.of("", "a", "stack", "0", "1", "2.50", "true", "1234567890123456789", "007", "ü😀");
  private static final List<String> NUMBERS =
      List.of("0", "1", "1.0", "2.5", "-3", "1234567890123456789", "1.234567890123456789E+18");
  private static final List<String> NAMES = List.of("id", "label", "n");

  private final Random random;

  RandomTerms(Random random) {
    this.random = random;
  }

  int below(int bound) {
    return random.nextInt(bound);
  }

  String text() {
    return TEXTS.get(below(TEXTS.size()));
  }

  List<String> texts(int least) {
    List<String> texts = new ArrayList<>();
    for (int i = least + below(3); i > 0; i--) {
      texts.add(text());
    }
    return texts;
  }

  @Nullable
  Object value(int depth) {
    return switch (below(depth > 0 ? 7 : 5)) {
      case 0 -> null;
      case 1 -> random.nextBoolean();
      case 2, 3 -> new BigDecimal(NUMBERS.get(below(NUMBERS.size())));
      case 4 -> text();
      case 5 -> {
        List<@Nullable Object> list = new ArrayList<>();
        for (int i = below(4); i > 0; i--) {
          list.add(value(depth - 1));
        }
        yield list;
      }
      default -> {
        Map<String, @Nullable Object> map = new LinkedHashMap<>();
        for (int i = below(3); i > 0; i--) {
          map.put(NAMES.get(below(3)), value(depth - 1));
        }
        yield map;
      }
    };
  }

  Term term(int depth) {
    return switch (below(depth > 0 ? 24 : 14)) {
      case 0, 1, 2 -> Term.exactly(value(0));
      case 3 -> new Term(Checks.anyText(), (term, seen) -> seen.text() != null);
      case 4 -> new Term(Checks.number(), (term, seen) -> seen.number() != null);
      case 5 ->
        new Term(
            Checks.wholeNumber(),
            (term, seen) ->
                seen.number() != null && seen.number().remainder(BigDecimal.ONE).signum() == 0);
      case 6 -> new Term(Checks.trueOrFalse(), (term, seen) -> seen.truth() != null);
      case 7 ->
        Term.ofLists(
            Checks.anyValue(),
            (term, seen) ->
                !Term.isNothing(seen) && !(seen instanceof Term.Json json && json.value() == null));
      case 8 -> new Term(Checks.missing(), (term, seen) -> seen.isMissing());
      case 9 ->
        Term.ofLists(
            Checks.empty(),
            (term, seen) -> seen.text() != null ? seen.text().isEmpty() : Term.size(seen) == 0);
      case 10 ->
        new Term(
            Checks.between(0, 2),
            (term, seen) -> seen.number() != null
                && seen.number().signum() >= 0
                && seen.number().compareTo(BigDecimal.valueOf(2)) <= 0);
      case 11 ->
        new Term(
            Checks.textMatching("[a-z0-9]+"),
            (term, seen) -> seen.text() != null && seen.text().matches("[a-z0-9]+"));
      case 12 -> Term.ofLists(Checks.distinct(), (term, seen) -> Term.distinct(seen));
      case 13 -> sorted(random.nextBoolean());
      default -> composed(depth - 1);
    };
  }

  private Term composed(int depth) {
    return switch (below(13)) {
      case 0, 1, 2 -> Term.not(term(depth));
      case 3 -> sized(term(0));
      case 4 -> Term.and(term(depth), term(depth));
      case 5 -> Term.or(term(depth), term(depth));
      case 6 -> each(term(depth));
      case 7 -> Term.list(terms(depth));
      case 8 -> Term.map(fields(depth));
      case 9 -> Term.including(value(depth + 1));
      case 10 -> Term.exactly(value(depth + 1));
      case 11 -> lists(terms(depth));
      default -> named(fields(depth), random.nextBoolean());
    };
  }

  private static Term sorted(boolean descending) {
    return Term.ofLists(
        descending ? Checks.sorted().descending() : Checks.sorted(),
        (term, seen) -> Term.sorted(seen, descending));
  }

  private static Term sized(Term one) {
    return Term.ofLists(
        Checks.size(one.wanted() == null ? "none" : one.wanted()),
        (term, seen) ->
            Term.size(seen) >= 0 && one.holds(new Term.Json(BigDecimal.valueOf(Term.size(seen)))));
  }

  private static Term each(Term one) {
    return Term.ofLists(
        Checks.eachItem(one.wanted()),
        (term, seen) -> seen.items() != null
            && !seen.items().isEmpty()
            && seen.items().stream().allMatch(one::holds));
  }

  private Term lists(List<Term> parts) {
    Object first = parts.get(0).wanted();
    Object[] more = parts.subList(1, parts.size()).stream().map(Term::wanted).toArray();
    return switch (below(3)) {
      case 0 ->
        Term.ofLists(
            Checks.items(first, more).inAnyOrder(),
            (term, seen) -> seen.items() != null
                && seen.items().size() == parts.size()
                && Term.matched(parts, seen.items()));
      case 1 ->
        Term.ofLists(
            Checks.itemsIncluding(first, more),
            (term, seen) -> seen.items() != null && Term.matched(parts, seen.items()));
      default ->
        Term.ofLists(Checks.items(first, more), (term, seen) -> Term.inOrder(parts, seen.items()));
    };
  }

  private static Term named(Map<String, Term> parts, boolean only) {
    Fields fields = Checks.fields();
    for (Map.Entry<String, Term> part : parts.entrySet()) {
      fields = fields.with(part.getKey(), part.getValue().wanted());
    }
    return new Term(only ? fields.only() : fields, (term, seen) -> Term.fields(parts, seen, only));
  }

  private List<Term> terms(int depth) {
    List<Term> terms = new ArrayList<>();
    for (int i = 1 + below(3); i > 0; i--) {
      terms.add(term(depth));
    }
    return terms;
  }

  private Map<String, Term> fields(int depth) {
    Map<String, Term> fields = new LinkedHashMap<>();
    for (int i = 1 + below(2); i > 0; i--) {
      fields.put(NAMES.get(below(3)), term(depth));
    }
    return fields;
  }
}
