package org.oddlantern.internal.journal;

import java.util.LinkedHashMap;
import java.util.Map;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.internal.record.RunSize;

/** Reads the events that {@link EventLine} writes. */
final class EventReading {

  private EventReading() {}

  /**
   * The event of a line.
   *
   * @throws Members.Misread if it is none that this version knows
   */
  static RunEvent event(Members line) {
    return switch (line.text(Member.EVENT)) {
      case EventName.RUN_STARTED -> started(line);
      case EventName.CASE_BEGAN ->
        new RunEvent.CaseBegan(
            line.text(Member.ID),
            line.text(Member.SUITE),
            line.text(Member.TITLE),
            line.count(Member.LANE));
      case EventName.CASE_FINISHED -> new RunEvent.CaseFinished(finished(line));
      case EventName.CASE_EXAMINED -> new RunEvent.CaseExamined(ExaminedLine.read(line));
      case EventName.DESCRIBED -> new RunEvent.Described(DescribedLine.read(line));
      case EventName.PUT_BACK_BEGAN ->
        new RunEvent.PutBackBegan(line.text(Member.ID), line.text(Member.DEED));
      case EventName.PROBLEM_FOUND -> new RunEvent.ProblemFound(line.text(Member.PROBLEM));
      case EventName.PROMISED -> PromisedLine.read(line);
      case EventName.UNDO_NOTED ->
        new RunEvent.UndoNoted(line.text(Member.ID), line.text(Member.CALL));
      case EventName.PUT_BACK ->
        new RunEvent.PutBack(
            line.text(Member.ID),
            line.text(Member.DEED),
            line.text(Member.PROBLEM),
            line.list(Member.EXCHANGES, RecordReading::exchange));
      case EventName.RUN_ENDED -> ended(line);
      default -> throw new Members.Misread("its event is unknown");
    };
  }

  private static CaseRecord finished(Members line) {
    CaseRecord record = line.part(Member.CASE, RecordReading::caseRecord);
    if (record == null) {
      throw new Members.Misread("it tells of no case");
    }
    return record;
  }

  private static RunEvent started(Members line) {
    return new RunEvent.Started(
        line.count(Member.FORMAT),
        line.text(Member.RUN),
        line.text(Member.NAME),
        line.text(Member.ENVIRONMENT),
        line.text(Member.SEED),
        line.time(Member.STARTED_AT),
        new RunSize(
            line.count(Member.CASES),
            line.count(Member.SUITES),
            Math.max(1, line.count(Member.LANES)),
            line.text(Member.PART),
            line.truth(Member.SHUFFLED)),
        line.texts(Member.WARNINGS));
  }

  private static RunEvent ended(Members line) {
    return new RunEvent.Ended(
        line.time(Member.ENDED_AT),
        line.number(Member.TOOK_MICROS),
        counts(line),
        line.count(Member.LEFT_BEHIND),
        line.truth(Member.STOPPED),
        line.texts(Member.WARNINGS));
  }

  private static Map<String, Integer> counts(Members line) {
    Map<String, Integer> counts = new LinkedHashMap<>();
    Members members = line.part(Member.COUNTS, one -> one);
    if (members != null) {
      members.names().forEach(word -> counts.put(word, members.count(word)));
    }
    return counts;
  }
}
