package org.oddlantern.internal.reports;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.ObjLongConsumer;
import org.oddlantern.internal.journal.Journal;
import org.oddlantern.internal.record.RunEvent;

/**
 * Keeps what was written into a journal, so that its reports need not read it back: of a small run all, of
 * a large one what lists need and where the rest stands, so that its bodies are not in memory together.
 * Heard by one writer; read when that has ended.
 */
public final class WrittenRun implements ObjLongConsumer<RunEvent> {

  /** In octets of the journal; in memory it is some times that. */
  private static final long SMALL = 16L << 20;

  private final Journal journal;
  private final StoredCases stored;
  private final List<RunEvent> events = new ArrayList<>();
  private final List<Long> places = new ArrayList<>();
  private long octets;
  private boolean small = true;

  /**
   * Nothing is written yet.
   *
   * @param journal where it is written
   */
  public WrittenRun(Journal journal) {
    this.journal = journal;
    this.stored = StoredCases.listed(journal);
  }

  @Override
  public void accept(RunEvent event, long length) {
    events.add(small ? event : listed(event, octets));
    if (small) {
      places.add(octets);
    }
    octets += length;
    if (small && octets > SMALL) {
      small = false;
      for (int i = 0; i < places.size(); i++) {
        events.set(i, listed(events.get(i), places.get(i)));
      }
      places.clear();
    }
  }

  private RunEvent listed(RunEvent event, long place) {
    return event instanceof RunEvent.CaseFinished finished
        ? new RunEvent.CaseFinished(stored.keep(finished.record(), place))
        : event;
  }

  /**
   * The run.
   *
   * @return what stands in the journal
   * @throws IOException if something has to be read from it and cannot be
   */
  public RunData data() throws IOException {
    return RunData.of(journal, events, stored, new SortedEvents(Map.of()));
  }
}
