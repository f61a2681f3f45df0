package org.oddlantern.json;

import java.util.Objects;

/**
 * A value that is used but never shown: it prints as {@code ***}, and its text is hidden wherever it
 * would appear in the output of a run. Immutable and thread-safe.
 *
 * <pre>{@code
 * Secret token = reply.valueAt("$.token", Secret.class);
 * beeyard.bearer(token).send(Call.get("/hives"));
 * }</pre>
 */
public final class Secret {

  private final String text;

  private Secret(String text) {
    this.text = text;
  }

  /**
   * Wraps a text.
   *
   * @param text what is to be hidden; never null
   * @return the secret
   */
  public static Secret of(String text) {
    return new Secret(Objects.requireNonNull(text, "text: a secret needs a text to hide"));
  }

  /**
   * The hidden text itself; whoever prints it gives the secret away.
   *
   * @return the text
   */
  public String reveal() {
    return text;
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof Secret that && that.text.equals(text);
  }

  @Override
  public int hashCode() {
    return text.hashCode();
  }

  @Override
  public String toString() {
    return "***";
  }
}
