package org.oddlantern.xml;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javax.xml.XMLConstants;
import javax.xml.xpath.XPath;
import javax.xml.xpath.XPathEvaluationResult;
import javax.xml.xpath.XPathExpressionException;
import javax.xml.xpath.XPathFactory;
import javax.xml.xpath.XPathFactoryConfigurationException;
import javax.xml.xpath.XPathNodes;
import org.oddlantern.json.internal.UntypedText;
import org.oddlantern.json.internal.UntypedTexts;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.BooleanNode;
import org.oddlantern.shaded.tools.jackson.databind.node.DecimalNode;
import org.oddlantern.shaded.tools.jackson.databind.node.MissingNode;
import org.oddlantern.shaded.tools.jackson.databind.node.StringNode;
import org.w3c.dom.Document;
import org.w3c.dom.Node;

/**
 * What an expression gives for a document.
 *
 * @param value the value as JSON would write it
 * @param places the places of the nodes it selects
 */
record XPathAnswer(JsonNode value, List<String> places) {

  static XPathAnswer of(Document document, Map<String, String> namespaces, String expression) {
    return of(evaluated(document, namespaces, expression));
  }

  /** The first node that an expression selects. */
  static Optional<Node> first(
      Document document, Map<String, String> namespaces, String expression) {
    Object value = evaluated(document, namespaces, expression).value();
    return value instanceof XPathNodes nodes && nodes.iterator().hasNext()
        ? Optional.of(nodes.iterator().next())
        : Optional.empty();
  }

  private static XPathEvaluationResult<?> evaluated(
      Document document, Map<String, String> namespaces, String expression) {
    try {
      XPath xpath = factory().newXPath();
      xpath.setNamespaceContext(new Prefixes(document.getDocumentElement(), namespaces));
      return xpath.evaluateExpression(expression, document);
    } catch (XPathExpressionException e) {
      throw new BadXPath("the XPath " + expression + " cannot be evaluated: " + reason(e));
    }
  }

  private static XPathFactory factory() {
    try {
      XPathFactory factory = XPathFactory.newDefaultInstance();
      factory.setFeature(XMLConstants.FEATURE_SECURE_PROCESSING, true);
      return factory;
    } catch (XPathFactoryConfigurationException e) {
      throw new IllegalStateException("this JDK has no safe XPath: " + e.getMessage(), e);
    }
  }

  private static String reason(Throwable e) {
    Throwable cause = e;
    while (cause.getMessage() == null && cause.getCause() != null) {
      cause = cause.getCause();
    }
    String message = String.valueOf(cause.getMessage()).replaceFirst("^[\\w.]+Exception: ", "");
    return message.contains("Prefix must resolve to a namespace")
        ? message + "; give the prefix its namespace"
        : message;
  }

  private static XPathAnswer of(XPathEvaluationResult<?> result) {
    Object value = result.value();
    if (value instanceof XPathNodes nodes) {
      return of(nodes);
    }
    if (value instanceof Boolean truth) {
      return new XPathAnswer(BooleanNode.valueOf(truth), List.of());
    }
    if (value instanceof Number number) {
      double amount = number.doubleValue();
      return new XPathAnswer(
          Double.isNaN(amount) || Double.isInfinite(amount)
              ? StringNode.valueOf(String.valueOf(number))
              : DecimalNode.valueOf(new BigDecimal(number.toString())),
          List.of());
    }
    return new XPathAnswer(UntypedText.of(String.valueOf(value)), List.of());
  }

  private static XPathAnswer of(XPathNodes nodes) {
    List<String> places = new ArrayList<>();
    List<String> texts = new ArrayList<>();
    for (Node node : nodes) {
      places.add(NodePath.of(node));
      texts.add(node.getTextContent());
    }
    JsonNode value = switch (texts.size()) {
      case 0 -> MissingNode.getInstance();
      case 1 -> UntypedText.ofOnlyOne(texts.get(0));
      default -> UntypedTexts.of(texts);
    };
    return new XPathAnswer(value, List.copyOf(places));
  }
}
