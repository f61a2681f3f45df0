package org.oddlantern.internal.plan;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Supplier;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * The entries of a selection, made ready to be held against many cases: a build asks for every case by its
 * name, so names are looked up, and only titles with a star are patterns.
 */
final class AskedNames {

  /** A case by class and method, maybe with a sample; anything else may be a title. */
  private static final Pattern NAME = Pattern.compile("[\\w.$]+#\\w+(\\[.*\\])?");

  private final Set<String> names = new HashSet<>();
  private final Set<String> ofAllSamples = new HashSet<>();
  private final Set<String> titles = new HashSet<>();
  private final List<Pattern> patterns = new ArrayList<>();
  private final List<String> entries;
  private final Map<Class<?>, Boolean> classes = new HashMap<>();

  AskedNames(List<String> entries) {
    this.entries = entries;
    for (String entry : entries) {
      names.add(entry);
      ofAllSamples.add(entry.endsWith("]") ? entry.replaceAll("\\[.*\\]$", "") : entry);
      if (entry.indexOf('*') < 0) {
        titles.add(folded(entry));
      } else {
        patterns.add(pattern(entry));
      }
    }
  }

  private static Pattern pattern(String entry) {
    return Pattern.compile(
        Stream.of(entry.split("\\*", -1)).map(Pattern::quote).collect(Collectors.joining(".*")),
        Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE | Pattern.DOTALL);
  }

  /** Whether a case was asked for. */
  boolean has(CaseDefinition one) {
    return hasClass(one.suite())
        || ownNames(one).anyMatch(names::contains)
        || hasTitle(one.title());
  }

  private boolean mayHave(CaseDefinition one) {
    return ownNames(one).anyMatch(ofAllSamples::contains) || has(one);
  }

  /** Whether all cases of a class were asked for. */
  private boolean hasClass(Class<?> suite) {
    return classes.computeIfAbsent(
        suite, type -> classNames(type).stream().anyMatch(names::contains));
  }

  private boolean hasTitle(String title) {
    return titles.contains(folded(title))
        || patterns.stream().anyMatch(pattern -> pattern.matcher(title).matches());
  }

  /** Capitals do not count. */
  private static String folded(String title) {
    StringBuilder folded = new StringBuilder(title.length());
    title
        .codePoints()
        .forEach(
            point -> folded.appendCodePoint(Character.toLowerCase(Character.toUpperCase(point))));
    return folded.toString();
  }

  /** The cases that may have been asked for; which of their samples were is seen later. */
  List<CaseDefinition> maybe(List<CaseDefinition> cases) {
    List<String> unknown = new ArrayList<>(entries);
    unknown.removeIf(entry -> NAME.matcher(entry).matches()); // a build asks for nothing else
    if (!unknown.isEmpty()) {
      Set<String> known = new HashSet<>();
      cases.forEach(one -> known.addAll(names(one)));
      unknown.removeIf(known::contains);
    }
    boolean ofAny = unknown.stream().anyMatch(entry -> entry.contains("["));
    return cases.stream()
        .filter(one -> ofAny || !unknown.isEmpty() && one.title().contains("{") || mayHave(one))
        .toList();
  }

  /** The names by which a case can be asked for: packages, its class, the classes around it, and itself. */
  static List<String> names(CaseDefinition one) {
    List<String> names = classNames(one.suite());
    ownNames(one).forEach(names::add);
    return names;
  }

  private static List<String> classNames(Class<?> suite) {
    List<String> names = new ArrayList<>();
    for (Class<?> type = suite; type != null; type = type.getEnclosingClass()) {
      names.add(type.getSimpleName());
      names.add(type.getName());
      names.add(type.getName().replace('$', '.'));
    }
    String inside = suite.getPackageName();
    while (!inside.isEmpty()) {
      int dot = inside.lastIndexOf('.');
      names.add(inside + ".*");
      names.add(inside.substring(dot + 1) + ".*");
      inside = inside.substring(0, Math.max(0, dot));
    }
    return names;
  }

  /** Made one by one, the one first by which a build asks. */
  private static Stream<String> ownNames(CaseDefinition one) {
    String name = one.suite().getSimpleName() + "#" + one.id().method();
    String sample = one.id().sample();
    return sample.isEmpty()
        ? ways(one.origin(), name)
        : Stream.of(ways(one.origin(), name), ways(one.id(), name + "[" + sample + "]"))
            .flatMap(ways -> ways);
  }

  private static Stream<String> ways(CaseId id, String name) {
    return Stream.<Supplier<String>>of(id::toString, id::brief, () -> name).map(Supplier::get);
  }
}
