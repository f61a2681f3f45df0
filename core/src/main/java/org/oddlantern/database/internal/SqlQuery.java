package org.oddlantern.database.internal;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.internal.Asked;

/**
 * A statement as it was sent to a database and what came of it.
 *
 * @param database the name of the database
 * @param sql the statement
 * @param parameters what was given for its question marks, as JSON tells it
 * @param answer the rows as JSON, or how many were changed; empty if it failed
 * @param sentAt when it was sent
 * @param took from then until the answer was read, or until it went wrong
 * @param fault why there is no answer, in a sentence; null if there is one
 */
public record SqlQuery(
    String database,
    String sql,
    List<String> parameters,
    String answer,
    Instant sentAt,
    Duration took,
    @Nullable String fault)
    implements Asked {

  /** Keeps its own copy. */
  public SqlQuery {
    parameters = List.copyOf(parameters);
  }

  /**
   * Database and statement in one line.
   *
   * @return {@code store: select label from hive where id = ?}
   */
  @Override
  public String line() {
    return database + ": " + sql.strip().replaceAll("\\s+", " ");
  }
}
