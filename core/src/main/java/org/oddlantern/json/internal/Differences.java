package org.oddlantern.json.internal;

import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** Collects what differs between two trees, up to a cap; of one comparison. */
final class Differences {

  private final ComparisonMode comparison;
  private final FindingsUpToCap findings = new FindingsUpToCap();

  Differences(ComparisonMode comparison) {
    this.comparison = comparison;
  }

  ComparisonMode comparison() {
    return comparison;
  }

  List<Finding> findings(Location where) {
    return findings.all(where);
  }

  void add(Supplier<Finding> finding) {
    findings.add(finding);
  }

  void compare(Location where, JsonNode wanted, JsonNode got) {
    if (wanted.isPojo()) {
      Embedded.shape(wanted).examine(where, got).forEach(finding -> add(() -> finding));
    } else if (wanted.isObject() && got.isObject()) {
      compareObjects(where, wanted, got);
    } else if (wanted.isArray() && got.isArray()) {
      if (!comparison.holds(wanted, got)) {
        new ListDifferences(this, where, wanted, got).tell();
      }
    } else if (!Equality.same(wanted, got)) {
      add(() -> ScalarDifference.finding(where, wanted, got));
    }
  }

  private void compareObjects(Location where, JsonNode wanted, JsonNode got) {
    ChangedPlaces changedPlaces = new ChangedPlaces(
        wanted.propertyNames(), (name, value) -> Equality.same(wanted.path(name), value));
    for (Map.Entry<String, JsonNode> member : wanted.properties()) {
      Location place = where.child(member.getKey());
      JsonNode found = got.get(member.getKey());
      if (found == null && !Embedded.allowsNothing(member.getValue())) {
        add(() -> missing(place, member, wanted, got));
      } else if (found != null && !isSameScalar(member.getValue(), found)) {
        String swapped = changedPlaces.hint(member.getKey(), got);
        if (swapped.isEmpty()) {
          compare(place, member.getValue(), found);
        } else {
          add(() -> ScalarDifference.finding(place, member.getValue(), found).hint(swapped));
        }
      }
    }
    if (comparison == ComparisonMode.EXACTLY) {
      for (Map.Entry<String, JsonNode> member : got.properties()) {
        if (!wanted.has(member.getKey())) {
          add(() -> surplus(where.child(member.getKey()), member, wanted));
        }
      }
    }
  }

  /** Found out first, since most are; containers are walked anyway. */
  private static boolean isSameScalar(JsonNode wanted, JsonNode got) {
    return wanted.isValueNode() && !wanted.isPojo() && Equality.same(wanted, got);
  }

  private static Finding missing(
      Location place, Map.Entry<String, JsonNode> member, JsonNode wanted, JsonNode got) {
    Finding finding = Finding.nothing(
        place, Words.of(member.getValue()), "the field is missing from " + Words.contents(got));
    String near = NearestMatch.hint(member.getKey(), got.propertyNames());
    if (near.isEmpty()) {
      near = renamed(member.getValue(), wanted, got);
    }
    return finding.hint(near);
  }

  /** A field that nobody wanted and that holds just what is missing. */
  private static String renamed(JsonNode value, JsonNode wanted, JsonNode got) {
    if (value.isNull() || value.isBoolean() || Embedded.isIn(value)) {
      return ""; // too common to tell anything, and a shape is held by many
    }
    for (Map.Entry<String, JsonNode> other : got.properties()) {
      if (!wanted.has(other.getKey()) && Equality.same(value, other.getValue())) {
        return "'" + other.getKey() + "' holds that value";
      }
    }
    return "";
  }

  private static Finding surplus(
      Location place, Map.Entry<String, JsonNode> member, JsonNode wanted) {
    return Finding.of(place, "no such field", Words.of(member.getValue()))
        .hint(NearestMatch.hint(member.getKey(), wanted.propertyNames()));
  }
}
