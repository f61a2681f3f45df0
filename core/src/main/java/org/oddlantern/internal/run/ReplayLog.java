package org.oddlantern.internal.run;

import java.util.List;
import org.oddlantern.evidence.Verdict;
import org.oddlantern.evidence.internal.Asked;
import org.oddlantern.evidence.internal.Trying;
import org.oddlantern.http.internal.Undo;
import org.oddlantern.internal.CurrentCase;

/** What a case does when it is done again: judged as ever, but nothing of it is learnt, kept or undone. */
final class ReplayLog extends CaseLog {

  private final Retelling retelling;

  ReplayLog(String id, String name, Workshop workshop, Retelling retelling) {
    super(id, name, workshop, undo -> {}, retelling);
    this.retelling = retelling;
  }

  /** Once a check does not hold, which is not tried again, the rest tells nothing more. */
  @Override
  public synchronized void judged(Asked asked, List<Verdict> made) {
    super.judged(asked, made);
    if (retelling.isChanged() && CurrentCase.part(Trying.class).isEmpty()) {
      for (Verdict verdict : made) {
        if (!verdict.warning() && !verdict.holds()) {
          throw retelling.ended("a check does not hold");
        }
      }
    }
  }

  @Override
  public void undoNoted(Undo undo) {
    if (undo.isBroken()) {
      throw retelling.ended("it cannot be undone");
    }
  }

  @Override
  public void learn(String text, String variable) {
    // what was a secret is one already, and what was changed is none
  }

  @Override
  public void step(String words) {
    // told once
  }

  @Override
  public synchronized void kept(String name, String contentType, byte[] content) {
    // kept once
  }

  @Override
  public void printed(byte[] bytes, int offset, int length) {
    // printed once
  }
}
