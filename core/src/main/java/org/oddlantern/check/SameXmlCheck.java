package org.oddlantern.check;

import java.util.List;
import org.oddlantern.evidence.Check;
import org.oddlantern.evidence.Evidence;
import org.oddlantern.evidence.internal.NotWhatItClaims;
import org.oddlantern.json.Finding;
import org.oddlantern.xml.NotXml;
import org.oddlantern.xml.Xml;

/** Asks whether an XML body is a whole document as wanted. */
record SameXmlCheck(Xml wanted) implements Check {

  @Override
  public String words() {
    return "sameXml(" + wanted + ")";
  }

  @Override
  public List<Finding> examine(Evidence evidence) {
    try {
      return evidence.xml().differencesFrom(wanted);
    } catch (NotXml e) {
      return List.of(NotWhatItClaims.xml(evidence, e, "an XML body"));
    }
  }
}
