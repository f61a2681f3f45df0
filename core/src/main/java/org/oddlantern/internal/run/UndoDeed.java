package org.oddlantern.internal.run;

import org.oddlantern.http.internal.Undo;

/**
 * Sends the call that undoes another.
 *
 * @param id the case or supply that sent the other
 * @param undo how it is undone
 */
record UndoDeed(String id, Undo undo) implements Belonging.Deed {

  @Override
  public void done(PutBacks putBacks) {
    putBacks.undo(id, undo);
  }
}
