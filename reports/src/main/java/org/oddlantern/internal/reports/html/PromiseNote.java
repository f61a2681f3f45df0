package org.oddlantern.internal.reports.html;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.oddlantern.internal.promise.Promise;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.Mark;
import org.oddlantern.internal.record.Outcome;
import org.oddlantern.internal.record.ProblemRecord;
import org.oddlantern.internal.reports.RunData;

/**
 * Says why a promise is neither kept nor broken, for people who do not know cases.
 *
 * @param run the run
 * @param promise the promise
 */
record PromiseNote(RunData run, Promise promise) {

  private static final Pattern FAILED = Pattern.compile(": '(.*)'$");

  /** In sentences; empty if there is nothing to say. */
  String words() {
    if (promise.cases().isEmpty()) {
      return promise.hint().isEmpty()
          ? ""
          : "there is a case with the title \u201c" + promise.hint() + "\u201d; is that meant?";
    }
    Set<String> notes = new LinkedHashSet<>();
    int missing = 0;
    for (String id : promise.cases()) {
      CaseRecord one = run.byId(id);
      if (one == null) {
        missing++;
      } else {
        notes.addAll(notes(one));
      }
    }
    if (missing > 0) {
      notes.add(
          missing == promise.cases().size()
              ? "it was not looked at in this run"
              : "not all of it was looked at in this run");
    }
    return String.join("; ", notes);
  }

  private List<String> notes(CaseRecord one) {
    List<String> notes = new ArrayList<>();
    ProblemRecord problem = one.problem();
    String why = problem == null ? "" : problem.message().lines().findFirst().orElse("");
    switch (one.outcome()) {
      case ERRORED -> notes.add("the test itself broke off before it could decide: " + why);
      case BLOCKED -> notes.add(blocked(why));
      case INTERRUPTED -> notes.add("the run ended before");
      case SKIPPED -> notes.add("left out: " + why);
      case KNOWN_FAULT -> notes.add("known as " + one.knownFault());
      case PENDING -> notes.add("its test is not written yet");
      default -> {
        if (one.outcome() == Outcome.PASSED && one.marks().contains(Mark.UNPROVEN)) {
          notes.add("the test looked at nothing");
        }
      }
    }
    if (one.marks().contains(Mark.FLAKY)) {
      notes.add("only at a later try");
    }
    if (one.marks().contains(Mark.WARNED)) {
      notes.add("with a warning");
    }
    return notes;
  }

  /** By the title of the case that failed, if it was one. */
  private static String blocked(String why) {
    Matcher title = FAILED.matcher(why);
    return title.find()
        ? "it needs what is missing: " + title.group(1)
        : "it could not be tried: " + why;
  }
}
