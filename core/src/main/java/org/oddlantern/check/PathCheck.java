package org.oddlantern.check;

import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
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

  private static final Pattern ITEM = Pattern.compile("\\$\\[(\\d{1,9})]");

  @Override
  public List<Finding> examine(Evidence evidence) {
    evidence.lookedAt(path);
    JsonNode root;
    try {
      root = evidence.json();
    } catch (NotJson e) {
      return List.of(notJson(evidence, e));
    }
    if (path.isSingular()) {
      return atOnePlace(root);
    }
    List<JsonPath.Found> found = path.find(root);
    ArrayNode list = JsonNodeFactory.instance.arrayNode();
    found.forEach(one -> list.add(one.value()));
    return shape.examine(Location.ROOT, list).stream()
        .map(finding -> placed(finding, found))
        .toList();
  }

  @Override
  public String subject() {
    return "at " + path;
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

  /** A place in the list of what was found, told as the place in the body. */
  private Finding placed(Finding finding, List<JsonPath.Found> found) {
    Matcher item = ITEM.matcher(finding.where());
    String where = path.toString();
    if (item.lookingAt() && Integer.parseInt(item.group(1)) < found.size()) {
      where = found.get(Integer.parseInt(item.group(1))).where()
          + finding.where().substring(item.end());
    }
    return new Finding(where, finding.item(), finding.wanted(), finding.got(), finding.hints());
  }

  private static Finding notJson(Evidence evidence, NotJson e) {
    String place = e.line() == 0 ? "" : " at line " + e.line() + ", column " + e.column();
    return Finding.of("body", "a JSON body", evidence.summary())
        .hint(
            evidence.bytes().length == 0 ? "" : "reading stopped" + place + ": " + e.getMessage());
  }
}
