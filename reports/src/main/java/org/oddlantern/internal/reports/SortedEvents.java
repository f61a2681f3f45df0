package org.oddlantern.internal.reports;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.description.ApiDocument;
import org.oddlantern.internal.description.DescriptionProblem;
import org.oddlantern.internal.journal.Journal;
import org.oddlantern.internal.record.BodyRecord;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.DescribedRecord;
import org.oddlantern.internal.record.ExaminedRecord;
import org.oddlantern.internal.record.RunEvent;

/** Puts the events of a journal where they belong. For one thread. */
final class SortedEvents {
  private final Map<String, ApiDocument> descriptions;
  private final List<CaseRecord> cases = new ArrayList<>();
  private final List<CaseRecord> supplied = new ArrayList<>();
  private final List<RunEvent.PutBack> putBacks = new ArrayList<>();
  private final List<RunEvent.UndoNoted> open = new ArrayList<>();
  private final List<RunEvent.PutBackBegan> sent = new ArrayList<>();
  private final List<String> problems = new ArrayList<>();
  private final List<RunEvent.Promised> promised = new ArrayList<>();
  private final List<ExaminedRecord> examined = new ArrayList<>();
  private final List<DescribedRecord> described = new ArrayList<>();
  private final Map<String, RunEvent.CaseBegan> underWay = new LinkedHashMap<>();
  private RunEvent.@Nullable Ended ended;

  /**
   * None yet.
   *
   * @param descriptions those of which the journal does not know, by the name of the service
   */
  SortedEvents(Map<String, ApiDocument> descriptions) {
    this.descriptions = Map.copyOf(descriptions);
  }

  void take(RunEvent event) {
    if (event instanceof RunEvent.CaseFinished finished) {
      (finished.record().counts() ? cases : supplied).add(finished.record());
      underWay.remove(finished.record().id());
    } else if (event instanceof RunEvent.PutBack putBack) {
      putBacks.add(putBack);
      open.remove(new RunEvent.UndoNoted(putBack.id(), putBack.deed()));
      sent.remove(new RunEvent.PutBackBegan(putBack.id(), putBack.deed()));
    } else if (event instanceof RunEvent.PutBackBegan began) {
      sent.add(began);
    } else if (event instanceof RunEvent.ProblemFound found) {
      problems.add(found.problem());
    } else if (event instanceof RunEvent.Promised told) {
      promised.add(told);
    } else if (event instanceof RunEvent.CaseExamined one) {
      examined.add(one.record());
    } else if (event instanceof RunEvent.Described one) {
      described.add(one.record());
    } else if (event instanceof RunEvent.CaseBegan began) {
      underWay.put(began.id(), began);
    } else if (event instanceof RunEvent.UndoNoted noted) {
      open.add(noted);
    } else if (event instanceof RunEvent.Ended end) {
      ended = end;
    }
  }

  /** What was seen of descriptions; every case is read once more if there is one. */
  DescribedRun described(Journal journal) {
    DescribedRun run = new DescribedRun(body -> text(journal, body));
    descriptions.forEach(run::describe);
    if (!descriptions.isEmpty()) {
      return run;
    }
    for (DescribedRecord one : described) {
      try {
        run.describe(one.with(whole(one, journal)));
      } catch (IOException | DescriptionProblem e) {
        run.lose(one, String.valueOf(e.getMessage())); // what else the run has seen is not lost
      }
    }
    return run;
  }

  private static List<DescribedRecord.Copy> whole(DescribedRecord one, Journal journal)
      throws IOException {
    List<DescribedRecord.Copy> whole = new ArrayList<>();
    for (DescribedRecord.Copy copy : one.documents()) {
      whole.add(new DescribedRecord.Copy(copy.name(), copy.uri(), journal.text(copy), copy.file()));
    }
    return whole;
  }

  private static String text(Journal journal, BodyRecord body) {
    try {
      return journal.text(body);
    } catch (IOException e) {
      return ""; // told where the body is shown
    }
  }

  RunData data(RunEvent.Started started, StoredCases stored, DescribedRun seen) {
    if (ended == null) {
      open.forEach(noted -> putBacks.add(cutOff(noted)));
    }
    cases.sort(Comparator.comparingInt(CaseRecord::order));
    supplied.sort(Comparator.comparingInt(CaseRecord::order).thenComparing(CaseRecord::id));
    if (!seen.isEmpty()) {
      cases.forEach(one -> seen.add(stored.whole(one)));
    }
    return new RunData(
        started,
        cases,
        supplied,
        putBacks,
        ended,
        new Troubles(List.copyOf(problems), List.copyOf(underWay.values())),
        List.copyOf(promised),
        new ExaminedRun(examined, seen),
        seen,
        stored);
  }

  private RunEvent.PutBack cutOff(RunEvent.UndoNoted noted) {
    boolean begun = sent.contains(new RunEvent.PutBackBegan(noted.id(), noted.call()));
    return new RunEvent.PutBack(
        noted.id(),
        noted.call(),
        begun
            ? "begun, and what came of it is not known, since the run was cut off"
            : "the run was cut off before this was done",
        List.of());
  }
}
