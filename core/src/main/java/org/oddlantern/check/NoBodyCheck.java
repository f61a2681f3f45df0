package org.oddlantern.check;

import java.util.List;
import org.oddlantern.evidence.Check;
import org.oddlantern.evidence.Evidence;
import org.oddlantern.json.Finding;

/** Asks for an empty body. */
record NoBodyCheck() implements Check {

  @Override
  public String words() {
    return "noBody()";
  }

  @Override
  public List<Finding> examine(Evidence evidence) {
    return evidence.bytes().length == 0
        ? List.of()
        : List.of(Finding.of("body", "no body at all", evidence.summary()));
  }
}
