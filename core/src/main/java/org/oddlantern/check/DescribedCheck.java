package org.oddlantern.check;

import java.util.List;
import org.oddlantern.evidence.Check;
import org.oddlantern.evidence.Evidence;
import org.oddlantern.http.Reply;
import org.oddlantern.json.Finding;

/** Asks whether a call and its reply are as the description of the service says. */
record DescribedCheck() implements Check {

  @Override
  public String words() {
    return "asDescribed()";
  }

  @Override
  public List<Finding> examine(Evidence evidence) {
    return evidence instanceof Reply reply
        ? reply.notAsDescribed()
        : List.of(Finding.of("evidence", "a reply of a service", evidence.title()));
  }
}
