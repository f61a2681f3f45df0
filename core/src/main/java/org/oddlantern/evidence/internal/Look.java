package org.oddlantern.evidence.internal;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A look at something that is no reply, and what was seen: a database, what a stand-in was asked, a
 * mailbox.
 *
 * @param at what was looked at: {@code store}, {@code the mailbox of wren}
 * @param statement what was asked of a database; empty for anything else
 * @param parameters what was given for its question marks, as JSON tells it
 * @param answer what was seen, as JSON; empty if it failed
 * @param sentAt when it was looked at
 * @param took from then until the answer was read, or until it went wrong
 * @param fault why there is no answer, in a sentence; null if there is one
 */
public record Look(
    String at,
    String statement,
    List<String> parameters,
    String answer,
    Instant sentAt,
    Duration took,
    @Nullable String fault)
    implements Asked {

  /** Keeps its own copy. */
  public Look {
    parameters = List.copyOf(parameters);
  }

  /**
   * The same with what was given for question marks.
   *
   * @return {@code store: select label from hive where id = ? with 4}
   */
  public String title() {
    return parameters.isEmpty() ? line() : line() + " with " + String.join(", ", parameters);
  }

  /**
   * What was looked at, and the statement, in one line.
   *
   * @return {@code store: select label from hive where id = ?}
   */
  @Override
  public String line() {
    return statement.isEmpty() ? at : at + ": " + statement.strip().replaceAll("\\s+", " ");
  }
}
