package org.oddlantern.check;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;

/**
 * Collects the bad items of a list: listed one by one while they are few, and together where they are bad
 * alike. Of a million bad items it keeps no more than it lists.
 */
final class BadItems {

  private static final int FEW = 2;
  private static final int SHOWN = 12;
  private static final int MOST_GROUPS = 20;

  private final Location where;
  private final int size;
  private final List<BadItem> first = new ArrayList<>();
  private final Map<Kind, Group> groups = new LinkedHashMap<>();
  private int count;
  private int untold;

  BadItems(Location where, int size) {
    this.where = where;
    this.size = size;
  }

  void add(BadItem item) {
    count++;
    if (first.size() <= FEW) {
      first.add(item);
    }
    for (Finding finding : item.findings()) {
      Kind kind = new Kind(item.inside(finding), finding.wanted());
      if (groups.size() < MOST_GROUPS || groups.containsKey(kind)) {
        groups.computeIfAbsent(kind, key -> new Group(finding)).add(item, finding);
      } else {
        untold++;
      }
    }
  }

  List<Finding> findings() {
    if (count <= FEW) {
      return first.stream().flatMap(item -> item.findings().stream()).toList();
    }
    List<Finding> findings = new ArrayList<>();
    groups.forEach(
        (kind, group) -> findings.addAll(group.told(placeOfAll(kind), kind.wanted, size)));
    if (untold > 0) {
      findings.add(Finding.of(
          where,
          "every item as wanted",
          String.format(
              Locale.ROOT,
              "%,d more findings of other kinds; %,d of %,d items are bad in all",
              untold,
              count,
              size)));
    }
    return findings;
  }

  private String placeOfAll(Kind kind) {
    String list = where.toString();
    return (list.contains("*") || list.contains("?") ? list : list + "[*]") + kind.inside;
  }

  /** What two bad items have in common. */
  private record Kind(String inside, String wanted) {}

  /** A bad item and what is bad about it. */
  private record Member(BadItem item, Finding finding) {}

  /** Items that are bad alike. */
  private static final class Group {
    private final Finding like;
    private final List<Member> members = new ArrayList<>();
    private int count;
    private boolean sameGot = true;
    private boolean sameHints = true;

    Group(Finding like) {
      this.like = like;
    }

    void add(BadItem item, Finding finding) {
      count++;
      sameGot &= finding.got().equals(like.got());
      sameHints &= finding.hints().equals(like.hints());
      if (members.size() < SHOWN) {
        members.add(new Member(item, finding));
      }
    }

    List<Finding> told(String place, String wanted, int size) {
      if (count <= FEW) {
        return members.stream().map(Member::finding).toList();
      }
      String share = String.format(Locale.ROOT, "%,d of %,d items", count, size);
      String got = sameGot
          ? "in " + share + " " + like.got() + ":\n" + each(", ")
          : share + " are not:\n" + each("\n");
      Finding finding = Finding.of(place, wanted, got)
          .atEach(members.stream().map(one -> one.finding.where()).toList());
      return List.of(
          sameHints && !like.hints().isEmpty() ? finding.hint(like.hints().get(0)) : finding);
    }

    private String each(String separator) {
      String told = members.stream()
          .map(one -> one.item.name() + (sameGot ? "" : ": " + one.finding.got()))
          .collect(Collectors.joining(separator));
      return count > SHOWN
          ? String.format(Locale.ROOT, "%s%sand %,d more", told, separator, count - SHOWN)
          : told;
    }
  }
}
