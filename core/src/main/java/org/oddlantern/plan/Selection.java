package org.oddlantern.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.oddlantern.json.NearestMatch;

/**
 * Which cases somebody asked for. Each entry is a class (simple or full name), a {@code Class#method},
 * or a title with {@code *} for any text; a case that fits one of them is selected.
 *
 * @param entries what was asked for; empty for all cases
 */
public record Selection(List<String> entries) {

  /** All cases. */
  public static final Selection ALL = new Selection(List.of());

  /** Keeps its own copy. */
  public Selection {
    entries = List.copyOf(entries);
  }

  List<CaseDefinition> of(List<CaseDefinition> cases) {
    List<CaseDefinition> selected = cases.stream()
        .filter(one -> entries.isEmpty() || entries.stream().anyMatch(entry -> fits(entry, one)))
        .toList();
    if (selected.isEmpty()) {
      throw new NothingSelected(
          cases.isEmpty()
              ? "there are no cases: no class there has a method with @Case"
              : nearest(cases));
    }
    return selected;
  }

  private static boolean fits(String entry, CaseDefinition one) {
    return names(one).anyMatch(entry::equals) || matches(entry, one.title());
  }

  private static boolean matches(String entry, String title) {
    String pattern =
        Stream.of(entry.split("\\*", -1)).map(Pattern::quote).collect(Collectors.joining(".*"));
    return Pattern.compile(
            pattern, Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE | Pattern.DOTALL)
        .matcher(title)
        .matches();
  }

  /** The names by which a case can be asked for: its class, the classes around it, and itself. */
  private static Stream<String> names(CaseDefinition one) {
    List<String> names = new ArrayList<>();
    for (Class<?> type = one.suite(); type != null; type = type.getEnclosingClass()) {
      names.add(type.getSimpleName());
      names.add(type.getName());
      names.add(type.getName().replace('$', '.'));
    }
    String method = "#" + one.id().method();
    names.add(one.suite().getSimpleName() + method);
    names.add(one.id().brief());
    names.add(one.id().toString());
    return names.stream();
  }

  private String nearest(List<CaseDefinition> cases) {
    List<String> candidates = cases.stream()
        .flatMap(one -> Stream.concat(names(one), Stream.of(one.title())))
        .distinct()
        .toList();
    String hints = entries.stream()
        .flatMap(entry -> NearestMatch.among(entry, candidates).stream())
        .distinct()
        .collect(Collectors.joining(", "));
    return "no case is called %s%s; there are %d cases, which 'odd-lantern list' shows"
        .formatted(
            String.join(" or ", entries),
            hints.isEmpty() ? "" : " (did you mean " + hints + "?)",
            cases.size());
  }
}
