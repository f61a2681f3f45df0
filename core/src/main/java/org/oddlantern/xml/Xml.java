package org.oddlantern.xml;

import java.io.ByteArrayInputStream;
import java.io.StringReader;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.oddlantern.internal.Needed;
import org.oddlantern.internal.Resources;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Json;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.w3c.dom.Document;
import org.xml.sax.InputSource;

/**
 * An XML document (XML 1.0 with namespaces), read without external entities and without document type
 * declarations. Reading from it never changes it; not for use from several threads at once.
 *
 * <pre>{@code
 * Xml export = reply.xml().withNamespace("f", "https://fennel-hill.example/export");
 * String kind = export.text("/f:hives/f:hive[1]/f:kind").orElseThrow();
 * }</pre>
 */
public final class Xml {

  private final Document document;
  private final Map<String, String> namespaces;

  private Xml(Document document, Map<String, String> namespaces) {
    this.document = document;
    this.namespaces = Map.copyOf(namespaces);
  }

  /**
   * Reads a document from bytes, by the encoding it declares.
   *
   * @param bytes the whole document
   * @return the document
   * @throws NotXml if it is not well-formed, or declares a document type
   */
  public static Xml parse(byte[] bytes) {
    Needed.of(bytes, "parse(bytes): bytes");
    return new Xml(XmlReader.read(new InputSource(new ByteArrayInputStream(bytes))), Map.of());
  }

  /**
   * Reads a document from text.
   *
   * @param text the whole document
   * @return the document
   * @throws NotXml if it is not well-formed, or declares a document type
   */
  public static Xml parse(String text) {
    Needed.of(text, "parse(text): text");
    return new Xml(XmlReader.read(new InputSource(new StringReader(text))), Map.of());
  }

  /**
   * Reads a document from a file on the class path of the suites or in the folder of the settings file.
   *
   * @param name its name there
   * @return the document
   * @throws NotXml if it is not well-formed, or declares a document type
   */
  public static Xml file(String name) {
    return parse(Resources.current().bytes(name));
  }

  /**
   * This document, asked with one more prefix. Prefixes that the root element declares are known anyway.
   *
   * @param prefix the prefix in expressions
   * @param uri the namespace it stands for
   * @return the document
   */
  public Xml withNamespace(String prefix, String uri) {
    Map<String, String> more = new HashMap<>(namespaces);
    more.put(prefix, uri);
    return new Xml(document, more);
  }

  /**
   * What an expression gives, as JSON would write it: one node is its text, several are a list of their
   * texts, numbers, truths and texts are themselves.
   *
   * @param expression an XPath 1.0 expression
   * @return the value; empty if it selects nothing
   * @throws BadXPath if it cannot be read
   */
  public Optional<Json> valueAt(String expression) {
    JsonNode value = XPathAnswer.of(document, namespaces, expression).value();
    return value.isMissingNode() ? Optional.empty() : Optional.of(Json.of(value));
  }

  /**
   * The places that an expression selects.
   *
   * @param expression an XPath 1.0 expression
   * @return their paths, like {@code /hives/hive[2]/@id}; empty if it selects no nodes
   * @throws BadXPath if it cannot be read
   */
  public List<String> placesAt(String expression) {
    return XPathAnswer.of(document, namespaces, expression).places();
  }

  /**
   * The text of the first node that an expression selects.
   *
   * @param expression an XPath 1.0 expression
   * @return the text; empty if it selects nothing
   * @throws BadXPath if it cannot be read
   */
  public Optional<String> text(String expression) {
    return texts(expression).stream().findFirst();
  }

  /**
   * The texts of all nodes that an expression selects.
   *
   * @param expression an XPath 1.0 expression
   * @return the texts in document order
   * @throws BadXPath if it cannot be read
   */
  public List<String> texts(String expression) {
    JsonNode value = XPathAnswer.of(document, namespaces, expression).value();
    List<String> texts = new ArrayList<>();
    if (value.isArray()) {
      value.forEach(item -> texts.add(item.asString()));
    } else if (!value.isMissingNode()) {
      texts.add(value.asString());
    }
    return texts;
  }

  /**
   * How far an expression leads that selects nothing.
   *
   * @param expression an XPath 1.0 expression
   * @return a sentence
   */
  public String end(String expression) {
    Needed.of(expression, "end(expression): expression");
    return DeadXPath.of(document, namespaces, expression);
  }

  /**
   * Why an expression that finds nothing may look past what is there: its steps have no prefix, and the
   * elements of that name have a namespace.
   *
   * @param expression an XPath 1.0 expression
   * @return a sentence; empty if there are no such elements
   */
  public String overlooked(String expression) {
    Needed.of(expression, "overlooked(expression): expression");
    return UnprefixedSteps.overlooked(document, expression);
  }

  /**
   * What differs from a wanted document: elements and the texts among them in order, attributes in any;
   * comments, prefixes, the way text is written, and space alone between elements do not
   * count, unless {@code xml:space} says so. Space at the ends of a text counts.
   *
   * @param wanted the document wanted
   * @return the findings; empty if nothing differs
   */
  public List<Finding> differencesFrom(Xml wanted) {
    Needed.of(wanted, "differencesFrom(wanted): wanted");
    return new XmlDifferences()
        .between(wanted.document.getDocumentElement(), document.getDocumentElement());
  }

  /** The root element and how much is in it. */
  @Override
  public String toString() {
    int children = Nodes.children(document.getDocumentElement()).size();
    return "<" + document.getDocumentElement().getNodeName() + "> with " + children
        + (children == 1 ? " element" : " elements");
  }
}
