package org.oddlantern.check;

import java.util.List;
import org.oddlantern.json.Finding;
import org.oddlantern.json.internal.FoundNode;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.NodeShape;
import org.oddlantern.json.internal.path.TreePath;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** A place of a reply that may be another than the agreed one, as far as a shape allows. */
record OpenPlace(TreePath path, NodeShape shape) {

  OpenPlace by(JsonMapping mapping) {
    return new OpenPlace(path, shape.by(mapping));
  }

  String words() {
    return ".but(\"" + path + "\", " + shape.words() + ")";
  }

  /** A path to many places asks each of them; one that leads nowhere asks whether nothing may be there. */
  List<Finding> findings(JsonNode root) {
    List<FoundNode> found = path.isSingular() ? List.of(path.findOne(root)) : path.find(root);
    return found.stream()
        .flatMap(one -> shape.examine(one.where(), one.value()).stream())
        .toList();
  }
}
