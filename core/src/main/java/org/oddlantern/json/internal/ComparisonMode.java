package org.oddlantern.json.internal;

import java.util.List;
import java.util.Map;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * Compares two trees as they look on the wire: numbers by value, members in any order, missing
 * differs from null. {@link #EXACTLY} wants the same members, {@link #INCLUDING} at least the wanted
 * ones, at every depth. Trees may be 1,000 levels deep.
 */
public enum ComparisonMode {
  /** The same members and items, no more and no less. */
  EXACTLY,
  /** At least the wanted members, deep; lists item by item and of the same length. */
  INCLUDING;

  /**
   * Whether the tree is as wanted; cheaper than asking for the differences.
   *
   * @param wanted the tree that is wanted
   * @param got the tree that is there
   * @return true if nothing differs
   */
  public boolean holds(JsonNode wanted, JsonNode got) {
    return this == EXACTLY ? Equality.same(wanted, got) : includes(wanted, got);
  }

  /**
   * Everything that differs, up to a cap.
   *
   * @param where the place of the value
   * @param wanted the tree that is wanted
   * @param got the tree that is there; may be missing
   * @return the findings, in the order of the wanted tree; empty if nothing differs
   */
  public List<Finding> differences(Location where, JsonNode wanted, JsonNode got) {
    if (holds(wanted, got)) {
      return List.of();
    }
    Differences differences = new Differences(this);
    differences.compare(
        where, wanted, UntypedText.isIn(got) ? UntypedText.readLike(wanted, got) : got);
    List<Finding> findings = differences.findings(where);
    return findings.isEmpty()
        ? List.of(Finding.of(where, Words.of(wanted), Words.withKind(got))) // never a false pass
        : findings;
  }

  private static boolean includes(JsonNode wanted, JsonNode got) {
    if (wanted.isObject() && got.isObject()) {
      for (Map.Entry<String, JsonNode> member : wanted.properties()) {
        JsonNode other = got.get(member.getKey());
        if (other == null
            ? !Embedded.allowsNothing(member.getValue())
            : !includes(member.getValue(), other)) {
          return false;
        }
      }
      return true;
    }
    if (!wanted.isArray() || !got.isArray()) {
      return Equality.same(wanted, got);
    }
    if (wanted.size() != got.size()) {
      return false;
    }
    for (int i = 0; i < wanted.size(); i++) {
      if (!includes(wanted.get(i), got.get(i))) {
        return false;
      }
    }
    return true;
  }
}
