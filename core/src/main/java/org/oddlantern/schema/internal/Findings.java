package org.oddlantern.schema.internal;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.BiConsumer;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;
import org.oddlantern.json.internal.FindingsUpToCap;

/** What does not hold, as the findings people read. */
final class Findings {

  private static final int MOST_MISFITS = 1_000;

  private Findings() {}

  static List<Finding> of(Location where, List<Violation> violations) {
    FindingsUpToCap findings = new FindingsUpToCap();
    each(
        violations,
        List.of(),
        (violation, reasons) -> findings.add(() -> finding(violation, reasons)));
    return findings.all(where);
  }

  /** The same as data. */
  static List<Misfit> misfits(Location where, List<Violation> violations) {
    List<Misfit> misfits = new ArrayList<>();
    each(violations, List.of(), (violation, reasons) -> {
      if (misfits.size() >= MOST_MISFITS) {
        return;
      }
      Spot spot = violation.spot();
      Site site = spot.subschema().site();
      misfits.add(new Misfit(
          finding(violation, reasons),
          violation.keyword().name(),
          new Misfit.Target(site.document().name(), site.pointer()),
          spot.inside().pointer(),
          spot.value()));
    });
    return misfits;
  }

  /** The first violation that people would read of. */
  static Optional<Violation> first(List<Violation> violations) {
    if (violations.isEmpty()) {
      return Optional.empty();
    }
    Violation first = violations.get(0);
    if (first.inside().isEmpty()) {
      return Optional.of(first);
    }
    if (!(first.keyword() instanceof Choices.Branches)) {
      return first(first.inside());
    }
    int nearest = Nearest.of(first);
    return nearest < 0 ? Optional.of(first) : first(first.inside().get(nearest).inside());
  }

  private static void each(
      List<Violation> violations,
      List<String> reasons,
      BiConsumer<Violation, List<String>> findings) {
    for (Violation violation : violations) {
      if (violation.inside().isEmpty()) {
        findings.accept(violation, reasons);
      } else if (violation.keyword() instanceof Choices.Branches choice) {
        nearest(violation, choice, reasons, findings);
      } else {
        each(violation.inside(), reasons(violation, reasons), findings);
      }
    }
  }

  /** Of a choice, the form that comes closest is explained, and that there are others. */
  private static void nearest(
      Violation violation,
      Choices.Branches choice,
      List<String> reasons,
      BiConsumer<Violation, List<String>> findings) {
    List<Violation> branches = violation.inside();
    int meant = choice.meant(violation.spot().value());
    int nearest = meant < 0 ? Nearest.of(violation) : meant;
    if (nearest < 0) {
      findings.accept(violation, reasons);
      return;
    }
    Violation branch = branches.get(nearest);
    String form = "form " + Names.of(branch.spot().subschema(), nearest);
    List<String> more = new ArrayList<>(reasons);
    if (choice.count() > 1 && meant < 0) {
      more.add(String.format(
          Locale.ROOT,
          "none of the %d forms of %s fits; %s comes closest",
          choice.count(),
          violation.place(),
          form));
    }
    each(branch.inside(), more, findings);
  }

  private static List<String> reasons(Violation violation, List<String> reasons) {
    String reason = violation.keyword() instanceof Choices.Consequence consequence
        ? consequence.reason()
        : violation.keyword() instanceof Members.Names ? "it is the name that does not fit" : "";
    if (reason.isEmpty()) {
      return reasons;
    }
    List<String> more = new ArrayList<>(reasons);
    more.add(reason);
    return more;
  }

  private static Finding finding(Violation violation, List<String> reasons) {
    Keyword keyword = violation.keyword();
    Spot spot = violation.spot();
    return new Finding(
        spot.where().toString(),
        spot.where().item(),
        keyword.asks(spot.subschema().site()),
        keyword.got(spot.value()),
        hints(keyword.hint(spot.value()), reasons),
        List.of(),
        false);
  }

  private static List<String> hints(String own, List<String> reasons) {
    if (own.isEmpty() || reasons.isEmpty()) {
      return own.isEmpty() ? reasons : List.of(own);
    }
    List<String> hints = new ArrayList<>(1 + reasons.size());
    hints.add(own);
    hints.addAll(reasons);
    return hints;
  }
}
