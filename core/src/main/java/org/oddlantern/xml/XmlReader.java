package org.oddlantern.xml;

import java.io.IOException;
import java.util.Locale;
import javax.xml.XMLConstants;
import javax.xml.parsers.DocumentBuilder;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import org.w3c.dom.Document;
import org.xml.sax.ErrorHandler;
import org.xml.sax.InputSource;
import org.xml.sax.SAXException;
import org.xml.sax.SAXParseException;

/** Reads documents that may come from an enemy: no entities, no fetching, bounded depth. */
final class XmlReader {

  private static final String DEEPEST = "1000";
  private static final String NO_DOCTYPE = "http://apache.org/xml/features/disallow-doctype-decl";

  private XmlReader() {}

  static Document read(InputSource source) {
    try {
      DocumentBuilder builder = factory().newDocumentBuilder();
      builder.setErrorHandler(new Strict());
      return builder.parse(source);
    } catch (SAXParseException e) {
      throw new NotXml(String.format(
          Locale.ROOT,
          "line %d, column %d: %s",
          e.getLineNumber(),
          e.getColumnNumber(),
          reason(String.valueOf(e.getMessage()))));
    } catch (SAXException | IOException e) {
      throw new NotXml(String.valueOf(e.getMessage()));
    } catch (ParserConfigurationException e) {
      throw new IllegalStateException("this JDK has no safe XML parser: " + e.getMessage(), e);
    }
  }

  private static DocumentBuilderFactory factory() throws ParserConfigurationException {
    DocumentBuilderFactory factory = DocumentBuilderFactory.newDefaultNSInstance();
    factory.setFeature(XMLConstants.FEATURE_SECURE_PROCESSING, true);
    factory.setFeature(NO_DOCTYPE, true);
    factory.setXIncludeAware(false);
    factory.setExpandEntityReferences(false);
    factory.setCoalescing(true);
    factory.setIgnoringComments(true);
    factory.setAttribute("jdk.xml.maxElementDepth", DEEPEST);
    return factory;
  }

  private static String reason(String message) {
    if (message.contains("DOCTYPE")) {
      return "it has a document type declaration (DOCTYPE), which is not read, since such declarations"
          + " can fetch files and fill the memory";
    }
    return message.contains("maxElementDepth")
        ? "it is nested deeper than " + DEEPEST + " elements"
        : message;
  }

  /** Throws where the default would print. */
  private static final class Strict implements ErrorHandler {
    @Override
    public void warning(SAXParseException exception) {}

    @Override
    public void error(SAXParseException exception) throws SAXException {
      throw exception;
    }

    @Override
    public void fatalError(SAXParseException exception) throws SAXException {
      throw exception;
    }
  }
}
