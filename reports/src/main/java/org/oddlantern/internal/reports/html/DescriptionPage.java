package org.oddlantern.internal.reports.html;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.oddlantern.internal.described.Coverage;
import org.oddlantern.internal.described.Deviation;
import org.oddlantern.internal.described.OperationCoverage;
import org.oddlantern.internal.reports.Amounts;
import org.oddlantern.internal.reports.DescribedRun;
import org.oddlantern.internal.reports.RunData;

/** Lays out descriptions: what is otherwise, and of each operation what was called and came. */
final class DescriptionPage {

  private static final int MOST_CASES = 8;
  private static final int MOST_VALUES = 12;

  private final RunData run;
  private final Function<String, String> address;

  /**
   * A page.
   *
   * @param run the run
   * @param address where a case is told; empty if it is not
   */
  DescriptionPage(RunData run, Function<String, String> address) {
    this.run = run;
    this.address = address;
  }

  DescriptionView view() {
    DescribedRun described = run.described();
    List<DescriptionView.DocumentView> documents =
        described.coverages().stream().map(this::document).toList();
    return new DescriptionView(
        run.started().name(),
        sentence(described),
        described.sentence(),
        described.problems(), // after the documents were laid out, which needs all schemas
        described.deviations().stream().map(this::otherwise).toList(),
        documents);
  }

  private static String sentence(DescribedRun described) {
    int all = described.operations();
    int otherwise = described.deviations().size();
    return String.format(
        Locale.ROOT,
        "The run tried %d of the %d things that the description says can be done, and %s.",
        described.called(),
        all,
        otherwise == 0
            ? "saw nothing that is not as described"
            : "saw " + Amounts.of(otherwise, "thing") + " that " + (otherwise == 1 ? "is" : "are")
                + " not as described");
  }

  private DescriptionView.OtherwiseView otherwise(Coverage.Seen seen) {
    Deviation one = seen.deviation();
    return new DescriptionView.OtherwiseView(
        one.subject().operation(),
        one.finding().where(),
        one.finding().wanted(),
        one.finding().got(),
        one.finding().hints(),
        links(seen.cases()),
        more(seen.cases()),
        one.proposal().isThere() ? one.proposal().place() : "",
        one.proposal().lines());
  }

  private DescriptionView.DocumentView document(Coverage coverage) {
    return new DescriptionView.DocumentView(
        coverage.document().title(),
        coverage.document().name(),
        coverage.called() + " of " + coverage.operations().size() + " called, " + coverage.perCent()
            + " %",
        coverage.operations().stream().map(this::operation).toList());
  }

  private DescriptionView.OperationView operation(OperationCoverage one) {
    return new DescriptionView.OperationView(
        one.operation().line(),
        one.operation().about().summary(),
        one.isCalled()
            ? Amounts.of(one.calls(), "call") + ", " + Amounts.of(one.cases().size(), "case")
            : "never called",
        one.isCalled(),
        one.operation().about().deprecated(),
        came(one),
        never(one),
        parts(one),
        links(one.cases()),
        more(one.cases()));
  }

  private static String came(OperationCoverage one) {
    return one.statuses().stream()
        .filter(OperationCoverage.Status::seen)
        .map(status -> status.written() + (status.described() ? "" : " (not described)"))
        .collect(Collectors.joining(", "));
  }

  private static String never(OperationCoverage one) {
    return one.statuses().stream()
        .filter(status -> !status.seen())
        .map(OperationCoverage.Status::written)
        .collect(Collectors.joining(", "));
  }

  private static List<DescriptionView.PartView> parts(OperationCoverage one) {
    List<DescriptionView.PartView> parts = new ArrayList<>();
    if (!one.isCalled()) {
      return parts;
    }
    one.parameters()
        .forEach(part ->
            parts.add(part(part.words(), part.seen(), part.seen() ? "used" : "never used")));
    one.types()
        .forEach(part ->
            parts.add(part(part.words(), part.seen(), part.seen() ? "seen" : "never seen")));
    for (Map.Entry<String, List<OperationCoverage.Place>> answer : one.places().entrySet()) {
      boolean came = one.statuses().stream()
          .anyMatch(status -> status.written().equals(answer.getKey()) && status.seen());
      if (came) {
        answer.getValue().forEach(place -> add(answer.getKey(), place, parts));
      }
    }
    return parts;
  }

  private static void add(
      String status, OperationCoverage.Place place, List<DescriptionView.PartView> parts) {
    String words = status + " " + place.path();
    if (!place.seen()) {
      parts.add(part(words, false, "never seen"));
    } else if (!place.unseen().isEmpty()) {
      List<String> unseen = place.unseen();
      String values = unseen.stream().limit(MOST_VALUES).collect(Collectors.joining(", "))
          + (unseen.size() > MOST_VALUES ? " and " + (unseen.size() - MOST_VALUES) + " more" : "");
      parts.add(part(words, false, "seen, but never as " + values));
    } else {
      parts.add(part(words, true, "seen"));
    }
  }

  private static DescriptionView.PartView part(String words, boolean seen, String how) {
    return new DescriptionView.PartView(words, seen, how);
  }

  private List<BlindSpotsView.CaseLink> links(List<String> cases) {
    return cases.stream()
        .limit(MOST_CASES)
        .map(id -> new BlindSpotsView.CaseLink(run.titleOf(id), address.apply(id)))
        .toList();
  }

  private static String more(List<String> cases) {
    int more = cases.size() - MOST_CASES;
    return more > 0 ? "and " + Amounts.of(more, "more case") : "";
  }
}
