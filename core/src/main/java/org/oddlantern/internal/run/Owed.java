package org.oddlantern.internal.run;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.Verdict;

/**
 * Verdicts on one answer that are due at the end of a case: an error status that nobody looked at, checks
 * that a service makes on every reply. Asked for once. Guarded by the log that it belongs to.
 */
final class Owed {

  private @Nullable Supplier<List<Verdict>> asking;
  private boolean owed;
  private final List<Verdict> answered = new ArrayList<>(0);

  void by(Supplier<List<Verdict>> whoeverKnows) {
    asking = whoeverKnows;
    owed = true;
  }

  /** Whether somebody had to be asked, then or now. */
  boolean wasOwed() {
    return owed;
  }

  /** Whether nobody has asked for them yet. */
  boolean isOpen() {
    return asking != null;
  }

  /** Whom to ask, who is then no longer to be asked; null if somebody does already. */
  @Nullable
  Supplier<List<Verdict>> claimed() {
    Supplier<List<Verdict>> claimed = asking;
    asking = null;
    return claimed;
  }

  void answered(List<Verdict> verdicts) {
    answered.addAll(verdicts);
  }

  List<Verdict> verdicts() {
    return answered;
  }
}
