package org.oddlantern.config;

/** Settings that cannot be used; the message says where, what is wrong and what to do. */
public final class SettingsProblem extends RuntimeException {

  private static final long serialVersionUID = 1L;

  /**
   * A problem.
   *
   * @param message where, what and what to do
   */
  public SettingsProblem(String message) {
    super(message);
  }
}
