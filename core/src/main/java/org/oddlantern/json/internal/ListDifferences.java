package org.oddlantern.json.internal;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** Tells how a list differs from the wanted one, item by item, by what happened to each. */
final class ListDifferences {

  /** So many moves are told one by one; more are another order. */
  private static final int MOST_MOVES = 12;

  /** Of so many the changed places tell as much as the reverse order does. */
  private static final int FEW = 3;

  private final Differences differences;
  private final Location where;
  private final JsonNode wanted;
  private final JsonNode got;
  private final Alignment alignment;

  ListDifferences(Differences differences, Location where, JsonNode wanted, JsonNode got) {
    this.differences = differences;
    this.where = where;
    this.wanted = wanted;
    this.got = got;
    this.alignment = Alignment.of(differences.comparison(), wanted, got);
  }

  void tell() {
    Finding whole = ListShift.of(where, wanted, got);
    if (whole != null) {
      differences.add(() -> whole);
      return;
    }
    if (wanted.size() != got.size()) {
      differences.add(
          () -> Finding.of(where, "a list of " + wanted.size(), "a list of " + got.size()));
    }
    tellMoves();
    for (int i = 0; i < wanted.size(); i++) {
      int partner = alignment.partner(i);
      if (partner < 0) {
        int index = i;
        differences.add(() -> missing(index));
      } else if (!alignment.isMoved(i)) {
        differences.compare(place(partner), wanted.get(i), got.get(partner));
      }
    }
    for (int j = 0; j < got.size(); j++) {
      if (alignment.isSurplus(j)) {
        int index = j;
        differences.add(() -> surplus(index));
      }
    }
  }

  private void tellMoves() {
    List<Integer> moved = movedItems();
    if (moved.size() > MOST_MOVES || wanted.size() > FEW && isReversed()) {
      differences.add(() -> anotherOrder(moved.get(0), moved.size()));
    } else {
      moved.forEach(i -> differences.add(
          () -> i.equals(moved.get(0)) ? moved(i).hint(ListShift.order(wanted, got)) : moved(i)));
    }
  }

  /** One around which others moved, but which stands where it is wanted, is told of if it is alone only. */
  private List<Integer> movedItems() {
    List<Integer> moved = new ArrayList<>();
    List<Integer> elsewhere = new ArrayList<>();
    for (int i = 0; i < wanted.size(); i++) {
      if (alignment.isMoved(i)) {
        moved.add(i);
        if (alignment.partner(i) != i) {
          elsewhere.add(i);
        }
      }
    }
    return elsewhere.isEmpty() ? moved : elsewhere;
  }

  private Finding moved(int index) {
    int now = alignment.partner(index);
    boolean exchanged = now < wanted.size() && alignment.partner(now) == index;
    String there = now < wanted.size() ? Words.of(wanted.get(now)) : "no such item";
    return Finding.of(place(now), there, Words.of(got.get(now)))
        .hint(
            exchanged
                ? String.format(
                    Locale.ROOT,
                    "moved: the items [%d] and [%d] have changed places",
                    Math.min(index, now),
                    Math.max(index, now))
                : String.format(
                    Locale.ROOT, "moved: it is wanted at [%d] and is at [%d]", index, now));
  }

  private Finding anotherOrder(int index, int count) {
    return Finding.of(
            where,
            "the items in the order wanted",
            String.format(Locale.ROOT, "%,d of %,d items in other places", count, wanted.size()))
        .hint(String.format(
            Locale.ROOT,
            "moved: the item%s wanted at [%d] is at [%d]",
            of(wanted.get(index)),
            index,
            alignment.partner(index)))
        .hint(isReversed() ? "the whole list is in reverse order" : ListShift.order(wanted, got))
        .hint("if the order does not matter: items(...).inAnyOrder()");
  }

  private boolean isReversed() {
    for (int i = 0; i < wanted.size(); i++) {
      if (alignment.partner(i) != got.size() - 1 - i) {
        return false;
      }
    }
    return true;
  }

  private Finding missing(int index) {
    JsonNode item = wanted.get(index);
    return Finding.nothing(
        where.child(index).knownAs(Identity.of(item)),
        Words.of(item),
        "the item is missing"
            + (index >= got.size() ? ", the list ends before" : " from the list"));
  }

  private Finding surplus(int index) {
    JsonNode item = got.get(index);
    String equal = equalTo(index).stream()
        .map(other -> "[" + other + "]")
        .collect(Collectors.joining(" and "));
    return Finding.of(place(index), "no such item", Words.of(item))
        .hint(equal.isEmpty() ? "" : "surplus: it is equal to " + equal);
  }

  /** The neighbours, where a doubled item mostly stands. */
  private List<Integer> equalTo(int index) {
    List<Integer> equal = new ArrayList<>();
    for (int j : new int[] {index - 1, index + 1}) {
      if (j >= 0 && j < got.size() && Equality.same(got.get(index), got.get(j))) {
        equal.add(j);
      }
    }
    return equal;
  }

  private Location place(int index) {
    return where.child(index).knownAs(Identity.of(got.get(index)));
  }

  private static String of(JsonNode item) {
    String identity = Identity.of(item);
    return identity.isEmpty() ? "" : " " + identity;
  }
}
