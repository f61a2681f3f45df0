package org.oddlantern.check;

import java.util.List;
import org.oddlantern.evidence.Check;
import org.oddlantern.evidence.Evidence;
import org.oddlantern.http.Reply;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;
import org.oddlantern.json.internal.NodeShape;
import org.oddlantern.shaded.tools.jackson.databind.node.IntNode;

/** Asks about the status; the reply then counts as looked at. */
record StatusCheck(String words, String wanted, NodeShape shape) implements Check {

  @Override
  public List<Finding> examine(Evidence evidence) {
    if (!(evidence instanceof Reply reply)) {
      return List.of(Finding.of("status", wanted, "no status: this is " + evidence.title()));
    }
    boolean holds =
        shape.examine(Location.ROOT, IntNode.valueOf(reply.status())).isEmpty();
    return holds ? List.of() : List.of(Finding.of("status", wanted, evidence.summary()));
  }

  @Override
  public String subject() {
    return "status";
  }
}
