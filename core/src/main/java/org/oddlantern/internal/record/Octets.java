package org.oddlantern.internal.record;

/** Bytes that nobody changes. */
public final class Octets {

  private final byte[] bytes;

  private Octets(byte[] bytes) {
    this.bytes = bytes;
  }

  /**
   * Of a copy.
   *
   * @param bytes the bytes
   * @return the same bytes, which from now on stay so
   */
  public static Octets of(byte[] bytes) {
    return new Octets(bytes.clone());
  }

  /**
   * A copy.
   *
   * @return the bytes
   */
  public byte[] bytes() {
    return bytes.clone();
  }

  /**
   * How many there are.
   *
   * @return their number
   */
  public int length() {
    return bytes.length;
  }
}
