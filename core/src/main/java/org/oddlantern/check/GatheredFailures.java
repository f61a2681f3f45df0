package org.oddlantern.check;

import java.util.ArrayList;
import java.util.List;
import org.oddlantern.evidence.CheckFailed;
import org.oddlantern.evidence.internal.Gathering;
import org.oddlantern.internal.CurrentCase;

/** Lets a piece of a case go on after failures, and reports them together at its end. */
final class GatheredFailures {

  private GatheredFailures() {}

  static <X extends Exception> void of(ThrowingRunnable<X> piece) throws X {
    Gathering gathering = Gathering.begun();
    List<CheckFailed> failures = new ArrayList<>();
    try (CurrentCase.Binding binding = CurrentCase.adding(gathering)) {
      piece.done();
    } catch (CheckFailed e) {
      failures.add(e); // a reading that found nothing: there is no value to go on with
    } catch (Throwable e) {
      if (!gathering.failures().isEmpty()) {
        e.addSuppressed(CheckFailed.all(gathering.failures()));
      }
      throw e;
    }
    failures.addAll(0, gathering.failures());
    if (!failures.isEmpty()) {
      Gathering.giveUp(CheckFailed.all(failures));
    }
  }
}
