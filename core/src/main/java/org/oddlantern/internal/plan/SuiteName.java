package org.oddlantern.internal.plan;

/** What a suite is called for people, and which it is. */
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

  /**
   * The suite that a section is a part of.
   *
   * @param type a suite, or a class in one
   * @return the outermost class
   */
  public static Class<?> outermost(Class<?> type) {
    Class<?> outer = type.getEnclosingClass();
    return outer == null ? type : outermost(outer);
  }
}
