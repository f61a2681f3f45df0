package org.oddlantern.schema.internal;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * A schema or subschema that has been read: its keywords, sorted by the kinds of values they can
 * refuse. Immutable; what refers to it, itself included, does so by a {@link RuleLink}.
 */
final class Rule {

  private static final Keyword[] NONE = {};

  private final Site site;
  private final Keyword[][] byKind = new Keyword[Kind.COUNT][];
  private final boolean tracks;

  Rule(Site site, List<Keyword> keywords) {
    this.site = site;
    List<Keyword> sorted = new ArrayList<>(keywords.size());
    for (Keyword keyword : keywords) {
      if (!keyword.isLast()) {
        sorted.add(keyword);
      }
    }
    for (Keyword keyword : keywords) {
      if (keyword.isLast()) {
        sorted.add(keyword);
      }
    }
    tracks = keywords.stream().anyMatch(Keyword::isLast);
    for (int kind = 0; kind < Kind.COUNT; kind++) {
      byKind[kind] = ofKind(sorted, 1 << kind);
    }
  }

  private static Keyword[] ofKind(List<Keyword> keywords, int kind) {
    List<Keyword> those = new ArrayList<>(keywords.size());
    for (Keyword keyword : keywords) {
      if ((keyword.kinds() & kind) != 0) {
        those.add(keyword);
      }
    }
    return those.isEmpty() ? NONE : those.toArray(NONE);
  }

  /** Its keywords, each once. */
  List<Keyword> keywords() {
    return Arrays.stream(byKind).flatMap(Arrays::stream).distinct().toList();
  }

  Site site() {
    return site;
  }

  /** The schemas that it asks about the very same value, whatever the value is. */
  List<Rule> alwaysAsked() {
    return Arrays.stream(byKind)
        .flatMap(Arrays::stream)
        .flatMap(keyword -> keyword.alwaysAsked().stream())
        .distinct()
        .toList();
  }

  /** Whether it is the schema {@code false}. */
  boolean takesNone() {
    return byKind[0].length == 1 && byKind[0][0] instanceof Never;
  }

  boolean holds(JsonNode value, Evaluation run, @Nullable Covered covered) {
    Keyword[] keywords = byKind[Kind.of(value)];
    if (keywords.length == 0) {
      return true;
    }
    Scope outside = run.enter(site.resource());
    boolean holds = tracks
        ? holdsTracking(keywords, value, run, covered)
        : holdsAll(keywords, value, run, covered);
    run.leave(outside);
    return holds;
  }

  private static boolean holdsAll(
      Keyword[] keywords, JsonNode value, Evaluation run, @Nullable Covered covered) {
    for (Keyword keyword : keywords) {
      if (!keyword.holds(value, run, covered)) {
        return false;
      }
    }
    return true;
  }

  private static boolean holdsTracking(
      Keyword[] keywords, JsonNode value, Evaluation run, @Nullable Covered covered) {
    Covered own = new Covered();
    boolean holds = holdsAll(keywords, value, run, own);
    if (holds && covered != null) {
      covered.add(own);
    }
    return holds;
  }

  /** Everything that does not hold. */
  void explain(Spot around, Evaluation run, @Nullable Covered covered, List<Violation> out) {
    JsonNode value = around.value();
    Spot spot = around.in(this);
    Scope outside = run.enter(site.resource());
    Covered own = tracks ? new Covered() : covered;
    for (Keyword keyword : byKind[Kind.of(value)]) {
      keyword.explain(spot, run, own, out);
    }
    if (tracks && own != null && covered != null) {
      covered.add(own);
    }
    run.leave(outside);
  }

  List<Violation> explain(Spot around, Evaluation run, @Nullable Covered covered) {
    List<Violation> found = new ArrayList<>();
    explain(around, run, covered, found);
    return found;
  }
}
