package org.oddlantern.check;

import java.util.List;
import java.util.function.Predicate;
import org.oddlantern.evidence.Check;
import org.oddlantern.evidence.Evidence;
import org.oddlantern.json.Finding;

/** A condition in the words of whoever wrote it. */
record Holds(String words, Predicate<Evidence> condition) implements Check {

  @Override
  public List<Finding> examine(Evidence evidence) {
    return condition.test(evidence)
        ? List.of()
        : List.of(Finding.of(
            evidence instanceof ItemEvidence ? "$" : "the whole",
            words,
            "it does not hold: " + evidence.summary()));
  }
}
