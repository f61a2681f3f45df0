package org.oddlantern.check;

import java.util.ArrayList;
import java.util.List;
import org.oddlantern.evidence.Check;
import org.oddlantern.evidence.Evidence;
import org.oddlantern.evidence.internal.MappedCheck;
import org.oddlantern.evidence.internal.NotWhatItClaims;
import org.oddlantern.json.CostlyPath;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;
import org.oddlantern.json.NotJson;
import org.oddlantern.json.internal.FoundNode;
import org.oddlantern.json.internal.GatheredValues;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.NodeShape;
import org.oddlantern.json.internal.Trees;
import org.oddlantern.json.internal.Words;
import org.oddlantern.json.internal.path.DeadEnd;
import org.oddlantern.json.internal.path.TreePath;
import org.oddlantern.schema.Schema;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.ObjectNode;

/** Asks about what a path of the JSON body leads to. */
record PathCheck(String words, TreePath path, NodeShape shape) implements MappedCheck {

  private static final String ERRORS = "$.errors";

  @Override
  public Check by(JsonMapping mapping) {
    return mapping.isStandard() ? this : new PathCheck(words, path, shape.by(mapping));
  }

  @Override
  public String words(Evidence evidence) {
    String without = path.isSingular() ? "" : without(evidence);
    return without.isEmpty() ? words : words + " (" + without + ")";
  }

  private String without(Evidence evidence) {
    try {
      return path.without(Trees.of(evidence.json()));
    } catch (NotJson | CostlyPath e) {
      return ""; // which is told by the finding
    }
  }

  @Override
  public List<Finding> examine(Evidence evidence) {
    evidence.lookedAt(path.toString());
    JsonNode root;
    try {
      root = Trees.of(evidence.json());
    } catch (NotJson e) {
      return List.of(NotWhatItClaims.json(evidence, e, "a JSON body"));
    }
    return path.isSingular() ? atOnePlace(evidence, root) : atManyPlaces(root);
  }

  @Override
  public String subject() {
    return "at " + path + aspect();
  }

  /** How many there are, what each is and what a schema says are questions of their own. */
  private String aspect() {
    if (shape instanceof EachItem) {
      return ", each";
    }
    return shape instanceof SizeShape ? ", size" : isSchema() ? ", schema" : "";
  }

  private boolean isSchema() {
    return shape instanceof NodeShape.Others others && others.shape() instanceof Schema;
  }

  private List<Finding> atOnePlace(Evidence evidence, JsonNode root) {
    FoundNode found = path.findOne(root);
    List<Finding> findings = shape.examine(found.where(), found.value());
    if (findings.isEmpty() && path.toString().equals("$") && minds(root)) {
      evidence.lookedAt(ERRORS);
    }
    return findings.isEmpty() || !found.value().isMissingNode() ? findings : List.of(nothing(root));
  }

  /** Whether it would not hold without the errors that GraphQL reports: then it looked at them. */
  private boolean minds(JsonNode root) {
    if (!(root instanceof ObjectNode object) || !object.has("errors")) {
      return false;
    }
    ObjectNode without = object.objectNode();
    without.setAll(object);
    without.remove("errors");
    return !shape.examine(Location.ROOT, without).isEmpty();
  }

  private List<Finding> atManyPlaces(JsonNode root) {
    try {
      List<JsonNode> values = path.values(root);
      GatheredValues list = new GatheredValues(values);
      List<Finding> findings = shape.examine(Location.gathered(path.toString(), List.of()), list);
      if (findings.isEmpty()) {
        return findings;
      }
      return values.isEmpty()
          ? List.of(withEnd(findings.get(0), root))
          : withHint(
              shape.examine(new FoundValues(path, path.find(root)).identified(root), list),
              path.without(root));
    } catch (CostlyPath e) {
      return List.of(Finding.of(path, shape.words(), "no answer: " + e.getMessage()));
    }
  }

  private static List<Finding> withHint(List<Finding> findings, String hint) {
    List<Finding> hinted = new ArrayList<>(findings);
    hinted.set(0, findings.get(0).hint(hint));
    return hinted;
  }

  private Finding nothing(JsonNode root) {
    DeadEnd end = path.end(root);
    return Finding.nothing(path, Words.cut(shape.words()), end.stopped()).hint(end.hint());
  }

  private Finding withEnd(Finding finding, JsonNode root) {
    DeadEnd end = path.end(root);
    return finding.hint(end.stopped()).hint(end.hint());
  }
}
