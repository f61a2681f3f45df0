package org.oddlantern.internal;

/** What stands where a secret is not shown. */
public final class Masked {

  /** The text. */
  public static final String TEXT = "***";

  private Masked() {}
}
