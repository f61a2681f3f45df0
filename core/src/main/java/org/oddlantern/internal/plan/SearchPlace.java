package org.oddlantern.internal.plan;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/**
 * One place in which a maker is looked for: classes that count together.
 *
 * @param words how messages name it
 * @param classes the classes
 */
record SearchPlace(String words, List<Class<?>> classes) {

  /** The places for a parameter, in their order: rule 2 of the rules for values. */
  static List<SearchPlace> of(ValueParameter parameter) {
    if (!parameter.madeBy().isEmpty()) {
      return List.of(new SearchPlace(
          "in what @MadeBy names: " + names(parameter.madeBy()), withSections(parameter.madeBy())));
    }
    List<SearchPlace> places = new ArrayList<>();
    Set<Class<?>> seen = new LinkedHashSet<>();
    outwards(parameter.asker(), places, seen, "the sections beside it");
    Class<?> home = ValueTypes.home(parameter.type());
    outwards(home, places, seen, "the other sections around " + home.getSimpleName());
    return places;
  }

  private static void outwards(
      Class<?> start, List<SearchPlace> places, Set<Class<?>> seen, String beside) {
    Class<?> top = start;
    for (Class<?> type = start; type != null; type = type.getEnclosingClass()) {
      top = type;
      if (seen.add(type)) {
        places.add(new SearchPlace(type.getSimpleName(), List.of(type)));
      }
    }
    List<Class<?>> rest = withSections(List.of(top)).stream().filter(seen::add).toList();
    if (!rest.isEmpty()) {
      places.add(new SearchPlace(beside, rest));
    }
  }

  private static List<Class<?>> withSections(List<Class<?>> classes) {
    List<Class<?>> all = new ArrayList<>();
    for (Class<?> type : classes) {
      all.add(type);
      all.addAll(withSections(List.of(type.getDeclaredClasses())));
    }
    return all;
  }

  private static String names(List<Class<?>> classes) {
    return String.join(", ", classes.stream().map(Class::getSimpleName).toList());
  }
}
