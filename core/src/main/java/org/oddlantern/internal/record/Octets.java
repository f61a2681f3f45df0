package org.oddlantern.internal.record;

import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;

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
   * What tells them from any others.
   *
   * @return their SHA-256 (FIPS 180-4) in hexadecimal digits
   */
  public String digest() {
    try {
      return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException("every JVM has SHA-256", e);
    }
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
