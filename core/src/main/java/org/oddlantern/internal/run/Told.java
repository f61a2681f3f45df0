package org.oddlantern.internal.run;

import java.util.ArrayList;
import java.util.List;
import org.oddlantern.evidence.internal.Look;
import org.oddlantern.http.internal.Exchange;
import org.oddlantern.internal.record.ExchangeRecord;
import org.oddlantern.internal.record.LookRecord;
import org.oddlantern.internal.record.StepRecord;

/**
 * Makes records of what a case did; to be called while its log is locked.
 *
 * @param inOrder everything it did
 * @param recording makes them
 */
record Told(List<LogEntry> inOrder, Recording recording) {

  /** The parts in words, each with how much was asked before it. */
  List<StepRecord> steps() {
    List<StepRecord> records = new ArrayList<>(0);
    int before = 0;
    for (LogEntry entry : inOrder) {
      if (entry.asked instanceof Step step) {
        records.add(recording.record(step, before));
      } else {
        before++;
      }
    }
    return records;
  }

  List<ExchangeRecord> exchanges() {
    List<ExchangeRecord> records = new ArrayList<>(inOrder.size());
    for (LogEntry entry : inOrder) {
      if (entry.asked instanceof Exchange exchange) {
        records.add(recording.record(exchange, entry.verdicts));
      }
    }
    return records;
  }

  /** The looks, each with how many exchanges came before it. */
  List<LookRecord> queries() {
    List<LookRecord> records = new ArrayList<>();
    int before = 0;
    for (LogEntry entry : inOrder) {
      if (entry.asked instanceof Look look) {
        records.add(recording.record(look, before, entry.verdicts));
      } else if (entry.asked instanceof Exchange) {
        before++;
      }
    }
    return records;
  }
}
