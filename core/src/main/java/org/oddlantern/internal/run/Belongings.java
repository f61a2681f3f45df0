package org.oddlantern.internal.run;

import java.util.ArrayList;
import java.util.List;

/** What one attempt of a case, or one making of a shared supply, has made so far. Thread-safe. */
final class Belongings {

  private final Ledger ledger;
  private final Belonging.Life life = new Belonging.Life();
  private final List<Belonging> made = new ArrayList<>();
  private boolean sealed;

  Belongings(Ledger ledger) {
    this.ledger = ledger;
  }

  /** The life of the value that it hands on. */
  Belonging.Life life() {
    return life;
  }

  /** Something that ends with the value it belongs to, unless that was used up. */
  void add(Belonging.Life own, Belonging.Deed deed) {
    add(new Belonging(ledger.number(), own, false, deed));
  }

  /** Something that ends whatever became of the value. */
  void addAlways(Belonging.Deed deed) {
    add(new Belonging(ledger.number(), life, true, deed));
  }

  private void add(Belonging belonging) {
    synchronized (this) {
      if (!sealed) {
        made.add(belonging);
        return;
      }
    }
    ledger.late(belonging);
  }

  /** Everything made; what comes later is put back at the end of the run. */
  synchronized List<Belonging> sealed() {
    sealed = true;
    return List.copyOf(made);
  }
}
