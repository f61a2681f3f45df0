package org.oddlantern.internal.promise;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.oddlantern.json.internal.NearestMatch;

/** The titles of all cases, by what sentences are compared. */
final class Titles {

  /** Of so many letters one may differ, and the sentence is still nearly the title. */
  private static final int PENDING = 4;

  private static final int PROSE = 10;

  private final Map<String, List<TitledCase>> cases = new LinkedHashMap<>();
  private final Map<String, List<String>> ids = new LinkedHashMap<>();
  private final Map<String, String> written = new LinkedHashMap<>();
  private final Set<String> named = new LinkedHashSet<>();

  Titles(Collection<TitledCase> all) {
    for (TitledCase one : all) {
      add(one.title(), one.ids());
      cases.computeIfAbsent(Sentence.key(one.title()), key -> new ArrayList<>()).add(one);
      one.samples().forEach(sample -> add(sample.title(), List.of(sample.id())));
    }
  }

  private void add(String title, List<String> all) {
    String key = Sentence.key(title);
    List<String> known = ids.computeIfAbsent(key, any -> new ArrayList<>());
    all.stream().filter(id -> !known.contains(id)).forEach(known::add);
    written.putIfAbsent(key, title);
  }

  boolean has(String sentence) {
    return ids.containsKey(Sentence.key(sentence));
  }

  /** The cases that have this title, by their full names, which are promised by that. */
  List<String> promised(String sentence) {
    List<String> found = ids.getOrDefault(Sentence.key(sentence), List.of());
    named.addAll(found);
    return found;
  }

  /** The cases that have this title as it is written. */
  List<TitledCase> cases(String sentence) {
    return cases.getOrDefault(Sentence.key(sentence), List.of());
  }

  boolean isPromised(TitledCase one) {
    return named.containsAll(one.ids());
  }

  /** The title that a sentence with no case most likely means. */
  Optional<String> nearest(String sentence) {
    return near(sentence, PENDING);
  }

  /** The title that a sentence among prose is all but equal to. */
  Optional<String> allBut(String sentence) {
    return near(sentence, PROSE);
  }

  private Optional<String> near(String sentence, int share) {
    String key = Sentence.key(sentence);
    return NearestMatch.among(key, ids.keySet(), Math.max(1, key.length() / share))
        .map(written::get);
  }
}
