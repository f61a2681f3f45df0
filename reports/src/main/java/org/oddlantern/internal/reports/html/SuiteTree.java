package org.oddlantern.internal.reports.html;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
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
  private final Map<String, List<PagePart>> pages = new LinkedHashMap<>();
  private final Map<String, String> pageOf = new HashMap<>();
  private final Map<String, Whole> wholes = new HashMap<>();
  private final PageDetail wanted;

  SuiteTree(RunData run, PageDetail wanted) {
    this.wanted = wanted;
    run.bySuite().forEach((type, all) -> entries.put(type, new ArrayList<>(all)));
    for (CaseRecord supplied : run.shared()) {
      entries.computeIfAbsent(supplied.type(), key -> new ArrayList<>()).add(supplied);
    }
    entries.values().forEach(all -> all.sort(Comparator.comparingInt(CaseRecord::order)));
    entries.keySet().stream().map(SuiteTree::top).distinct().forEach(top -> share(top, run));
  }

  /** Deals the cases of a suite to as many pages as they need. */
  private void share(String top, RunData run) {
    List<CaseRecord> told = new ArrayList<>();
    gather(top, told);
    told.removeIf(
        one -> wanted == PageDetail.COUNTS || wanted == PageDetail.FAILURES && isGreen(one));
    String name = "suite-" + (pages.size() + 1) + "-" + plain(name(top));
    List<PagePart> parts = PagePart.of(told, run::share, name);
    pages.put(top, parts);
    parts.forEach(part -> part.cases().forEach(one -> pageOf.put(key(one), part.file())));
  }

  /** In the order in which they stand on pages. */
  private void gather(String type, List<CaseRecord> all) {
    all.addAll(entries.getOrDefault(type, List.of()));
    sections(type).forEach(section -> gather(section, all));
  }

  /** The page that tells a case; empty if none does. */
  String page(CaseRecord one) {
    return pageOf.getOrDefault(key(one), "");
  }

  private static String key(CaseRecord one) {
    return one.kind() + " " + one.id() + " " + one.order();
  }

  /** The suites, each with its sections; maybe only what is wrong in them. */
  List<SuiteView> views(Function<CaseRecord, CaseView> view, boolean onlyBroken) {
    Map<String, List<CaseRecord>> listed = new HashMap<>();
    entries.forEach((type, all) -> listed.put(
        type, all.stream().filter(one -> !onlyBroken || !isGreen(one)).toList()));
    return pages.keySet().stream().map(type -> view(type, view, listed)).toList();
  }

  /** The pages, each with what it tells. */
  List<SuitePage> pages(Function<CaseRecord, CaseView> view) {
    List<SuitePage> all = new ArrayList<>();
    pages.forEach((type, parts) -> {
      for (PagePart part : parts) {
        Map<String, List<CaseRecord>> told =
            part.cases().stream().collect(Collectors.groupingBy(CaseRecord::type));
        all.add(new SuitePage(part.file(), view(type, view, told), part.number(), parts));
      }
    });
    return all;
  }

  private SuiteView view(
      String type, Function<CaseRecord, CaseView> view, Map<String, List<CaseRecord>> told) {
    List<PagePart> parts = pages.getOrDefault(type, List.of());
    Whole whole = wholes.computeIfAbsent(type, this::whole);
    return new SuiteView(
        whole.name,
        "suite-" + plain(type),
        parts.isEmpty() ? "" : parts.get(0).file(),
        whole.summary,
        whole.passed,
        new Views<>(told.getOrDefault(type, List.of()), view),
        whole.sections.stream()
            .filter(section -> told.keySet().stream().anyMatch(other -> isBelow(other, section)))
            .map(section -> view(section, view, told))
            .toList(),
        parts);
  }

  private Whole whole(String type) {
    List<CaseRecord> below = below(type);
    return new Whole(
        name(type),
        summary(below),
        below.stream().allMatch(SuiteTree::isGreen),
        sections(type).toList());
  }

  /** What is the same on each page of a suite or section. */
  private record Whole(String name, String summary, boolean passed, List<String> sections) {}

  private static boolean isBelow(String type, String above) {
    return type.equals(above) || type.startsWith(above + "$");
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
      if (isBelow(other, type)) {
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

  private static String top(String type) {
    int end = type.indexOf('$');
    return end < 0 ? type : type.substring(0, end);
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
        : Counts.grouped(passed) + " of " + Amounts.of(cases.size(), "case") + " passed";
  }
}
