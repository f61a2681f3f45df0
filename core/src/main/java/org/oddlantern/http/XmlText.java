package org.oddlantern.http;

import java.io.ByteArrayOutputStream;
import javax.xml.XMLConstants;
import javax.xml.transform.OutputKeys;
import javax.xml.transform.Transformer;
import javax.xml.transform.TransformerException;
import javax.xml.transform.TransformerFactory;
import javax.xml.transform.dom.DOMSource;
import javax.xml.transform.stream.StreamResult;
import org.oddlantern.internal.Needed;
import org.w3c.dom.Node;

/** XML trees as bytes. */
final class XmlText {

  private XmlText() {}

  static byte[] bytes(Node node) {
    Needed.of(node, "xml(document): document");
    try {
      TransformerFactory factory = TransformerFactory.newDefaultInstance();
      factory.setFeature(XMLConstants.FEATURE_SECURE_PROCESSING, true);
      Transformer transformer = factory.newTransformer();
      transformer.setOutputProperty(OutputKeys.ENCODING, "UTF-8");
      ByteArrayOutputStream bytes = new ByteArrayOutputStream();
      transformer.transform(new DOMSource(node), new StreamResult(bytes));
      return bytes.toByteArray();
    } catch (TransformerException e) {
      throw new IllegalArgumentException("the XML tree cannot be written: " + e.getMessage(), e);
    }
  }
}
