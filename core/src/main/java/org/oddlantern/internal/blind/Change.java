package org.oddlantern.internal.blind;

import java.util.function.Supplier;

/**
 * A change of an answer at one of its places.
 *
 * @param spot the place
 * @param kind how it is changed
 * @param answer makes the changed answer: a {@code WireReply} or a tree
 */
public record Change(Spot spot, ChangeKind kind, Supplier<Object> answer) {

  /** The round in which it is tried: what has places inside comes first, since they may not matter then. */
  public int round() {
    return spot.hasInside() ? 0 : kind.round();
  }
}
