package org.oddlantern.internal.blind;

import org.jspecify.annotations.Nullable;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * One place of one answer. Compared by identity: two items of a list have places of the same name.
 */
final class Spot {

  private final String place;
  private final @Nullable Spot around;
  private final boolean inside;
  private final @Nullable JsonNode value;

  /**
   * A place.
   *
   * @param place how it is told; items of a list are {@code [*]}
   * @param around the object or body that it belongs to, without which it means nothing; null if nobody
   * @param inside whether there are places inside which mean nothing without it
   * @param value what stands there; null where that is no JSON
   */
  Spot(String place, @Nullable Spot around, boolean inside, @Nullable JsonNode value) {
    this.place = place;
    this.around = around;
    this.inside = inside;
    this.value = value;
  }

  /** A place that is no place of a tree. */
  static Spot plain(String place, @Nullable Spot around) {
    return new Spot(place, around, false, null);
  }

  @Nullable
  JsonNode value() {
    return value;
  }

  String place() {
    return place;
  }

  @Nullable
  Spot around() {
    return around;
  }

  boolean hasInside() {
    return inside;
  }
}
