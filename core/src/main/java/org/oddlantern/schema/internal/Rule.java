package org.oddlantern.schema.internal;

import java.util.ArrayList;
import java.util.Comparator;
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
  private final List<Keyword> keywords;
  private final Keyword[][] byKind = new Keyword[Kind.COUNT][];
  private final boolean tracks;

  Rule(Site site, List<Keyword> keywords) {
    this.site = site;
    List<Keyword> sorted = sorted(keywords);
    this.keywords = sorted;
    tracks = !sorted.isEmpty() && sorted.get(sorted.size() - 1).isLast();
    Keyword[] all = sorted.isEmpty() ? NONE : sorted.toArray(new Keyword[sorted.size()]);
    for (int kind = 0; kind < Kind.COUNT; kind++) {
      int count = 0;
      for (Keyword keyword : all) {
        count += keyword.kinds() >> kind & 1;
      }
      byKind[kind] = count == all.length ? all : count == 0 ? NONE : ofKind(all, 1 << kind, count);
    }
  }

  private static List<Keyword> sorted(List<Keyword> keywords) {
    boolean last = false;
    for (Keyword keyword : keywords) {
      last |= keyword.isLast();
    }
    if (!last) {
      return keywords;
    }
    List<Keyword> sorted = new ArrayList<>(keywords);
    sorted.sort(Comparator.comparing(Keyword::isLast));
    return sorted;
  }

  private static Keyword[] ofKind(Keyword[] keywords, int kind, int count) {
    Keyword[] those = new Keyword[count];
    int next = 0;
    for (Keyword keyword : keywords) {
      if ((keyword.kinds() & kind) != 0) {
        those[next++] = keyword;
      }
    }
    return those;
  }

  /** Its keywords, each once. */
  List<Keyword> keywords() {
    return keywords;
  }

  /** Hears that every schema is read and tied to others. */
  void tie() {
    for (Keyword keyword : keywords) {
      keyword.tie(site.resource());
    }
  }

  /** What judges an object, if that is one keyword. */
  @Nullable
  Keyword onlyForObjects() {
    Keyword[] those = byKind[Kind.OF_OBJECTS];
    return those.length == 1 && !tracks ? those[0] : null;
  }

  Site site() {
    return site;
  }

  /** The schemas that it asks about the very same value, whatever the value is. */
  List<Rule> alwaysAsked() {
    List<Rule> asked = List.of();
    for (Keyword keyword : keywords) {
      List<Rule> more = keyword.alwaysAsked();
      if (!more.isEmpty()) {
        asked = asked.isEmpty() ? new ArrayList<>() : asked;
        asked.addAll(more);
      }
    }
    return asked;
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
