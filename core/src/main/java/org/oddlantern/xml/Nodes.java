package org.oddlantern.xml;

import java.util.ArrayList;
import java.util.List;
import javax.xml.XMLConstants;
import org.w3c.dom.Attr;
import org.w3c.dom.Element;
import org.w3c.dom.Node;

/** What counts of an element: its child elements, its attributes, its own text. */
final class Nodes {

  private Nodes() {}

  static List<Element> children(Element parent) {
    List<Element> children = new ArrayList<>();
    for (Node child = parent.getFirstChild(); child != null; child = child.getNextSibling()) {
      if (child instanceof Element element) {
        children.add(element);
      }
    }
    return children;
  }

  /** Attributes, without those that declare namespaces. */
  static List<Attr> attributes(Element element) {
    List<Attr> attributes = new ArrayList<>();
    for (int i = 0; i < element.getAttributes().getLength(); i++) {
      Attr attribute = (Attr) element.getAttributes().item(i);
      if (!XMLConstants.XMLNS_ATTRIBUTE_NS_URI.equals(attribute.getNamespaceURI())) {
        attributes.add(attribute);
      }
    }
    return attributes;
  }

  /** The text directly in it, space at its ends aside. */
  static String text(Element element) {
    StringBuilder text = new StringBuilder();
    for (Node child = element.getFirstChild(); child != null; child = child.getNextSibling()) {
      if (child.getNodeType() == Node.TEXT_NODE || child.getNodeType() == Node.CDATA_SECTION_NODE) {
        text.append(child.getNodeValue());
      }
    }
    return text.toString().strip();
  }

  /** Name and namespace; prefixes do not count. */
  static String name(Node node) {
    String namespace = node.getNamespaceURI();
    return namespace == null ? node.getLocalName() : "{" + namespace + "}" + node.getLocalName();
  }
}
