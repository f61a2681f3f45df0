package org.oddlantern.check;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;
import org.oddlantern.json.internal.Equality;
import org.oddlantern.json.internal.GatheredValues;
import org.oddlantern.json.internal.Identity;
import org.oddlantern.json.internal.UntypedText;
import org.oddlantern.json.internal.Words;
import org.oddlantern.json.internal.path.TreePath;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** What {@link Sorted} promises. */
final class SortedShape implements Sorted, ListShape {

  private final @Nullable TreePath by;
  private final boolean descending;

  SortedShape(@Nullable TreePath by, boolean descending) {
    this.by = by;
    this.descending = descending;
  }

  @Override
  public Sorted descending() {
    return new SortedShape(by, true);
  }

  @Override
  public String words() {
    return "a list sorted" + (by == null ? "" : " by " + by) + (descending ? ", descending" : "");
  }

  @Override
  public List<Finding> ofList(Location where, JsonNode value) {
    if (GatheredValues.isNothing(value)) {
      return GatheredValues.nothing(where, words());
    }
    List<JsonNode> keys = keys(value);
    for (int i = 0; i < keys.size(); i++) {
      JsonNode key = keys.get(i);
      JsonNode before = keys.get(Math.max(0, i - 1));
      Location place = where.child(i).knownAs(Identity.of(value.get(i)));
      boolean comparable = key.isNumber() || key.isString();
      if (!comparable || before.isNumber() != key.isNumber()) {
        return List.of(
            Finding.of(place, words(), Words.withKind(key) + ", which has no place in the order"));
      }
      if (isWrong(before, key)) {
        return List.of(Finding.of(place, words(), Words.of(key) + " after " + Words.of(before))
            .hint(hint(keys)));
      }
    }
    return List.of();
  }

  /** What the items are sorted by; texts without a kind are numbers if all of them can be. */
  private List<JsonNode> keys(JsonNode list) {
    List<JsonNode> keys = new ArrayList<>();
    for (JsonNode item : list) {
      keys.add(by == null ? item : by.findOne(item).value());
    }
    List<JsonNode> numbers = keys.stream().map(UntypedText::asNumber).toList();
    return numbers.stream().allMatch(JsonNode::isNumber) ? numbers : keys;
  }

  private boolean isWrong(JsonNode before, JsonNode key) {
    int order = order(before, key);
    return descending ? order < 0 : order > 0;
  }

  private static int order(JsonNode a, JsonNode b) {
    return a.isNumber()
        ? Equality.compareNumbers(a, b)
        : Equality.compareTexts(a.stringValue(), b.stringValue());
  }

  private boolean isFolded(String before, String key) {
    int letters = before.compareToIgnoreCase(key);
    return descending ? letters >= 0 : letters <= 0;
  }

  /** Another order that the list does have. */
  private String hint(List<JsonNode> keys) {
    boolean reversed = true;
    boolean folded = true;
    for (int i = 1; i < keys.size(); i++) {
      JsonNode before = keys.get(i - 1);
      JsonNode key = keys.get(i);
      if (before.getNodeType() != key.getNodeType()) {
        return "";
      }
      int order = order(before, key);
      reversed &= descending ? order <= 0 : order >= 0;
      folded &= key.isString() && isFolded(before.stringValue(), key.stringValue());
    }
    if (folded) {
      return "it is sorted without regard to upper and lower case; here texts go by code points";
    }
    return reversed ? "it is sorted the other way round" : "";
  }
}
