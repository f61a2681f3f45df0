package org.oddlantern.check;

import java.util.List;
import org.oddlantern.evidence.Check;
import org.oddlantern.evidence.Evidence;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;
import org.oddlantern.json.internal.NodeShape;
import org.oddlantern.shaded.tools.jackson.databind.node.StringNode;

/** Asks about a body as the text that it is. */
record TextCheck(String words, NodeShape shape) implements Check {

  @Override
  public List<Finding> examine(Evidence evidence) {
    return shape.examine(Location.ROOT, StringNode.valueOf(evidence.text())).stream()
        .map(one -> one.at("body"))
        .toList();
  }

  @Override
  public String subject() {
    return "text";
  }
}
