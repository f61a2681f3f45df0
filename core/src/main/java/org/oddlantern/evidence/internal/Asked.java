package org.oddlantern.evidence.internal;

import org.oddlantern.http.internal.Exchange;

/** Something that a case asked and that was answered: an {@link Exchange}, a query to a database. */
public interface Asked {

  /**
   * What was asked, in one line.
   *
   * @return {@code GET http://127.0.0.1:7411/api/hives}
   */
  String line();
}
