package org.oddlantern.schema.internal;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;
import org.oddlantern.json.internal.FindingsUpToCap;

/** What does not hold, as the findings people read. */
final class Findings {

  private Findings() {}

  static List<Finding> of(Location where, List<Violation> violations) {
    FindingsUpToCap findings = new FindingsUpToCap();
    add(violations, List.of(), findings);
    return findings.all(where);
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

  private static void add(
      List<Violation> violations, List<String> reasons, FindingsUpToCap findings) {
    for (Violation violation : violations) {
      if (violation.inside().isEmpty()) {
        findings.add(() -> finding(violation, reasons));
      } else if (violation.keyword() instanceof Choices.Branches choice) {
        add(violation, choice, reasons, findings);
      } else {
        add(violation.inside(), reasons(violation, reasons), findings);
      }
    }
  }

  /** Of a choice, the form that comes closest is explained, and that there are others. */
  private static void add(
      Violation violation,
      Choices.Branches choice,
      List<String> reasons,
      FindingsUpToCap findings) {
    List<Violation> branches = violation.inside();
    int nearest = Nearest.of(violation);
    if (nearest < 0) {
      findings.add(() -> finding(violation, reasons));
      return;
    }
    Violation branch = branches.get(nearest);
    String form = "form " + Names.of(branch.spot().subschema(), nearest);
    List<String> more = new ArrayList<>(reasons);
    if (choice.count() > 1) {
      more.add(String.format(
          Locale.ROOT,
          "none of the %d forms of %s fits; %s comes closest",
          choice.count(),
          violation.place(),
          form));
    }
    add(branch.inside(), more, findings);
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
    Finding finding = Finding.of(
            spot.where(),
            keyword.wanted(spot.value()) + ", says " + violation.place(),
            keyword.got(spot.value()))
        .hint(keyword.hint(spot.value()));
    for (String reason : reasons) {
      finding = finding.hint(reason);
    }
    return finding;
  }
}
