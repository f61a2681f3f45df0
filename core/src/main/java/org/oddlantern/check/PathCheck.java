package org.oddlantern.check;

import java.util.List;
import org.oddlantern.http.Check;
import org.oddlantern.http.Evidence;
import org.oddlantern.http.internal.NotWhatItClaims;
import org.oddlantern.json.CostlyPath;
import org.oddlantern.json.Finding;
import org.oddlantern.json.JsonPath;
import org.oddlantern.json.Location;
import org.oddlantern.json.NotJson;
import org.oddlantern.json.Shape;
import org.oddlantern.json.Words;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;

/** Asks about what a path of the JSON body leads to. */
record PathCheck(String words, JsonPath path, Shape shape) implements Check {

  @Override
  public List<Finding> examine(Evidence evidence) {
    evidence.lookedAt(path);
    JsonNode root;
    try {
      root = evidence.json();
    } catch (NotJson e) {
      return List.of(NotWhatItClaims.json(evidence, e, "a JSON body"));
    }
    return path.isSingular() ? atOnePlace(root) : atManyPlaces(root);
  }

  @Override
  public String subject() {
    return "at " + path;
  }

  private List<Finding> atOnePlace(JsonNode root) {
    JsonPath.Found found = path.findOne(root);
    List<Finding> findings = shape.examine(found.where(), found.value());
    return findings.isEmpty() || !found.value().isMissingNode() ? findings : List.of(nothing(root));
  }

  private List<Finding> atManyPlaces(JsonNode root) {
    try {
      List<JsonNode> values = path.values(root);
      ArrayNode list = JsonNodeFactory.instance.arrayNode(values.size()).addAll(values);
      List<Finding> findings = shape.examine(Location.gathered(path.toString(), List.of()), list);
      if (findings.isEmpty()) {
        return findings;
      }
      return values.isEmpty()
          ? List.of(withEnd(findings.get(0), root))
          : shape.examine(new Gathered(path, path.find(root)).identified(root), list);
    } catch (CostlyPath e) {
      return List.of(Finding.of(path, shape.words(), "no answer: " + e.getMessage()));
    }
  }

  private Finding nothing(JsonNode root) {
    JsonPath.Dead end = path.end(root);
    return Finding.of(path, Words.cut(shape.words()), "nothing: " + end.stopped())
        .hint(end.hint());
  }

  private Finding withEnd(Finding finding, JsonNode root) {
    JsonPath.Dead end = path.end(root);
    return finding.hint(end.stopped()).hint(end.hint());
  }
}
