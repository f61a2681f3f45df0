package org.oddlantern.internal;

/** Hears of the secrets that the case at work knows, so that they are hidden in all output. */
@FunctionalInterface
public interface SecretListener {

  /**
   * A secret is known.
   *
   * @param text its text
   * @param variable the environment variable that holds it; empty if there is none
   */
  void learn(String text, String variable);
}
