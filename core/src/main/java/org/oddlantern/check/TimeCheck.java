package org.oddlantern.check;

import java.time.Duration;
import java.util.List;
import org.oddlantern.evidence.Check;
import org.oddlantern.evidence.Evidence;
import org.oddlantern.http.Reply;
import org.oddlantern.json.Finding;

/** Asks how long a reply took. */
record TimeCheck(Duration limit) implements Check {

  @Override
  public String words() {
    return "answeredWithin(" + Durations.words(limit) + ")";
  }

  @Override
  public List<Finding> examine(Evidence evidence) {
    if (!(evidence instanceof Reply reply)) {
      return List.of(Finding.of("time taken", "a reply", "no reply: this is " + evidence.title()));
    }
    return reply.took().compareTo(limit) <= 0
        ? List.of()
        : List.of(Finding.of(
                "time taken", "at most " + Durations.words(limit), Durations.words(reply.took()))
            .hint(Durations.words(reply.took().minus(limit)) + " too long"));
  }

  @Override
  public String subject() {
    return "time taken";
  }
}
