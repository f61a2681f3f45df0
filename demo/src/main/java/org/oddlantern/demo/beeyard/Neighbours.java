package org.oddlantern.demo.beeyard;

/**
 * Other services that the beeyard uses.
 *
 * @param weather the address of the weather service; empty if nobody is asked
 * @param mailPort the port of the mail server on this machine; 0 if nobody is written to
 */
public record Neighbours(String weather, int mailPort) {

  /** Nobody. */
  public static final Neighbours NONE = new Neighbours("", 0);
}
