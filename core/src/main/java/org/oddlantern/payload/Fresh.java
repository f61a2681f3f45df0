package org.oddlantern.payload;

import java.math.BigInteger;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
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
    return beginning + letters(next());
  }

  /**
   * An e-mail address that no other run and no other case gets, at a host that cannot exist (RFC 2606).
   *
   * @return the address
   */
  public String email() {
    return "keeper-" + letters(next()) + "@example.org";
  }

  /**
   * A whole number. Numbers repeat, the sooner the smaller the range is.
   *
   * @param least the least it may be
   * @param most the most it may be
   * @return a number from the least to the most, both included
   * @throws IllegalArgumentException if the range is empty
   */
  public long number(long least, long most) {
    if (least > most) {
      throw new IllegalArgumentException(
          "there is no number from " + least + " to " + most + "; the least comes first");
    }
    BigInteger size =
        BigInteger.valueOf(most).subtract(BigInteger.valueOf(least)).add(BigInteger.ONE);
    return new BigInteger(1, next()).mod(size).add(BigInteger.valueOf(least)).longValueExact();
  }

  /**
   * A UUID that no other run and no other case gets (RFC 9562, version 4).
   *
   * @return the UUID
   */
  public UUID uuid() {
    ByteBuffer bytes = ByteBuffer.wrap(next());
    long high = (bytes.getLong() & 0xffff_ffff_ffff_0fffL) | 0x4000;
    long low = (bytes.getLong() & 0x3fff_ffff_ffff_ffffL) | 0x8000_0000_0000_0000L;
    return new UUID(high, low);
  }

  /**
   * A date.
   *
   * @param first the first it may be
   * @param last the last it may be
   * @return a date from the first to the last, both included
   * @throws IllegalArgumentException if the last is before the first
   */
  public LocalDate date(LocalDate first, LocalDate last) {
    if (last.isBefore(first)) {
      throw new IllegalArgumentException(
          "there is no date from " + first + " to " + last + "; the first comes first");
    }
    return LocalDate.ofEpochDay(number(first.toEpochDay(), last.toEpochDay()));
  }

  /**
   * One of several.
   *
   * @param <T> their type
   * @param choices what to choose from
   * @return one of them
   * @throws IllegalArgumentException if there are none
   */
  public <T> T pick(List<T> choices) {
    if (choices.isEmpty()) {
      throw new IllegalArgumentException("there is nothing to pick from an empty list");
    }
    return choices.get((int) number(0, choices.size() - 1));
  }

  /**
   * One of the constants of an enum.
   *
   * @param <E> the enum
   * @param type the enum
   * @return one of its constants
   * @throws IllegalArgumentException if it has none
   */
  public <E extends Enum<E>> E pick(Class<E> type) {
    return pick(List.of(type.getEnumConstants()));
  }

  private static String letters(byte[] hash) {
    StringBuilder text = new StringBuilder();
    for (int i = 0; i < LETTERS; i++) {
      text.append(ALPHABET.charAt(hash[i] & 31));
    }
    return text.toString();
  }

  private byte[] next() {
    return hash(seed + '\n' + asker + '\n' + asked.getAndIncrement());
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
