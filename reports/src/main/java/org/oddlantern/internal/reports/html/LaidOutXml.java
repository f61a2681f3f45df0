package org.oddlantern.internal.reports.html;

import java.io.StringReader;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import org.jspecify.annotations.Nullable;

/** Lays an XML document out over lines, one for each element; without one, the text stays as it is. */
final class LaidOutXml {

  private final List<LaidOutLine> lines = new ArrayList<>();
  private final Deque<Element> around = new ArrayDeque<>();
  private final XMLStreamReader reader;
  private String place = "";

  private LaidOutXml(XMLStreamReader reader) {
    this.reader = reader;
  }

  /** The lines; empty if it is no XML, or one that declares a document type. */
  static List<LaidOutLine> of(String text) {
    if (!text.stripLeading().startsWith("<") || text.contains("<!DOCTYPE")) {
      return List.of();
    }
    XMLInputFactory factory = XMLInputFactory.newDefaultFactory();
    factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
    factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
    factory.setProperty(XMLInputFactory.IS_COALESCING, true);
    try {
      LaidOutXml laidOut = new LaidOutXml(factory.createXMLStreamReader(new StringReader(text)));
      laidOut.read();
      return laidOut.lines;
    } catch (XMLStreamException e) {
      return List.of();
    }
  }

  private void read() throws XMLStreamException {
    StringBuilder line = new StringBuilder();
    boolean open = false;
    while (reader.hasNext()) {
      switch (reader.next()) {
        case XMLStreamConstants.START_ELEMENT -> {
          if (open) {
            add(around.size() - 1, line, true, false);
          }
          enter(name());
          line.append(start());
          open = true;
        }
        case XMLStreamConstants.CHARACTERS, XMLStreamConstants.CDATA -> {
          if (!reader.getText().isBlank()) {
            line.append(escaped(reader.getText().strip()));
            if (!open) {
              add(around.size(), line, false, false);
            }
          }
        }
        case XMLStreamConstants.END_ELEMENT -> {
          line.append("</").append(name()).append('>');
          add(around.size() - 1, line, false, !open);
          around.pop();
          open = false;
        }
        case XMLStreamConstants.COMMENT -> {
          if (open) {
            add(around.size() - 1, line, true, false);
            open = false;
          }
          line.append("<!--").append(reader.getText()).append("-->");
          add(around.size(), line, false, false);
        }
        default -> {}
      }
    }
  }

  private void enter(String name) {
    Element parent = around.peek();
    place = parent == null ? "/" + name + "[1]" : parent.child(name);
    around.push(new Element(place, new HashMap<>()));
  }

  private void add(int depth, StringBuilder line, boolean opens, boolean closes) {
    lines.add(new LaidOutLine(place, "  ".repeat(depth) + line, opens, closes));
    line.setLength(0);
    place = "";
  }

  private String start() {
    StringBuilder start = new StringBuilder("<").append(name());
    for (int i = 0; i < reader.getNamespaceCount(); i++) {
      String prefix = reader.getNamespacePrefix(i);
      attribute(start, prefix == null ? "xmlns" : "xmlns:" + prefix, reader.getNamespaceURI(i));
    }
    for (int i = 0; i < reader.getAttributeCount(); i++) {
      attribute(
          start,
          prefixed(reader.getAttributePrefix(i), reader.getAttributeLocalName(i)),
          reader.getAttributeValue(i));
    }
    return start.append('>').toString();
  }

  private static void attribute(StringBuilder start, String name, @Nullable String value) {
    start.append(' ').append(name).append("=\"");
    start.append(value == null ? "" : escaped(value).replace("\"", "&quot;")).append('"');
  }

  private String name() {
    return prefixed(reader.getPrefix(), reader.getLocalName());
  }

  private static String prefixed(@Nullable String prefix, String local) {
    return prefix == null || prefix.isEmpty() ? local : prefix + ":" + local;
  }

  private static String escaped(String text) {
    return text.replace("&", "&amp;").replace("<", "&lt;");
  }

  /**
   * An element that is open.
   *
   * @param place where it stands
   * @param children how many of each name it has so far
   */
  private record Element(String place, Map<String, Integer> children) {

    String child(String name) {
      return place + "/" + name + "[" + children.merge(name, 1, Integer::sum) + "]";
    }
  }
}
