package org.oddlantern.internal.reports.html;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Stream;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.Counts;
import org.oddlantern.internal.reports.Amounts;
import org.oddlantern.internal.reports.PageDetail;
import org.oddlantern.internal.reports.RunData;

/**
 * The suites of a run with their sections, in the order in which they stand in the journal. They are told
 * apart by their classes, since simple names may come twice.
 */
final class SuiteTree {

  private final Map<String, List<CaseRecord>> entries = new LinkedHashMap<>();
  private final Map<String, String> pages = new LinkedHashMap<>();
  private final PageDetail wanted;

  SuiteTree(RunData run, PageDetail wanted) {
    this.wanted = wanted;
    run.bySuite().forEach((type, all) -> entries.put(type, new ArrayList<>(all)));
    for (CaseRecord supplied : run.shared()) {
      entries.computeIfAbsent(type(supplied), key -> new ArrayList<>()).add(supplied);
    }
    entries.values().forEach(all -> all.sort(Comparator.comparingInt(CaseRecord::order)));
    entries.keySet().stream().map(SuiteTree::top).distinct().forEach(this::page);
  }

  private void page(String top) {
    boolean told = wanted == PageDetail.ALL
        || wanted == PageDetail.FAILURES && below(top).stream().anyMatch(one -> !isGreen(one));
    pages.put(top, told ? "suite-" + (pages.size() + 1) + "-" + plain(name(top)) + ".html" : "");
  }

  /** The page that tells a case; empty if none does. */
  String page(CaseRecord one) {
    return wanted == PageDetail.FAILURES && isGreen(one)
        ? ""
        : pages.getOrDefault(top(type(one)), "");
  }

  /** The suites, each with its sections. */
  List<SuiteView> views(Function<CaseRecord, CaseView> view) {
    return pages.keySet().stream().map(type -> view(type, view)).toList();
  }

  private SuiteView view(String type, Function<CaseRecord, CaseView> view) {
    return new SuiteView(
        name(type),
        "suite-" + plain(type),
        pages.getOrDefault(top(type), ""),
        summary(below(type)),
        below(type).stream().allMatch(SuiteTree::isGreen),
        new Views<>(entries.getOrDefault(type, List.of()), view),
        sections(type).map(section -> view(section, view)).toList());
  }

  private Stream<String> sections(String type) {
    return entries.keySet().stream()
        .filter(other -> other.startsWith(type + "$"))
        .map(other -> type + "$" + other.substring(type.length() + 1).replaceAll("\\$.*", ""))
        .distinct();
  }

  /** What stands in a suite and its sections. */
  private List<CaseRecord> below(String type) {
    List<CaseRecord> all = new ArrayList<>();
    entries.forEach((other, own) -> {
      if (other.equals(type) || other.startsWith(type + "$")) {
        all.addAll(own);
      }
    });
    return all;
  }

  /** The simple name, as its cases or those of its sections tell it. */
  private String name(String type) {
    int depth = type.split("\\$", -1).length;
    return below(type).stream()
        .findFirst()
        .map(one -> one.suite().split(" > ", -1))
        .map(parts -> parts[Math.min(depth, parts.length) - 1])
        .orElse(type);
  }

  private static String type(CaseRecord one) {
    return one.id().replaceAll("#.*", "");
  }

  private static String top(String type) {
    return type.replaceAll("\\$.*", "");
  }

  private static String plain(String name) {
    return name.replaceAll("[^A-Za-z0-9]+", "-");
  }

  private static boolean isGreen(CaseRecord one) {
    return one.outcome().isGreen();
  }

  private static String summary(List<CaseRecord> entries) {
    List<CaseRecord> cases = entries.stream().filter(CaseRecord::counts).toList();
    if (cases.isEmpty()) {
      return "what was supplied for all";
    }
    int passed = Counts.of(cases).passed();
    return passed == cases.size()
        ? Amounts.of(passed, "case")
        : passed + " of " + Amounts.of(cases.size(), "case") + " passed";
  }
}
