package org.oddlantern.plan;

import java.lang.reflect.Modifier;
import java.lang.reflect.Type;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.NearestMatch;
import org.oddlantern.json.Words;

/** Finds the one maker of a value that a case takes, or says why there is none or more than one. */
final class MakerLookup {

  private final SuiteReader reader;
  private final Collection<CaseDefinition> known;

  MakerLookup(SuiteReader reader, Collection<CaseDefinition> known) {
    this.reader = reader;
    this.known = known;
  }

  /** The maker; null if a problem was told instead. */
  @Nullable
  CaseDefinition find(CaseDefinition taker, Want want, Consumer<PlanProblem> problems) {
    List<SearchPlace> places = SearchPlace.of(want);
    List<CaseDefinition> abstractOnes = new ArrayList<>();
    for (SearchPlace place : places) {
      List<CaseDefinition> makers = new ArrayList<>();
      for (CaseDefinition maker : makers(place, want, taker)) {
        (Modifier.isAbstract(maker.suite().getModifiers()) ? abstractOnes : makers).add(maker);
      }
      if (makers.size() == 1) {
        return makers.get(0);
      }
      if (makers.size() > 1) {
        problems.accept(ambiguous(taker, want, makers));
        return null;
      }
    }
    problems.accept(missing(taker, want, places, abstractOnes));
    return null;
  }

  private List<CaseDefinition> makers(SearchPlace place, Want want, CaseDefinition taker) {
    return place.classes().stream()
        .flatMap(type -> reader.cases(type).stream())
        .filter(maker -> want.type().equals(maker.handsOn()) && !maker.isSameAs(taker))
        .distinct()
        .toList();
  }

  private static PlanProblem ambiguous(
      CaseDefinition taker, Want want, List<CaseDefinition> makers) {
    String list = makers.stream().map(CaseDefinition::place).collect(Collectors.joining(" and "));
    return new PlanProblem(
        taker.place(),
        "it takes %s, and %d cases in one place make one: %s. Give each its own record, or name the class with @MadeBy"
            .formatted(Words.of(want.type()), makers.size(), list));
  }

  private PlanProblem missing(
      CaseDefinition taker,
      Want want,
      List<SearchPlace> places,
      List<CaseDefinition> abstractOnes) {
    String type = Words.of(want.type());
    if (!abstractOnes.isEmpty()) {
      return new PlanProblem(
          taker.place(),
          "it takes %s, which only the abstract class of %s makes; name a class that extends it: @MadeBy(Suite.class) %s"
              .formatted(type, abstractOnes.get(0).place(), type));
    }
    String searched = places.stream().map(SearchPlace::words).collect(Collectors.joining(", "));
    return new PlanProblem(
        taker.place(),
        "it takes %s, and no case makes one. Searched: %s. %s"
            .formatted(type, searched, hint(taker, want)));
  }

  private String hint(CaseDefinition taker, Want want) {
    String type = Words.of(want.type());
    if (want.type().equals(taker.handsOn())) {
      return "This case itself returns one, but nobody makes for himself; let it return a record of its own";
    }
    List<CaseDefinition> elsewhere =
        known.stream().filter(maker -> want.type().equals(maker.handsOn())).toList();
    if (!elsewhere.isEmpty()) {
      CaseDefinition maker = elsewhere.get(0);
      return "%s makes one elsewhere; take it from there with @MadeBy(%s.class)"
          .formatted(maker.place(), maker.suite().getSimpleName());
    }
    List<String> made = known.stream()
        .filter(maker -> maker.handsOn() != null)
        .map(maker -> Words.of(handedOn(maker)))
        .distinct()
        .toList();
    String near = NearestMatch.among(type, made)
        .map(name -> "The nearest type that is made is " + name + ". ")
        .orElse("");
    return near + "Let a case return " + type;
  }

  private static Type handedOn(CaseDefinition maker) {
    Type type = maker.handsOn();
    return type == null ? void.class : type;
  }
}
