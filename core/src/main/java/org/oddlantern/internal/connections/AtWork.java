package org.oddlantern.internal.connections;

/** A piece of a run, which threads of the HTTP library may inherit without being part of it. */
public interface AtWork {

  /**
   * What it is called in its own thread.
   *
   * @param thread the thread that asks
   * @return the name of the case, supply or tidy-up; empty in other threads
   */
  String nameIn(Thread thread);
}
