package org.oddlantern.reports.html;

import java.io.StringReader;
import java.util.ArrayList;
import java.util.List;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;

/** Lays an XML document out over lines, one for each element; without one, the text stays as it is. */
final class LaidOutXml {

  private final List<BodyView.Line> lines = new ArrayList<>();
  private final XMLStreamReader reader;

  private LaidOutXml(XMLStreamReader reader) {
    this.reader = reader;
  }

  /** The lines; empty if it is no XML, or one that declares a document type. */
  static List<BodyView.Line> of(String text) {
    if (!text.stripLeading().startsWith("<") || text.contains("<!DOCTYPE")) {
      return List.of();
    }
    XMLInputFactory factory = XMLInputFactory.newInstance();
    factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
    factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
    factory.setProperty(XMLInputFactory.IS_NAMESPACE_AWARE, false);
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
    int depth = 0;
    boolean open = false;
    StringBuilder line = new StringBuilder();
    while (reader.hasNext()) {
      switch (reader.next()) {
        case XMLStreamConstants.START_ELEMENT -> {
          if (open) {
            add(depth - 1, line, true, false);
          }
          line.append(start());
          open = true;
          depth++;
        }
        case XMLStreamConstants.CHARACTERS, XMLStreamConstants.CDATA -> {
          if (!reader.getText().isBlank()) {
            line.append(escaped(reader.getText().strip()));
            if (!open) {
              add(depth, line, false, false);
            }
          }
        }
        case XMLStreamConstants.END_ELEMENT -> {
          depth--;
          line.append("</").append(reader.getLocalName()).append('>');
          add(depth, line, false, !open);
          open = false;
        }
        case XMLStreamConstants.COMMENT -> {
          if (open) {
            add(depth - 1, line, true, false);
            open = false;
          }
          line.append("<!--").append(reader.getText()).append("-->");
          add(depth, line, false, false);
        }
        default -> {}
      }
    }
  }

  private void add(int depth, StringBuilder line, boolean opens, boolean closes) {
    lines.add(new BodyView.Line("  ".repeat(depth) + line, List.of(), false, opens, closes));
    line.setLength(0);
  }

  private String start() {
    StringBuilder start = new StringBuilder("<").append(reader.getLocalName());
    for (int i = 0; i < reader.getAttributeCount(); i++) {
      start
          .append(' ')
          .append(reader.getAttributeLocalName(i))
          .append("=\"")
          .append(escaped(reader.getAttributeValue(i)))
          .append('"');
    }
    return start.append('>').toString();
  }

  private static String escaped(String text) {
    return text.replace("&", "&amp;").replace("<", "&lt;");
  }
}
