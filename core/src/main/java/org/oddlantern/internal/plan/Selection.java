package org.oddlantern.internal.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.plan.Expansion.Spot;
import org.oddlantern.json.internal.NearestMatch;

/**
 * Which cases somebody asked for. Several entries of one kind mean that one of them is enough; what is
 * asked for in different ways must hold together.
 *
 * @param entries classes (simple or full name), {@code Class#method}s, or titles with {@code *} for any
 *     text; empty for all cases
 * @param tags tags of which a case must have one; empty for all cases
 * @param withoutTags tags of which a case must have none
 * @param ids the full names of cases, as a journal has them; null for all cases
 */
public record Selection(
    List<String> entries,
    List<String> tags,
    List<String> withoutTags,
    @Nullable Set<String> ids) {

  /** All cases. */
  public static final Selection ALL = new Selection(List.of());

  /** Keeps its own copies. */
  public Selection {
    entries = List.copyOf(entries);
    tags = List.copyOf(tags);
    withoutTags = List.copyOf(withoutTags);
    ids = ids == null ? null : Set.copyOf(ids);
  }

  /**
   * Cases by class, method or title.
   *
   * @param entries what was asked for; empty for all cases
   */
  public Selection(List<String> entries) {
    this(entries, List.of(), List.of(), null);
  }

  /** Whether nothing in particular is asked for. */
  boolean isAll() {
    return entries.isEmpty() && tags.isEmpty() && withoutTags.isEmpty() && ids == null;
  }

  /** The cases that may have been asked for; which of their samples were is seen later. */
  List<CaseDefinition> maybe(List<CaseDefinition> cases) {
    if (cases.isEmpty()) {
      throw new NothingSelected("there are no cases: no class there has a method with @Case");
    }
    return entries.isEmpty() ? cases : new AskedNames(entries).maybe(cases);
  }

  /** What was asked for, of some cases and their samples; the names of all cases are for messages. */
  List<Spot> of(List<Spot> spots, List<CaseDefinition> all) {
    List<Spot> left = new ArrayList<>(spots);
    AskedNames asked = new AskedNames(entries);
    left.removeIf(spot -> !entries.isEmpty() && !asked.has(spot.asCase()));
    if (left.isEmpty()) {
      throw new NothingSelected(nearest(
          Stream.concat(all.stream(), spots.stream().map(Spot::asCase)).toList(), all.size()));
    }
    left.removeIf(spot -> !fitsTags(spot.asCase()));
    if (left.isEmpty()) {
      throw new NothingSelected(nearestTag(all));
    }
    left.removeIf(spot -> ids != null && !ids.contains(spot.asCase().id().toString()));
    if (left.isEmpty()) {
      throw new NothingSelected(
          "none of the cases that were asked for by their full names is here now");
    }
    return left;
  }

  private boolean fitsTags(CaseDefinition one) {
    List<String> own = one.marks().tags();
    return (tags.isEmpty() || tags.stream().anyMatch(own::contains))
        && withoutTags.stream().noneMatch(own::contains);
  }

  private String nearestTag(List<CaseDefinition> cases) {
    List<String> known = cases.stream()
        .flatMap(one -> one.marks().tags().stream())
        .distinct()
        .sorted()
        .toList();
    String hints = tags.stream()
        .filter(tag -> !known.contains(tag))
        .flatMap(tag -> NearestMatch.among(tag, known).stream())
        .distinct()
        .collect(Collectors.joining(", "));
    String asked = tags.isEmpty() ? "" : " is tagged " + String.join(" or ", tags);
    String without =
        withoutTags.isEmpty() ? "" : " is not tagged " + String.join(" or ", withoutTags);
    return "no case that was asked for%s%s%s; %s"
        .formatted(
            asked,
            asked.isEmpty() || without.isEmpty() ? without : " and" + without,
            hints.isEmpty() ? "" : " (did you mean " + hints + "?)",
            known.isEmpty() ? "there are no tags" : "the tags are " + String.join(", ", known));
  }

  private String nearest(List<CaseDefinition> cases, int count) {
    NearestCases nearest = new NearestCases(cases);
    String hints = entries.stream()
        .map(nearest::hint)
        .filter(hint -> !hint.isEmpty())
        .distinct()
        .collect(Collectors.joining(", "));
    return String.format(
        Locale.ROOT,
        count == 1
            ? "no case is called %s%s; there is %d case, which 'odd-lantern list' shows"
            : "no case is called %s%s; there are %d cases, which 'odd-lantern list' shows",
        String.join(" or ", entries),
        hints.isEmpty() ? "" : " (" + hints + ")",
        count);
  }
}
