package org.oddlantern.check;

import java.util.List;
import org.oddlantern.http.Check;
import org.oddlantern.http.Evidence;
import org.oddlantern.json.Finding;
import org.oddlantern.json.JsonPath;
import org.oddlantern.json.Location;
import org.oddlantern.json.NotJson;
import org.oddlantern.json.Shape;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;

/** Asks about what a path of the JSON body leads to. */
record PathCheck(String words, JsonPath path, Shape shape) implements Check {

  @Override
  public List<Finding> examine(Evidence evidence) {
    JsonNode root;
    try {
      root = evidence.json();
    } catch (NotJson e) {
      return List.of(notJson(evidence, e));
    }
    if (path.isSingular()) {
      return atOnePlace(root);
    }
    ArrayNode found = JsonNodeFactory.instance.arrayNode();
    path.find(root).forEach(one -> found.add(one.value()));
    return shape.examine(Location.ROOT, found).stream().map(this::among).toList();
  }

  private List<Finding> atOnePlace(JsonNode root) {
    JsonPath.Found found = path.findOne(root);
    List<Finding> findings = shape.examine(found.where(), found.value());
    if (findings.isEmpty() || !found.value().isMissingNode()) {
      return findings;
    }
    JsonPath.Dead end = path.end(root);
    return List.of(Finding.of(path, shape.words(), "nothing: " + end.stopped()).hint(end.hint()));
  }

  /** The place in a list of what was found, told by the path that found it. */
  private Finding among(Finding finding) {
    String place =
        finding.where().equals("$") ? path.toString() : path + ", found as " + finding.where();
    return new Finding(place, finding.wanted(), finding.got(), finding.hints());
  }

  private static Finding notJson(Evidence evidence, NotJson e) {
    String place = e.line() == 0 ? "" : " at line " + e.line() + ", column " + e.column();
    return Finding.of("body", "a JSON body", evidence.summary())
        .hint(
            evidence.bytes().length == 0 ? "" : "reading stopped" + place + ": " + e.getMessage());
  }
}
