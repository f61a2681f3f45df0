package org.oddlantern.stress;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.plan.ValueParameter;

/**
 * A case or a supply of a random plan.
 *
 * @param id its number, which also names the type it gives
 * @param kind what it is
 * @param suite the number of its class
 * @param gives whether it gives a value
 * @param tidied whether a method puts the value back; else it is closed
 * @param takes what it takes
 * @param mark skipped, pending or fault; else empty
 * @param alone whether it runs alone
 * @param occupies what it occupies; null for nothing
 * @param tries how often it may be tried
 * @param failures how many of its first attempts do not pass
 * @param how how those end: fail, error, nothing (it returns null) or hang
 */
record Item(
    int id,
    Kind kind,
    int suite,
    boolean gives,
    boolean tidied,
    List<Take> takes,
    String mark,
    boolean alone,
    @Nullable String occupies,
    int tries,
    int failures,
    String how) {

  enum Kind {
    CASE,
    OWN_SUPPLY,
    SHARED_SUPPLY
  }

  /**
   * A value taken.
   *
   * @param from the number of its maker
   * @param use what is done with it
   */
  record Take(int from, ValueParameter.Use use) {}

  /** The name of its method. */
  String method() {
    return "m" + id;
  }

  boolean isCase() {
    return kind == Kind.CASE;
  }
}
