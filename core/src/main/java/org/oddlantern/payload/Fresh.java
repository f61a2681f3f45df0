package org.oddlantern.payload;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.concurrent.atomic.AtomicInteger;

/**
 * Values that are new at every run and the same again when a run is repeated with its seed. A case
 * takes it as a parameter. Each value depends on the seed, the asker and how many values were asked for
 * before, never on the order in which cases run. Thread-safe.
 *
 * <pre>{@code
 * var hive = Payload.file("payloads/hive.json").with("$.label", fresh.text("hive-"));
 * }</pre>
 */
public final class Fresh {

  private static final String ALPHABET = "0123456789abcdefghjkmnpqrstvwxyz";
  private static final int LETTERS = 10;

  private final String seed;
  private final String asker;
  private final AtomicInteger asked = new AtomicInteger();

  private Fresh(String seed, String asker) {
    this.seed = seed;
    this.asker = asker;
  }

  /**
   * Fresh values of one asker; the runner makes them for cases.
   *
   * @param seed the seed of the run
   * @param asker who asks: case, sample and attempt
   * @return the values
   */
  public static Fresh seeded(String seed, String asker) {
    return new Fresh(seed, asker);
  }

  /**
   * A text that no other run and no other case gets: the beginning given, then ten letters and digits.
   *
   * @param beginning how the text begins; may be empty
   * @return the text
   */
  public String text(String beginning) {
    byte[] hash = hash(seed + '\n' + asker + '\n' + asked.getAndIncrement());
    StringBuilder text = new StringBuilder(beginning);
    for (int i = 0; i < LETTERS; i++) {
      text.append(ALPHABET.charAt(hash[i] & 31));
    }
    return text.toString();
  }

  private static byte[] hash(String text) {
    try {
      return MessageDigest.getInstance("SHA-256").digest(text.getBytes(StandardCharsets.UTF_8));
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException(
          "every JDK has SHA-256, but this one says: " + e.getMessage(), e);
    }
  }
}
