package org.oddlantern.json;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import tools.jackson.databind.JsonNode;

/**
 * Compares two trees as they look on the wire: numbers by value, members in any order, missing
 * differs from null. {@link #EXACTLY} wants the same members, {@link #INCLUDING} at least the wanted
 * ones, at every depth.
 */
public enum Comparison {
  /** The same members and items, no more and no less. */
  EXACTLY,
  /** At least the wanted members, deep; lists item by item and of the same length. */
  INCLUDING;

  private static final int DEEPEST = 1_000;

  /**
   * Everything that differs, up to a cap.
   *
   * @param where the place of the value
   * @param wanted the tree that is wanted
   * @param got the tree that is there; may be missing
   * @return the findings, in the order of the wanted tree; empty if nothing differs
   */
  public List<Finding> differences(Location where, JsonNode wanted, JsonNode got) {
    List<Finding> findings = new ArrayList<>();
    compare(where, wanted, got, findings, 0);
    return findings;
  }

  private void compare(
      Location where, JsonNode wanted, JsonNode got, List<Finding> findings, int depth) {
    if (depth > DEEPEST) {
      findings.add(
          Finding.of(where, "at most " + DEEPEST + " levels of nesting", "more than that"));
    } else if (wanted.isObject() && got.isObject()) {
      compareObjects(where, wanted, got, findings, depth);
    } else if (wanted.isArray() && got.isArray()) {
      compareLists(where, wanted, got, findings, depth);
    } else if (!sameScalar(wanted, got)) {
      findings.add(ScalarDifference.finding(where, wanted, got));
    }
  }

  private void compareObjects(
      Location where, JsonNode wanted, JsonNode got, List<Finding> findings, int depth) {
    for (Map.Entry<String, JsonNode> member : wanted.properties()) {
      Location place = where.child(member.getKey());
      JsonNode found = got.get(member.getKey());
      if (found == null) {
        findings.add(missing(place, member, got));
      } else {
        compare(place, member.getValue(), found, findings, depth + 1);
      }
    }
    if (this == EXACTLY) {
      for (Map.Entry<String, JsonNode> member : got.properties()) {
        if (!wanted.has(member.getKey())) {
          findings.add(surplus(where.child(member.getKey()), member, wanted));
        }
      }
    }
  }

  private static Finding missing(Location place, Map.Entry<String, JsonNode> member, JsonNode got) {
    return Finding.of(
            place,
            Words.of(member.getValue()),
            "nothing: the field is missing from " + Words.contents(got))
        .hint(NearestMatch.hint(member.getKey(), got.propertyNames()));
  }

  private static Finding surplus(
      Location place, Map.Entry<String, JsonNode> member, JsonNode wanted) {
    return Finding.of(place, "no such field", Words.of(member.getValue()))
        .hint(NearestMatch.hint(member.getKey(), wanted.propertyNames()));
  }

  private void compareLists(
      Location where, JsonNode wanted, JsonNode got, List<Finding> findings, int depth) {
    if (wanted.size() != got.size()) {
      findings.add(Finding.of(where, "a list of " + wanted.size(), "a list of " + got.size()));
    }
    int common = Math.min(wanted.size(), got.size());
    for (int i = 0; i < common; i++) {
      compare(where.child(i), wanted.get(i), got.get(i), findings, depth + 1);
    }
    for (int i = common; i < got.size(); i++) {
      findings.add(Finding.of(where.child(i), "no such item", Words.of(got.get(i))));
    }
    for (int i = common; i < wanted.size(); i++) {
      findings.add(
          Finding.of(where.child(i), Words.of(wanted.get(i)), "nothing: the list ends before"));
    }
  }

  private static boolean sameScalar(JsonNode wanted, JsonNode got) {
    if (wanted.isNumber() && got.isNumber()) {
      return sameNumber(wanted, got);
    }
    return wanted.equals(got);
  }

  private static boolean sameNumber(JsonNode wanted, JsonNode got) {
    if (wanted.canConvertToLong()
        && wanted.isIntegralNumber()
        && got.canConvertToLong()
        && got.isIntegralNumber()) {
      return wanted.longValue() == got.longValue();
    }
    BigDecimal a = wanted.decimalValue();
    BigDecimal b = got.decimalValue();
    return a.compareTo(b) == 0;
  }
}
