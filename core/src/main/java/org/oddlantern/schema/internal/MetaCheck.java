package org.oddlantern.schema.internal;

import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.oddlantern.schema.SchemaProblem;

/** Holds schemas against their meta-schemas, each once. For one thread at a time. */
final class MetaCheck {

  private final ReadingRules rules;
  private final Map<String, Set<String>> checked = new HashMap<>();

  MetaCheck(ReadingRules rules) {
    this.rules = rules;
  }

  /** Refuses a schema that is none. */
  void check(Site site) {
    Set<String> done = checked.computeIfAbsent(site.document().uri(), uri -> new HashSet<>());
    if (!rules.checks() || done.contains("") || isWithin(done, site.pointer())) {
      return;
    }
    boolean whole = !site.document().isApi();
    String pointer = whole ? "" : site.pointer();
    Optional<Violation> wrong = rules
        .metaSchemas()
        .of(site.dialect(), rules)
        .firstWrong(whole ? site.document().root() : site.schema());
    if (wrong.isPresent()) { // who reads it again is told again
      Spot spot = wrong.get().spot();
      Keyword keyword = wrong.get().keyword();
      String hint = keyword.hint(spot.value());
      throw new SchemaProblem(
          site.document().name() + "#" + pointer + spot.inside().pointer(),
          "wanted " + keyword.wanted() + ", got " + keyword.got(spot.value())
              + (hint.isEmpty() ? "" : "; " + hint)
              + " (" + site.dialect().draft().label() + ")");
    }
    done.add(pointer);
  }

  /** Whether a place lies at or below one of others. */
  private static boolean isWithin(Set<String> places, String pointer) {
    String place = pointer;
    while (!places.contains(place) && !place.isEmpty()) {
      place = place.substring(0, place.lastIndexOf('/'));
    }
    return places.contains(place);
  }
}
