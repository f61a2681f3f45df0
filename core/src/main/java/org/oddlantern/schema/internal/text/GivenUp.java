package org.oddlantern.schema.internal.text;

/** A judgement that would take too long or go too deep; the message is made for people. */
public final class GivenUp extends RuntimeException {

  private static final long serialVersionUID = 1L;

  /**
   * Giving up.
   *
   * @param reason why
   */
  public GivenUp(String reason) {
    super(reason, null, false, false);
  }

  /** Because there is no end to it. */
  public static GivenUp tooDeep() {
    return new GivenUp("the schema refers to itself without coming to an end, or the value and the"
        + " schema are nested deeper than can be followed");
  }
}
