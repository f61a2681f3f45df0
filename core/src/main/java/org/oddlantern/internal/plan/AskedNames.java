package org.oddlantern.internal.plan;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
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
    return has(one, names(one));
  }

  private boolean has(CaseDefinition one, List<String> own) {
    return own.stream().anyMatch(names::contains) || hasTitle(one.title());
  }

  private boolean mayHave(CaseDefinition one) {
    List<String> own = names(one);
    return own.stream().anyMatch(ofAllSamples::contains) || has(one, own);
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
    Set<String> known = new HashSet<>();
    cases.forEach(one -> known.addAll(names(one)));
    List<String> unknown = entries.stream()
        .filter(entry -> !known.contains(entry) && !NAME.matcher(entry).matches())
        .toList();
    boolean ofAny = unknown.stream().anyMatch(entry -> entry.contains("["));
    return cases.stream()
        .filter(one -> ofAny || !unknown.isEmpty() && one.title().contains("{") || mayHave(one))
        .toList();
  }

  /** The names by which a case can be asked for: packages, its class, the classes around it, and itself. */
  static List<String> names(CaseDefinition one) {
    List<String> names = new ArrayList<>();
    for (Class<?> type = one.suite(); type != null; type = type.getEnclosingClass()) {
      names.add(type.getSimpleName());
      names.add(type.getName());
      names.add(type.getName().replace('$', '.'));
    }
    String inside = one.suite().getPackageName();
    while (!inside.isEmpty()) {
      int dot = inside.lastIndexOf('.');
      names.add(inside + ".*");
      names.add(inside.substring(dot + 1) + ".*");
      inside = inside.substring(0, Math.max(0, dot));
    }
    String method = "#" + one.id().method();
    names.add(one.suite().getSimpleName() + method);
    names.add(one.origin().brief());
    names.add(one.origin().toString());
    if (!one.id().sample().isEmpty()) {
      names.add(one.suite().getSimpleName() + method + "[" + one.id().sample() + "]");
      names.add(one.id().brief());
      names.add(one.id().toString());
    }
    return names;
  }
}
