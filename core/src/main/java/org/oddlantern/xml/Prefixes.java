package org.oddlantern.xml;

import java.util.Iterator;
import java.util.List;
import java.util.Map;
import javax.xml.XMLConstants;
import javax.xml.namespace.NamespaceContext;
import org.w3c.dom.Element;

/** Prefixes that were given, then those that the root element declares. */
record Prefixes(Element root, Map<String, String> given) implements NamespaceContext {

  @Override
  public String getNamespaceURI(String prefix) {
    String known = given.get(prefix);
    if (known != null) {
      return known;
    }
    String declared = prefix.isEmpty() ? null : root.lookupNamespaceURI(prefix);
    return declared == null ? XMLConstants.NULL_NS_URI : declared;
  }

  @Override
  public String getPrefix(String namespaceUri) {
    String prefix = root.lookupPrefix(namespaceUri);
    return prefix == null ? XMLConstants.DEFAULT_NS_PREFIX : prefix;
  }

  @Override
  public Iterator<String> getPrefixes(String namespaceUri) {
    return List.of(getPrefix(namespaceUri)).iterator();
  }
}
