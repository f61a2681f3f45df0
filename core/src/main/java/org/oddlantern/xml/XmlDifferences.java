package org.oddlantern.xml;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;
import org.oddlantern.json.internal.ComparisonMode;
import org.oddlantern.json.internal.FindingsUpToCap;
import org.oddlantern.json.internal.NearestMatch;
import org.oddlantern.json.internal.Words;
import org.oddlantern.shaded.tools.jackson.databind.node.StringNode;
import org.w3c.dom.Attr;
import org.w3c.dom.Element;

/** Compares two elements with all that is in them; of one comparison. */
final class XmlDifferences {

  private final FindingsUpToCap findings = new FindingsUpToCap();

  List<Finding> between(Element wanted, Element got) {
    compare(wanted, got);
    return findings.all("/");
  }

  private void compare(Element wanted, Element got) {
    if (!Nodes.name(wanted).equals(Nodes.name(got))) {
      findings.add(() ->
          Finding.of(NodePath.of(got), tag(wanted), tag(got)).hint(namespaceHint(wanted, got)));
      return;
    }
    compareAttributes(wanted, got);
    List<Element> children = Nodes.children(wanted);
    List<Element> there = Nodes.children(got);
    if (children.size() == there.size()) {
      compareTexts(wanted, got);
    }
    compareChildren(children, there, got);
  }

  private void compareAttributes(Element wanted, Element got) {
    Map<String, Attr> there = named(got);
    named(wanted).forEach((name, attribute) -> {
      Attr other = there.remove(name);
      String place = NodePath.of(got) + "/@" + attribute.getName();
      if (other == null) {
        findings.add(
            () -> Finding.of(place, Words.quoted(attribute.getValue()), "no such attribute")
                .hint(NearestMatch.hint(name, there.keySet())));
      } else {
        compareText(place, attribute.getValue(), other.getValue());
      }
    });
    there.forEach((name, attribute) -> findings.add(() -> Finding.of(
        NodePath.of(attribute), "no such attribute", Words.quoted(attribute.getValue()))));
  }

  /** What is before, between and after the elements; space alone counts only where text is too. */
  private void compareTexts(Element wanted, Element got) {
    List<String> texts = Nodes.texts(wanted);
    List<String> there = Nodes.texts(got);
    boolean exact = texts.size() == 1
        || Nodes.keepsSpace(wanted)
        || Nodes.keepsSpace(got)
        || isMixed(texts) && isMixed(there);
    for (int i = 0; i < texts.size(); i++) {
      if (exact || !texts.get(i).isBlank() || !there.get(i).isBlank()) {
        String place = NodePath.of(got) + (texts.size() == 1 ? "" : "/text()[" + (i + 1) + "]");
        compareText(place, texts.get(i), there.get(i));
      }
    }
  }

  private static boolean isMixed(List<String> texts) {
    return texts.stream().anyMatch(text -> !text.isBlank());
  }

  private void compareText(String place, String wanted, String got) {
    if (!wanted.equals(got)) {
      Finding finding = ComparisonMode.EXACTLY
          .differences(Location.ROOT, StringNode.valueOf(wanted), StringNode.valueOf(got))
          .get(0);
      findings.add(() -> finding.at(place));
    }
  }

  /** In order; where names do not fit, looks one element ahead on either side. */
  private void compareChildren(List<Element> wanted, List<Element> got, Element parent) {
    int i = 0;
    int j = 0;
    while (i < wanted.size() && j < got.size()) {
      if (alike(wanted.get(i), got.get(j)) || !isShift(wanted, i, got, j)) {
        compare(wanted.get(i++), got.get(j++));
      } else if (i + 1 < wanted.size() && alike(wanted.get(i + 1), got.get(j))) {
        missing(wanted.get(i++), parent);
      } else {
        surplus(got.get(j++));
      }
    }
    wanted.subList(i, wanted.size()).forEach(element -> missing(element, parent));
    got.subList(j, got.size()).forEach(this::surplus);
  }

  private static boolean isShift(List<Element> wanted, int i, List<Element> got, int j) {
    return i + 1 < wanted.size() && alike(wanted.get(i + 1), got.get(j))
        || j + 1 < got.size() && alike(wanted.get(i), got.get(j + 1));
  }

  private static boolean alike(Element a, Element b) {
    return Nodes.name(a).equals(Nodes.name(b));
  }

  private void missing(Element element, Element parent) {
    findings.add(() -> Finding.nothing(
        NodePath.of(parent) + "/" + element.getNodeName(), tag(element), "the element is missing"));
  }

  private void surplus(Element element) {
    findings.add(() -> Finding.of(NodePath.of(element), "no such element", tag(element)));
  }

  private static Map<String, Attr> named(Element element) {
    Map<String, Attr> named = new LinkedHashMap<>();
    Nodes.attributes(element).forEach(attribute -> named.put(Nodes.name(attribute), attribute));
    return named;
  }

  private static String namespaceHint(Element wanted, Element got) {
    return String.valueOf(wanted.getLocalName()).equals(got.getLocalName())
        ? "only the namespace differs: wanted " + wanted.getNamespaceURI() + ", got "
            + got.getNamespaceURI()
        : "";
  }

  private static String tag(Element element) {
    StringBuilder tag = new StringBuilder("<" + element.getNodeName());
    Nodes.attributes(element)
        .forEach(attribute -> tag.append(' ')
            .append(attribute.getName())
            .append("=\"")
            .append(attribute.getValue())
            .append('"'));
    String text = element.getTextContent().strip();
    return Words.cut(
        text.isEmpty() ? tag + "/>" : tag + ">" + text + "</" + element.getNodeName() + ">");
  }
}
