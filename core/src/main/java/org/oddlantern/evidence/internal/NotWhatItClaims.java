package org.oddlantern.evidence.internal;

import org.oddlantern.evidence.Evidence;
import org.oddlantern.json.Finding;
import org.oddlantern.json.NotJson;
import org.oddlantern.xml.NotXml;

/** Says of evidence that cannot be read what it is instead. */
public final class NotWhatItClaims {

  private NotWhatItClaims() {}

  /** The finding on a body that is no JSON: status, type and beginning; then where reading stopped. */
  public static Finding json(Evidence evidence, NotJson e, String wanted) {
    String text = evidence.text();
    Finding finding = Finding.of("body", wanted, evidence.summary());
    if (text.isBlank()) {
      return finding;
    }
    if (e.isOfEncoding()) {
      return finding.hint(String.valueOf(e.getMessage())).hint(declared(evidence));
    }
    return text.stripLeading().startsWith("<")
        ? finding.hint("this looks like HTML or XML, not like JSON")
        : finding.hint("reading stopped at " + e.around(text));
  }

  /** Who declares a charset may think that it counts. */
  private static String declared(Evidence evidence) {
    String charset = BodyText.declared(evidence.headers().first("Content-Type").orElse(""));
    return charset.isEmpty() || charset.equalsIgnoreCase("utf-8")
        ? ""
        : "the charset " + charset
            + " that Content-Type declares does not count for JSON (RFC 8259, section 11)";
  }

  /** The finding on a body that is no XML. */
  public static Finding xml(Evidence evidence, NotXml e, String wanted) {
    Finding finding = Finding.of("body", wanted, evidence.summary());
    return evidence.text().isBlank()
        ? finding
        : finding.hint("reading stopped at " + e.getMessage());
  }
}
