package org.oddlantern.xml;

import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.NodeList;

/**
 * Finds the steps of an XPath that have no prefix, and so no namespace (XPath 1.0, section 2.3), though
 * the elements of that name in the document have one.
 */
final class UnprefixedSteps {

  private static final Pattern LITERAL = Pattern.compile("'[^']*'|\"[^\"]*\"");
  private static final Pattern AXIS = Pattern.compile("(?<!attribute|namespace)\\s*::\\s*");

  /** A name that is no attribute, variable, axis, function or prefix, and has no prefix. */
  private static final Pattern NAME =
      Pattern.compile("(?<![-\\w.:@$])[\\p{L}_][-\\w.]*+(?!\\s*[(:])");

  private static final Set<String> OPERATORS = Set.of("and", "or", "div", "mod");

  private UnprefixedSteps() {}

  static String overlooked(Document document, String expression) {
    Map<String, String> namespaces = namespaces(document);
    for (String name : names(expression)) {
      String namespace = namespaces.getOrDefault(name, "");
      if (!namespace.isEmpty()) {
        return "the step '%s' has no prefix, so it looks for an element in no namespace, but <%s> here is in %s; give that one a prefix: xpath(expression, Map.of(\"x\", \"%s\"), ...)"
            .formatted(name, name, namespace, namespace);
      }
    }
    return "";
  }

  private static Set<String> names(String expression) {
    String plain = AXIS.matcher(LITERAL.matcher(expression).replaceAll("''")).replaceAll(":: ");
    Set<String> names = new LinkedHashSet<>();
    Matcher matcher = NAME.matcher(plain);
    while (matcher.find()) {
      String before = plain.substring(0, matcher.start()).stripTrailing();
      boolean operator =
          OPERATORS.contains(matcher.group()) && before.matches("(?s).*[-\\w\\])*.']");
      if (!operator) {
        names.add(matcher.group());
      }
    }
    return names;
  }

  /** The namespace of each name of an element; none where one without a namespace has it too. */
  private static Map<String, String> namespaces(Document document) {
    Map<String, String> namespaces = new LinkedHashMap<>();
    NodeList all = document.getElementsByTagName("*");
    for (int i = 0; i < all.getLength(); i++) {
      Element element = (Element) all.item(i);
      String namespace = element.getNamespaceURI() == null ? "" : element.getNamespaceURI();
      namespaces.merge(
          element.getLocalName(), namespace, (one, other) -> other.isEmpty() ? other : one);
    }
    return namespaces;
  }
}
