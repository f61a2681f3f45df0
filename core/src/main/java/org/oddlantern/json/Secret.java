package org.oddlantern.json;

import java.util.Objects;
import org.oddlantern.internal.CurrentCase;
import org.oddlantern.internal.Masked;
import org.oddlantern.internal.Needed;
import org.oddlantern.internal.SecretListener;

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
  private final String variable;

  private Secret(String text, String variable) {
    this.text = Objects.requireNonNull(text, "text: a secret needs a text to hide");
    this.variable = variable;
    CurrentCase.part(SecretListener.class).ifPresent(listener -> listener.learn(text, variable));
  }

  /**
   * Wraps a text.
   *
   * @param text what is to be hidden; never null
   * @return the secret
   */
  public static Secret of(String text) {
    Needed.of(text, "of(text): text");
    return new Secret(text, "");
  }

  /**
   * Wraps the text of an environment variable; command lines that repeat a call then show {@code
   * $NAME} instead.
   *
   * @param variable the name of the environment variable
   * @param text what is to be hidden; never null
   * @return the secret
   */
  public static Secret ofVariable(String variable, String text) {
    Needed.of(variable, "ofVariable(variable, text): variable");
    Needed.of(text, "ofVariable(variable, text): text");
    return new Secret(text, variable);
  }

  /**
   * The environment variable that holds the text.
   *
   * @return its name; empty if there is none
   */
  public String variable() {
    return variable;
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
    return Masked.TEXT;
  }
}
