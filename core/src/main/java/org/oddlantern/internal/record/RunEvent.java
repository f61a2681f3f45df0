package org.oddlantern.internal.record;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.oddlantern.internal.promise.PromiseDocument;
import org.oddlantern.internal.promise.TitledCase;

/** Something that happened in a run, secrets masked; a line of the journal. */
public sealed interface RunEvent {

  /**
   * The run begins.
   *
   * @param format the version of the journal's format
   * @param run what the run is known by
   * @param name what the run is about, for titles
   * @param environment the environment in use
   * @param seed the seed of fresh values
   * @param startedAt when
   * @param size how much is to run
   * @param warnings what the plan found worth a look
   */
  record Started(
      int format,
      String run,
      String name,
      String environment,
      String seed,
      Instant startedAt,
      RunSize size,
      List<String> warnings)
      implements RunEvent {

    /** The version written by this library. */
    public static final int FORMAT = 1;

    /** Keeps its own list. */
    public Started {
      warnings = List.copyOf(warnings);
    }

    /** How many cases are planned. */
    public int cases() {
      return size.cases();
    }

    /** How many suites they belong to. */
    public int suites() {
      return size.suites();
    }

    /** How many cases run side by side at most. */
    public int lanes() {
      return size.lanes();
    }

    /** Which share of a run dealt to several machines it is, like {@code 2/5}; empty for a whole. */
    public String part() {
      return size.part();
    }
  }

  /**
   * What documents promise, told when the run begins.
   *
   * @param documents the documents
   * @param unpromised the cases that no document names
   */
  record Promised(List<PromiseDocument> documents, List<TitledCase> unpromised)
      implements RunEvent {

    /** Keeps its own lists. */
    public Promised {
      documents = List.copyOf(documents);
      unpromised = List.copyOf(unpromised);
    }
  }

  /**
   * A case begins to run.
   *
   * @param id the case
   * @param suite the simple name of its suite, sections joined by {@code >}
   * @param title its title
   * @param lane the lane it runs in, from 1
   */
  record CaseBegan(String id, String suite, String title, int lane) implements RunEvent {}

  /**
   * A case has an outcome.
   *
   * @param record the case
   */
  record CaseFinished(CaseRecord record) implements RunEvent {}

  /**
   * A case that passed was done again, to see what it would notice.
   *
   * @param record what came of it
   */
  record CaseExamined(ExaminedRecord record) implements RunEvent {}

  /**
   * A service is described.
   *
   * @param record the service and its description
   */
  record Described(DescribedRecord record) implements RunEvent {}

  /**
   * Something was made that is to be put back.
   *
   * @param id the case or supply that made it
   * @param call how: the undoing call in one line, or the method that tidies up
   */
  record UndoNoted(String id, String call) implements RunEvent {}

  /**
   * Something is being put back now.
   *
   * @param id the case or supply that made it
   * @param deed how, as it was noted
   */
  record PutBackBegan(String id, String deed) implements RunEvent {}

  /**
   * Something went wrong that no case can be blamed for.
   *
   * @param problem what, in a sentence
   */
  record ProblemFound(String problem) implements RunEvent {}

  /**
   * Something was put back, or could not be.
   *
   * @param id the case or supply that made it
   * @param deed how: the undoing call in one line, the method that tidied up, or what was closed
   * @param problem why it was left behind; empty if it was put back
   * @param exchanges the calls that were made
   */
  record PutBack(String id, String deed, String problem, List<ExchangeRecord> exchanges)
      implements RunEvent {

    /** Keeps its own list. */
    public PutBack {
      exchanges = List.copyOf(exchanges);
    }

    /**
     * Whether something is left behind.
     *
     * @return true if it could not be put back
     */
    public boolean leftBehind() {
      return !problem.isEmpty();
    }
  }

  /**
   * The run is over.
   *
   * @param endedAt when
   * @param tookMicros microseconds since its start
   * @param counts how many cases ended how, by word
   * @param leftBehind how many things could not be put back
   * @param stopped whether it was stopped before all cases had run
   * @param warnings what the run found worth a look
   */
  record Ended(
      Instant endedAt,
      long tookMicros,
      Map<String, Integer> counts,
      int leftBehind,
      boolean stopped,
      List<String> warnings)
      implements RunEvent {

    /** The end of a run without problems. */
    public Ended(
        Instant endedAt,
        long tookMicros,
        Map<String, Integer> counts,
        int leftBehind,
        boolean stopped) {
      this(endedAt, tookMicros, counts, leftBehind, stopped, List.of());
    }

    /** Keeps its own list. */
    public Ended {
      warnings = List.copyOf(warnings);
    }
  }
}
