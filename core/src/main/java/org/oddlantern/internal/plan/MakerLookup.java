package org.oddlantern.internal.plan;

import java.lang.reflect.Modifier;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.Type;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.internal.NearestMatch;
import org.oddlantern.json.internal.Words;

/** Finds the one maker of a value, or says why there is none or more than one: rules 2 and 3. */
final class MakerLookup {

  private final SuiteReader reader;
  private final Collection<CaseDefinition> known;

  MakerLookup(SuiteReader reader, Collection<CaseDefinition> known) {
    this.reader = reader;
    this.known = known;
  }

  /**
   * The maker of what somebody takes.
   *
   * @param taker who takes it; nobody makes for himself
   * @param takerPlace how messages name the taker
   * @param parameter what is taken
   * @param problems hears why there is none
   * @return the maker; null if a problem was told instead
   */
  @Nullable
  Candidate find(
      Maker taker, String takerPlace, ValueParameter parameter, Consumer<PlanProblem> problems) {
    Search search = search(taker, parameter, parameter.type());
    if (search.makers.isEmpty() && search.abstractOnes.isEmpty() && isList(parameter.type())) {
      Type item = ((ParameterizedType) parameter.type()).getActualTypeArguments()[0];
      Search single = search(taker, parameter, item);
      if (single.makers.size() == 1 && !(single.makers.get(0) instanceof SupplyDefinition)) {
        return new Candidate(single.makers.get(0), true);
      }
    }
    if (search.makers.size() == 1) {
      return new Candidate(search.makers.get(0), false);
    }
    problems.accept(new PlanProblem(
        takerPlace,
        search.makers.isEmpty()
            ? missing(taker, parameter, search)
            : ambiguous(parameter, search.makers)));
    return null;
  }

  /** The method that puts back what a maker makes; null if there is none, or a problem was told. */
  @Nullable
  TidyUpDefinition tidyUp(Maker maker, Type type, Consumer<PlanProblem> problems) {
    for (SearchPlace place : SearchPlace.of(
        new ValueParameter(type, ValueParameter.Use.READS, List.of(), maker.suite()))) {
      List<TidyUpDefinition> found = place.classes().stream()
          .flatMap(home -> reader.membersAtHome(home).tidyUps().stream())
          .filter(tidyUp -> type.equals(tidyUp.value()) && canBeCalled(tidyUp))
          .toList();
      if (found.size() > 1) {
        problems.accept(new PlanProblem(
            maker.place(),
            "what it makes, %s, is put back by two methods in one place: %s and %s. Keep one"
                .formatted(Words.of(type), found.get(0).place(), found.get(1).place())));
        return null;
      }
      if (found.size() == 1) {
        return found.get(0);
      }
    }
    return null;
  }

  private static boolean canBeCalled(TidyUpDefinition tidyUp) {
    return Modifier.isStatic(tidyUp.method().getModifiers())
        || !Modifier.isAbstract(tidyUp.suite().getModifiers());
  }

  private static boolean isList(Type type) {
    return type instanceof ParameterizedType generic && generic.getRawType() == List.class;
  }

  private Search search(Maker taker, ValueParameter parameter, Type type) {
    List<SearchPlace> places = SearchPlace.of(parameter);
    List<Maker> abstractOnes = new ArrayList<>();
    for (SearchPlace place : places) {
      List<Maker> makers = new ArrayList<>();
      for (Maker maker : makers(place, type, taker)) {
        (canMake(maker) ? makers : abstractOnes).add(maker);
      }
      if (!makers.isEmpty()) {
        return new Search(places, makers, List.of());
      }
    }
    return new Search(places, List.of(), abstractOnes);
  }

  /** A case and an instance of an abstract class cannot be; what is static can. */
  private static boolean canMake(Maker maker) {
    return !Modifier.isAbstract(maker.suite().getModifiers())
        || !(maker instanceof CaseDefinition)
            && Modifier.isStatic(maker.method().getModifiers());
  }

  private List<Maker> makers(SearchPlace place, Type type, Maker taker) {
    return place.classes().stream()
        .flatMap(home -> makers(reader.membersAtHome(home)))
        .filter(maker -> type.equals(maker.handsOn()) && !maker.isSameAs(taker))
        .distinct()
        .toList();
  }

  private static Stream<Maker> makers(SuiteMembers members) {
    return Stream.of(members.cases(), members.supplies(), members.samples()).flatMap(List::stream);
  }

  private static String ambiguous(ValueParameter parameter, List<Maker> makers) {
    String list = makers.stream().map(Maker::place).collect(Collectors.joining(" and "));
    String kind = makers.stream().allMatch(CaseDefinition.class::isInstance) ? "cases" : "methods";
    return String.format(
        Locale.ROOT,
        "it takes %s, and %d %s in one place make one: %s. Give each its own record, or name the class with @MadeBy",
        Words.of(parameter.type()),
        makers.size(),
        kind,
        list);
  }

  private String missing(Maker taker, ValueParameter parameter, Search search) {
    String type = Words.of(parameter.type());
    if (!search.abstractOnes.isEmpty()) {
      return "it takes %s, which only the abstract class of %s makes; name a class that extends it: @MadeBy(Suite.class) %s"
          .formatted(type, search.abstractOnes.get(0).place(), type);
    }
    String searched =
        search.places.stream().map(SearchPlace::words).collect(Collectors.joining(", "));
    return "it takes %s, and nothing makes one. Searched: %s. %s"
        .formatted(type, searched, hint(taker, parameter));
  }

  private String hint(Maker taker, ValueParameter parameter) {
    String type = Words.of(parameter.type());
    if (parameter.type().equals(taker.handsOn())) {
      return taker instanceof CaseDefinition
          ? "This case itself returns one, but no case makes what it takes; let it return a record of its own"
          : "This supply itself returns one, but no supply makes what it takes; make it static, or let it return a record of its own";
    }
    List<Maker> all = known.stream()
        .map(CaseDefinition::suite)
        .distinct()
        .flatMap(suite -> makers(reader.members(suite)))
        .toList();
    for (Maker maker : all) {
      if (parameter.type().equals(maker.handsOn())) {
        return "%s makes one elsewhere; take it from there with @MadeBy(%s.class)"
            .formatted(maker.place(), maker.suite().getSimpleName());
      }
    }
    List<String> made = all.stream()
        .filter(maker -> maker.handsOn() != null)
        .map(maker -> Words.of(handedOn(maker)))
        .distinct()
        .toList();
    String near = NearestMatch.among(type, made)
        .map(name -> "The nearest type that is made is " + name + ". ")
        .orElse("");
    return near + "Let a case return " + type + ", or write a @Supply that does";
  }

  private static Type handedOn(Maker maker) {
    Type type = maker.handsOn();
    return type == null ? void.class : type;
  }

  /**
   * Who makes what is taken.
   *
   * @param maker the maker
   * @param gathered whether all that it makes by sample is taken as a list
   */
  record Candidate(Maker maker, boolean gathered) {}

  /** What a search came to. */
  private record Search(List<SearchPlace> places, List<Maker> makers, List<Maker> abstractOnes) {}
}
