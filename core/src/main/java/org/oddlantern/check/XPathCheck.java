package org.oddlantern.check;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.oddlantern.http.Check;
import org.oddlantern.http.Evidence;
import org.oddlantern.http.internal.NotWhatItClaims;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;
import org.oddlantern.json.Shape;
import org.oddlantern.json.TextReadings;
import org.oddlantern.xml.NotXml;
import org.oddlantern.xml.Xml;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;

/** Asks about what an XPath selects in an XML body. */
record XPathCheck(String words, String expression, Map<String, String> namespaces, Shape shape)
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
    JsonNode value = document.valueAt(expression);
    List<Location> places = document.placesAt(expression).stream()
        .map(place -> Location.gathered(place, List.of()))
        .toList();
    Location where = places.size() == 1 ? places.get(0) : Location.gathered(expression, places);
    List<Finding> first = List.of();
    for (JsonNode reading : readings(value)) {
      List<Finding> findings = shape.examine(where, reading);
      if (findings.isEmpty()) {
        return List.of();
      }
      first = first.isEmpty() ? findings : first;
    }
    return value.isMissingNode()
        ? List.of(Finding.of(expression, shape.words(), "nothing: " + document.end(expression)))
        : first;
  }

  /** As text, as number, and one node as the list that it might have been. */
  private static List<JsonNode> readings(JsonNode value) {
    if (!value.isString()) {
      return value.isArray() ? List.of(value, numbers(value)) : List.of(value);
    }
    List<JsonNode> readings = new ArrayList<>(TextReadings.of(value.stringValue()));
    ArrayNode list = JsonNodeFactory.instance.arrayNode().add(value);
    readings.add(list);
    readings.add(numbers(list));
    return readings;
  }

  private static JsonNode numbers(JsonNode texts) {
    ArrayNode numbers = JsonNodeFactory.instance.arrayNode();
    for (JsonNode text : texts) {
      List<JsonNode> readings = TextReadings.of(text.stringValue());
      numbers.add(readings.get(readings.size() - 1));
    }
    return numbers;
  }
}
