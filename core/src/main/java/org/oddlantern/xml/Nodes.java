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

  /** The texts directly in it: before its first child element, between each two, after the last. */
  static List<String> texts(Element element) {
    List<String> texts = new ArrayList<>();
    StringBuilder text = new StringBuilder();
    for (Node child = element.getFirstChild(); child != null; child = child.getNextSibling()) {
      if (child instanceof Element) {
        texts.add(text.toString());
        text.setLength(0);
      } else if (child.getNodeType() == Node.TEXT_NODE
          || child.getNodeType() == Node.CDATA_SECTION_NODE) {
        text.append(child.getNodeValue());
      }
    }
    texts.add(text.toString());
    return texts;
  }

  /** Whether space alone counts in it (XML 1.0, section 2.10). */
  static boolean keepsSpace(Element element) {
    for (Node next = element; next instanceof Element one; next = next.getParentNode()) {
      if (one.hasAttribute("xml:space")) {
        return one.getAttribute("xml:space").equals("preserve");
      }
    }
    return false;
  }

  /** Name and namespace; prefixes do not count. */
  static String name(Node node) {
    String namespace = node.getNamespaceURI();
    return namespace == null ? node.getLocalName() : "{" + namespace + "}" + node.getLocalName();
  }
}
