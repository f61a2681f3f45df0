package org.oddlantern.internal.record;

import org.jspecify.annotations.Nullable;

/**
 * Which case or supply it is.
 *
 * @param kind whether it is a case
 * @param id what it is known by: {@code Class#method[sample key]}
 * @param suite its suite
 * @param title its title
 * @param place where it stands in the sources
 * @param whose whom a supply was made for; empty for a case, and for what is shared
 * @param knownFault where a fault is noted that it is known to have; empty if none
 * @param recipe what it does to a good value; null if its sample is no way to change one
 */
public record CaseHead(
    RecordKind kind,
    String id,
    String suite,
    String title,
    String place,
    String whose,
    String knownFault,
    @Nullable RecipeRecord recipe) {

  /** One that changes no good value. */
  public CaseHead(
      RecordKind kind,
      String id,
      String suite,
      String title,
      String place,
      String whose,
      String knownFault) {
    this(kind, id, suite, title, place, whose, knownFault, null);
  }
}
