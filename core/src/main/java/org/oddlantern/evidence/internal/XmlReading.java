package org.oddlantern.evidence.internal;

import java.util.List;
import org.oddlantern.evidence.CheckFailed;
import org.oddlantern.evidence.Verdict;
import org.oddlantern.json.Finding;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.TextReadings;
import org.oddlantern.json.internal.TypeMismatch;
import org.oddlantern.json.internal.Words;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.StringNode;
import org.oddlantern.xml.NotXml;
import org.oddlantern.xml.Xml;

/** Reads typed values from an XML body, where everything is text. */
record XmlReading(JudgedEvidence evidence, String path, Class<?> type) {

  <T> T value(Class<T> wanted) {
    List<T> values = values(wanted);
    if (values.size() == 1) {
      return values.get(0);
    }
    throw failed(
        values.isEmpty()
            ? Finding.nothing(path, wanted(), document().end(path))
            : Finding.of(path, wanted(), values.size() + " nodes; valuesAt reads several"));
  }

  <T> List<T> values(Class<T> wanted) {
    return document().texts(path).stream().map(text -> read(text, wanted)).toList();
  }

  private <T> T read(String text, Class<T> wanted) {
    TypeMismatch first = null;
    for (JsonNode reading : TextReadings.of(text)) {
      try {
        return JsonMapping.standard().read(reading, wanted);
      } catch (TypeMismatch e) {
        first = first == null ? e : first;
      }
    }
    throw failed(Finding.of(path, wanted(), Words.of(StringNode.valueOf(text)))
        .hint(first == null ? "" : first.reason()));
  }

  private Xml document() {
    try {
      return evidence.xml();
    } catch (NotXml e) {
      throw failed(
          NotWhatItClaims.xml(evidence, e, "an XML body, to be read as " + Words.of(type)));
    }
  }

  private String wanted() {
    return "a value that can be read as " + Words.of(type);
  }

  private CheckFailed failed(Finding finding) {
    String words = "valueAt(\"" + path + "\", " + type.getSimpleName() + ")";
    return evidence.failed(new Verdict(words, false, List.of(finding)));
  }
}
