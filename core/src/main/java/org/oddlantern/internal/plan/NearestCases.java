package org.oddlantern.internal.plan;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.oddlantern.json.internal.NearestMatch;
import org.oddlantern.json.internal.Words;

/** What somebody may have meant who asked for a case that is not there. */
final class NearestCases {

  private static final int SHORTEST = 3;
  private static final int MOST = 8;

  private final List<CaseDefinition> cases;
  private final Set<String> names = new LinkedHashSet<>();

  NearestCases(List<CaseDefinition> cases) {
    this.cases = cases;
    cases.forEach(one -> names.addAll(AskedNames.names(one)));
  }

  /** A sentence about one name; empty if nothing is near. */
  String hint(String entry) {
    return Stream.of(ofSample(entry), otherwiseWritten(entry), ofClass(entry), nearest(entry))
        .flatMap(Optional::stream)
        .findFirst()
        .orElse("");
  }

  /** A sample that is not there, of a case that is. */
  private Optional<String> ofSample(String entry) {
    int bracket = entry.indexOf('[');
    String base = bracket < 0 ? entry : entry.substring(0, bracket);
    if (bracket < 0 || !names.contains(base)) {
      return Optional.empty();
    }
    List<String> samples = cases.stream()
        .filter(one -> AskedNames.names(one).contains(base))
        .map(one -> one.id().sample())
        .filter(sample -> !sample.isEmpty())
        .toList();
    Optional<String> near =
        NearestMatch.among(entry.substring(bracket + 1).replaceFirst("]$", ""), samples);
    if (near.isPresent()) {
      return meant(base + "[" + near.get() + "]");
    }
    return Optional.of(
        samples.isEmpty()
            ? base + " has no samples"
            : String.format(
                Locale.ROOT,
                "%s has %d samples: %s",
                base,
                samples.size(),
                Words.names(samples.stream().limit(MOST).toList())
                    + (samples.size() > MOST ? ", ..." : "")));
  }

  /** A dot instead of #, another ending of a class, a part of a name or of a title. */
  private Optional<String> otherwiseWritten(String entry) {
    String dotted = entry.replaceFirst("\\.(\\w+)$", "#$1");
    if (names.contains(dotted)) {
      return meant(dotted);
    }
    String plain = stem(entry);
    Optional<String> ending =
        names.stream().filter(name -> stem(name).equals(plain)).findFirst();
    if (ending.isPresent()) {
      return meant(ending.get());
    }
    String part = entry.toLowerCase(Locale.ROOT);
    if (part.length() < SHORTEST || part.contains("#")) {
      return Optional.empty();
    }
    return cases.stream()
        .map(one -> one.suite().getSimpleName())
        .filter(name -> name.toLowerCase(Locale.ROOT).contains(part))
        .findFirst()
        .or(() -> cases.stream()
            .map(CaseDefinition::title)
            .filter(title -> title.toLowerCase(Locale.ROOT).contains(part))
            .findFirst()
            .map(title -> "'*" + entry + "*'"))
        .flatMap(NearestCases::meant);
  }

  private static Optional<String> meant(String name) {
    return Optional.of("did you mean " + name + "?");
  }

  private static String stem(String name) {
    return name.replaceFirst("(?:Tests?|ITs?|ITCase|TestCase|Suite)(?=#|$)", "")
        .toLowerCase(Locale.ROOT);
  }

  /** A method that is not there, of a class that is; a slip of a letter comes first. */
  private Optional<String> ofClass(String entry) {
    int hash = entry.indexOf('#');
    String type = hash < 0 ? "" : entry.substring(0, hash);
    if (!names.contains(type)) {
      return Optional.empty();
    }
    List<String> methods = cases.stream()
        .filter(one -> AskedNames.names(one).contains(type))
        .map(one -> one.id().method())
        .distinct()
        .toList();
    return NearestMatch.among(entry.substring(hash + 1), methods)
        .map(method -> "did you mean " + type + "#" + method + "?")
        .or(() -> Optional.of(
            type + " has " + Words.names(methods.stream().limit(MOST).toList())
                + (methods.size() > MOST ? ", ..." : "")));
  }

  private Optional<String> nearest(String entry) {
    List<String> all = Stream.concat(names.stream(), cases.stream().map(CaseDefinition::title))
        .distinct()
        .toList();
    return NearestMatch.among(entry, all).flatMap(NearestCases::meant);
  }
}
