package org.oddlantern.internal.plan;

/** What a suite is called for people. */
public final class SuiteName {

  private SuiteName() {}

  /**
   * Its simple name, sections joined by {@code >}.
   *
   * @param suite the class
   * @return {@code HiveRegisterTest > Sharing}
   */
  public static String of(Class<?> suite) {
    Class<?> outer = suite.getEnclosingClass();
    return outer == null ? suite.getSimpleName() : of(outer) + " > " + suite.getSimpleName();
  }
}
