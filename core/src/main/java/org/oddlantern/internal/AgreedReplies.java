package org.oddlantern.internal;

import java.util.List;

/** What the case at work may ask about replies that were agreed on, and whom it tells what came. */
public interface AgreedReplies {

  /**
   * Where a reply of the case is agreed on.
   *
   * @param name what sets it apart from other replies of the case; empty for the only one
   * @return a file below the suites' resources, without its ending
   */
  String place(String name);

  /**
   * Whether another reply of the case has asked for the same place. Asking again for the same reply, or for
   * a later try, is no other.
   *
   * @param place the place
   * @param reply the reply that asks
   * @param again whether it is a later try of what asked before
   * @return true if one has
   */
  boolean isTaken(String place, Object reply, boolean again);

  /**
   * A body with its secrets hidden, as it is recorded.
   *
   * @param contentType its media type
   * @param body the body
   * @return the body that may be kept
   */
  String masked(String contentType, String body);

  /**
   * Notes what came of asking.
   *
   * @param file the file with its ending
   * @param state whether it is as agreed
   * @param open the paths at which it may differ
   * @param came what came, as it is to be agreed on
   */
  void note(String file, State state, List<String> open, String came);

  /** How a reply is to what was agreed on. */
  enum State {
    /** It is the same. */
    SAME,
    /** It differs. */
    DIFFERS,
    /** Nothing was agreed on yet. */
    NEW
  }
}
