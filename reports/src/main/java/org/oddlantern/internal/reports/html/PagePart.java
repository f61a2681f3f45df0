package org.oddlantern.internal.reports.html;

import java.util.ArrayList;
import java.util.List;
import java.util.function.ToLongFunction;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.Counts;

/**
 * One of the pages of a suite, which has several if one would be too long for a browser.
 *
 * @param file its name
 * @param number which one it is, from 1
 * @param first the number of its first case in the suite, from 1
 * @param cases what it tells
 * @param words which cases these are: {@code 401 to 800}
 * @param isBroken whether something is wrong with one of them
 */
public record PagePart(
    String file, int number, int first, List<CaseRecord> cases, String words, boolean isBroken) {

  private static final int MOST_CASES = 400;
  private static final long MOST_OCTETS = 2_500_000;

  /** Keeps its own list. */
  public PagePart {
    cases = List.copyOf(cases);
  }

  /** Deals cases to pages, in their order. */
  static List<PagePart> of(List<CaseRecord> cases, ToLongFunction<CaseRecord> share, String name) {
    List<PagePart> parts = new ArrayList<>();
    List<CaseRecord> own = new ArrayList<>();
    long octets = 0;
    for (CaseRecord one : cases) {
      long more = share.applyAsLong(one);
      if (!own.isEmpty() && (own.size() == MOST_CASES || octets + more > MOST_OCTETS)) {
        parts.add(part(parts, own, name));
        own.clear();
        octets = 0;
      }
      own.add(one);
      octets += more;
    }
    if (!own.isEmpty()) {
      parts.add(part(parts, own, name));
    }
    return parts;
  }

  private static PagePart part(List<PagePart> before, List<CaseRecord> own, String name) {
    int number = before.size() + 1;
    int first = before.isEmpty() ? 1 : before.get(number - 2).last() + 1;
    int last = first + own.size() - 1;
    return new PagePart(
        name + (number == 1 ? "" : "-" + number) + ".html",
        number,
        first,
        own,
        first == last
            ? Counts.grouped(first)
            : Counts.grouped(first) + " to " + Counts.grouped(last),
        own.stream().anyMatch(one -> !one.outcome().isGreen()));
  }

  /** The number of its last case. */
  public int last() {
    return first + cases.size() - 1;
  }
}
