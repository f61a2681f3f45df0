package org.oddlantern.demo.beeyard;

import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.security.SecureRandom;
import java.util.HexFormat;
import javax.crypto.SecretKeyFactory;
import javax.crypto.spec.PBEKeySpec;

/** Hashes passwords with a salt, so that none is stored plain. */
final class Passwords {

  /** Far fewer than a real register wants: this one is an example, and should answer at once. */
  private static final int ROUNDS = 1_000;

  private Passwords() {}

  static String hashed(String password) {
    byte[] salt = new byte[16];
    new SecureRandom().nextBytes(salt);
    return HexFormat.of().formatHex(salt) + ":" + hash(password, salt);
  }

  static boolean fits(String password, String stored) {
    int colon = stored.indexOf(':');
    String wanted = stored.substring(colon + 1);
    String got = hash(password, HexFormat.of().parseHex(stored.substring(0, colon)));
    return MessageDigest.isEqual(HexFormat.of().parseHex(wanted), HexFormat.of().parseHex(got));
  }

  private static String hash(String password, byte[] salt) {
    try {
      PBEKeySpec key = new PBEKeySpec(password.toCharArray(), salt, ROUNDS, 256);
      return HexFormat.of()
          .formatHex(SecretKeyFactory.getInstance("PBKDF2WithHmacSHA256")
              .generateSecret(key)
              .getEncoded());
    } catch (GeneralSecurityException e) {
      throw new IllegalStateException("this JDK cannot hash passwords: " + e.getMessage(), e);
    }
  }
}
