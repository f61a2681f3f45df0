package org.oddlantern.xml;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.oddlantern.json.internal.NearestMatch;
import org.oddlantern.json.internal.Words;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/** Says how far a path of plain steps leads, and what is where it ends. */
final class DeadXPath {

  private DeadXPath() {}

  static String of(Document document, Map<String, String> namespaces, String expression) {
    Element root = document.getDocumentElement();
    String here = "the root element is <" + root.getNodeName() + ">";
    if (expression.startsWith("/") && !expression.startsWith("//")) {
      here = walked(document, namespaces, expression.substring(1).split("/", -1), here);
    }
    String unnamed = root.lookupNamespaceURI(null);
    boolean unprefixed = unnamed != null && !expression.contains(":");
    return unprefixed
        ? here + "; it is in the namespace " + unnamed
            + ", so the steps need a prefix that stands for it"
        : here;
  }

  private static String walked(
      Document document, Map<String, String> namespaces, String[] steps, String otherwise) {
    String path = "";
    String reached = otherwise;
    for (String step : steps) {
      path += "/" + step;
      Optional<Node> node;
      try {
        node = XPathAnswer.first(document, namespaces, path);
      } catch (BadXPath e) {
        return reached; // a slash inside a predicate; the steps cannot be told apart this way
      }
      if (node.isEmpty()) {
        return reached;
      }
      reached = standing(node.get(), steps, path);
    }
    return reached;
  }

  private static String standing(Node node, String[] steps, String path) {
    Set<String> names = new LinkedHashSet<>();
    if (node instanceof Element element) {
      Nodes.children(element).forEach(child -> names.add(child.getNodeName()));
      Nodes.attributes(element).forEach(attribute -> names.add("@" + attribute.getName()));
    }
    int next = path.split("/", -1).length - 1;
    String wanted = next < steps.length ? steps[next].replaceAll("\\[.*", "") : "";
    String near = NearestMatch.hint(wanted, names);
    return "the path ends at " + NodePath.of(node) + ", which has "
        + (names.isEmpty() ? "no elements and no attributes" : Words.names(new ArrayList<>(names)))
        + (near.isEmpty() ? "" : "; " + near);
  }
}
