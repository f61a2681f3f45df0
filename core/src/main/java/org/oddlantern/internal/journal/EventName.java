package org.oddlantern.internal.journal;

import java.util.Set;

/** The names of events in a journal. */
final class EventName {

  static final String CASE_BEGAN = "case-began";
  static final String CASE_EXAMINED = "case-examined";
  static final String CASE_FINISHED = "case-finished";
  static final String DESCRIBED = "described";
  static final String PROBLEM_FOUND = "problem-found";
  static final String PROMISED = "promised";
  static final String PUT_BACK = "put-back";
  static final String PUT_BACK_BEGAN = "put-back-began";
  static final String RUN_ENDED = "run-ended";
  static final String RUN_STARTED = "run-started";
  static final String UNDO_NOTED = "undo-noted";

  static final Set<String> ALL = Set.of(
      CASE_BEGAN,
      CASE_EXAMINED,
      CASE_FINISHED,
      DESCRIBED,
      PROBLEM_FOUND,
      PROMISED,
      PUT_BACK,
      PUT_BACK_BEGAN,
      RUN_ENDED,
      RUN_STARTED,
      UNDO_NOTED);

  private EventName() {}
}
