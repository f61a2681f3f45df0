package org.oddlantern.reports.html;

import java.io.IOException;
import java.io.UncheckedIOException;
import org.oddlantern.run.BodyRecord;
import org.oddlantern.run.Journal;

/** Fetches the texts of bodies, also of those that lie beside the journal. */
record Bodies(Journal journal) {

  String text(BodyRecord body) {
    try {
      return journal.text(body);
    } catch (IOException e) {
      throw new UncheckedIOException(
          "the body " + body.file() + " of the journal cannot be read: " + e.getMessage(), e);
    }
  }
}
