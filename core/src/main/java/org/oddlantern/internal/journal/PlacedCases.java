package org.oddlantern.internal.journal;

import java.io.IOException;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.RunEvent;

/** Reads cases of a journal again by their places, best in the order in which they stand. Thread-safe. */
public final class PlacedCases {

  private final Journal journal;
  private final ThreadLocal<PlacedLines> lines;

  PlacedCases(Journal journal) {
    this.journal = journal;
    this.lines = ThreadLocal.withInitial(() -> new PlacedLines(journal.file()));
  }

  /**
   * Reads one case or supply again.
   *
   * @param place its place in the file
   * @return its record
   * @throws IOException if the file cannot be read or has changed
   */
  public CaseRecord at(long place) throws IOException {
    if (!(journal.placed(lines.get().at(place), place) instanceof RunEvent.CaseFinished finished)) {
      throw new IOException(journal.file() + " has changed: there is no case at octet " + place);
    }
    return finished.record();
  }
}
