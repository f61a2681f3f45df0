package org.oddlantern.internal.run;

/**
 * Something to be put back.
 *
 * @param number counts in the order in which things were made
 * @param life the life of the value it belongs to
 * @param evenIfUsedUp whether it is put back though a case has used the value up
 * @param deed how it is put back
 */
record Belonging(long number, Life life, boolean evenIfUsedUp, Deed deed) {

  /** Whether it is still to be put back. */
  boolean isDue() {
    return evenIfUsedUp || !life.isUsedUp();
  }

  /** How something is put back. Knows what to say of itself. */
  interface Deed {

    /** Puts it back and tells of it; nothing that goes wrong is thrown. */
    void done(PutBacks putBacks);
  }

  /** The life of one value, which a case may use up. */
  static final class Life {
    private volatile boolean usedUp;

    void useUp() {
      usedUp = true;
    }

    boolean isUsedUp() {
      return usedUp;
    }
  }
}
