package org.oddlantern.stress;

/** A value of a random plan; generated classes extend it, one for each maker. */
public class Value {

  /** Which maker made it for whom, at which attempt. */
  String label = "";

  /** Made by generated code. */
  public Value() {}

  /** A value that no method puts back. */
  public static class Closed extends Value implements AutoCloseable {

    /** Made by generated code. */
    public Closed() {}

    @Override
    public void close() {
      Deeds.putBack(this);
    }
  }
}
