package org.oddlantern.xml;

import org.jspecify.annotations.Nullable;
import org.w3c.dom.Attr;
import org.w3c.dom.Node;

/** Writes where a node is: {@code /hives/hive[2]/@id}. */
final class NodePath {

  private NodePath() {}

  static String of(Node node) {
    StringBuilder path = new StringBuilder();
    Node next = node;
    if (node instanceof Attr attribute) {
      path.append("/@").append(attribute.getName());
      next = attribute.getOwnerElement();
    } else if (node.getNodeType() == Node.TEXT_NODE) {
      path.append("/text()");
      next = node.getParentNode();
    }
    while (next != null && next.getNodeType() == Node.ELEMENT_NODE) {
      path.insert(0, "/" + next.getNodeName() + position(next));
      next = next.getParentNode();
    }
    return path.isEmpty() ? "/" : path.toString();
  }

  /** The position among siblings of the same name, where there are others. */
  private static String position(Node node) {
    int before = count(node, true);
    return before == 0 && count(node, false) == 0 ? "" : "[" + (before + 1) + "]";
  }

  private static int count(Node node, boolean before) {
    int count = 0;
    for (Node other = step(node, before); other != null; other = step(other, before)) {
      boolean alike = other.getNodeType() == Node.ELEMENT_NODE
          && other.getNodeName().equals(node.getNodeName());
      count += alike ? 1 : 0;
    }
    return count;
  }

  private static @Nullable Node step(Node node, boolean before) {
    return before ? node.getPreviousSibling() : node.getNextSibling();
  }
}
