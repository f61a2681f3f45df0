package org.oddlantern.internal.reports.folder;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.function.ObjLongConsumer;
import org.oddlantern.internal.journal.Journal;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.internal.reports.RunData;

/**
 * Keeps what was written into the journal of a small run, so that its reports need not read it back. A
 * large run is read from its journal, so that its bodies are not in memory together. Heard by one writer;
 * read when that has ended.
 */
public final class WrittenRun implements ObjLongConsumer<RunEvent> {

  /** In octets of the journal; in memory it is some times that. */
  private static final long SMALL = 16L << 20;

  private final List<RunEvent> events = new ArrayList<>();
  private long octets;
  private boolean small = true;

  /** Nothing is written yet. */
  public WrittenRun() {}

  @Override
  public void accept(RunEvent event, long length) {
    octets += length;
    if (small) {
      events.add(event);
      if (octets > SMALL) {
        small = false;
        events.clear();
      }
    }
  }

  /**
   * The run.
   *
   * @param journal the journal it was written to
   * @return what stands in it
   * @throws IOException if it has to be read and cannot be
   */
  public RunData data(Journal journal) throws IOException {
    return small ? RunData.of(journal, events) : RunData.of(journal);
  }
}
