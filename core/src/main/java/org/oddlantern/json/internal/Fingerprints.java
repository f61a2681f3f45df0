package org.oddlantern.json.internal;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * Numbers by which items of two lists can be matched. Where whole items are compared, all of an item
 * counts; where a wanted item names some fields only, those do.
 *
 * @param fields the fields that count, or empty for all
 */
record Fingerprints(List<String> fields) {

  /** Fingerprints that suit all of the wanted items; empty if they name different fields. */
  static Optional<Fingerprints> of(ComparisonMode comparison, JsonNode wanted, List<Integer> open) {
    for (int i : open) {
      if (Embedded.isIn(wanted.get(i))) {
        return Optional.empty();
      }
    }
    if (comparison == ComparisonMode.EXACTLY || open.isEmpty()) {
      return Optional.of(new Fingerprints(List.of()));
    }
    Set<String> fields = scalarFields(wanted.get(open.get(0)));
    for (int i : open) {
      JsonNode item = wanted.get(i);
      if (item.isArray() || !scalarFields(item).equals(fields)) {
        return Optional.empty();
      }
    }
    return Optional.of(new Fingerprints(new ArrayList<>(fields)));
  }

  long of(JsonNode item) {
    if (fields.isEmpty() || !item.isObject()) {
      return Equality.fingerprint(item);
    }
    long print = 1;
    for (String field : fields) {
      print = print * 31 + Equality.fingerprint(item.path(field));
    }
    return print;
  }

  private static Set<String> scalarFields(JsonNode item) {
    Set<String> fields = new TreeSet<>();
    for (Map.Entry<String, JsonNode> member : item.properties()) {
      if (!member.getValue().isContainer()) {
        fields.add(member.getKey());
      }
    }
    return fields;
  }
}
