package org.oddlantern.check;

import java.util.List;
import java.util.Map;
import org.oddlantern.evidence.Check;
import org.oddlantern.evidence.Evidence;
import org.oddlantern.evidence.internal.NotWhatItClaims;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;
import org.oddlantern.json.internal.NodeShape;
import org.oddlantern.json.internal.Trees;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.MissingNode;
import org.oddlantern.xml.NotXml;
import org.oddlantern.xml.Xml;

/** Asks about what an XPath selects in an XML body. */
record XPathCheck(String words, String expression, Map<String, String> namespaces, NodeShape shape)
    implements Check {

  @Override
  public List<Finding> examine(Evidence evidence) {
    Xml document;
    try {
      document = evidence.xml();
    } catch (NotXml e) {
      return List.of(NotWhatItClaims.xml(evidence, e, "an XML body"));
    }
    for (Map.Entry<String, String> namespace : namespaces.entrySet()) {
      document = document.withNamespace(namespace.getKey(), namespace.getValue());
    }
    return examine(document);
  }

  @Override
  public String subject() {
    return "xpath " + expression;
  }

  private List<Finding> examine(Xml document) {
    JsonNode value = document.valueAt(expression).map(Trees::of).orElse(MissingNode.getInstance());
    List<Location> places = document.placesAt(expression).stream()
        .map(place -> Location.gathered(place, List.of()))
        .toList();
    Location where = places.size() == 1 ? places.get(0) : Location.gathered(expression, places);
    List<Finding> findings = shape.examine(where, value);
    String overlooked =
        value.isMissingNode() && findings.isEmpty() ? document.overlooked(expression) : "";
    if (!overlooked.isEmpty()) {
      return List.of(Finding.of(expression, shape.words(), "no answer: " + overlooked));
    }
    return value.isMissingNode() && !findings.isEmpty()
        ? List.of(Finding.nothing(expression, shape.words(), document.end(expression)))
        : findings;
  }
}
