package org.oddlantern.database;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.sql.SQLFeatureNotSupportedException;
import java.time.Duration;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.internal.Answered;
import org.oddlantern.evidence.internal.Look;
import org.oddlantern.evidence.internal.Question;
import org.oddlantern.http.NotSent;
import org.oddlantern.http.internal.CurrentSurroundings;
import org.oddlantern.http.internal.Surroundings;
import org.oddlantern.internal.Needed;
import org.oddlantern.internal.TimeLeft;
import org.oddlantern.json.Secret;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.ArrayNode;
import org.oddlantern.shaded.tools.jackson.databind.node.LongNode;

/**
 * A database behind a service, reached over JDBC with any driver on the class path of the suites. It is
 * looked at only: every query runs in a transaction that is rolled back, so that nothing a query does
 * stays; {@link #change} is the one way to write. Immutable and thread-safe; each statement has a
 * connection of its own and must be answered within the timeout, 30 s unless set.
 *
 * <pre>{@code
 * Database store = env.database("store");
 * store.row("select * from keeper where name = ?", "wren")
 *         .must(including(Map.of("name", "wren")), at("$.password", not("honey-and-thyme")));
 * store.noRow("select * from hive where id = ?", id);
 * }</pre>
 *
 * <p>A row is a JSON object, so that all shapes apply. Names of columns that the database folds to upper
 * case are given in lower case; numbers keep their digits; dates and times are ISO 8601 text; binary is
 * Base64; arrays are lists; NULL is JSON's null.
 */
public final class Database {

  private static final Duration STANDARD_TIMEOUT = Duration.ofSeconds(30);

  private final String name;
  private final Connector connector;
  private final Duration timeout;
  private final CurrentSurroundings surroundings;

  private Database(
      String name, Connector connector, Duration timeout, CurrentSurroundings surroundings) {
    this.name = name;
    this.connector = connector;
    this.timeout = timeout;
    this.surroundings = surroundings;
  }

  /**
   * A database by its JDBC address.
   *
   * @param url the address, as its driver wants it
   * @return the database
   * @throws IllegalArgumentException if it does not begin with {@code jdbc:}
   */
  public static Database reachedAt(String url) {
    Needed.of(url, "reachedAt(url): url");
    if (!url.startsWith("jdbc:")) {
      throw new IllegalArgumentException(
          "'" + url + "' is no JDBC address; one begins like jdbc:postgresql: or jdbc:h2:");
    }
    return new Database(
        "database",
        new Connector(url, null, null),
        STANDARD_TIMEOUT,
        CurrentSurroundings.ofWhoeverMakes());
  }

  /**
   * This database under a name, for messages and reports.
   *
   * @param other the name
   * @return the database
   */
  public Database named(String other) {
    Needed.of(other, "named(other): other");
    return new Database(other, connector, timeout, surroundings);
  }

  /**
   * This database for a user.
   *
   * @param user the user
   * @param password the password, which is never shown
   * @return the database
   */
  public Database signingIn(String user, Secret password) {
    Needed.of(user, "signingIn(user, password): user");
    Needed.of(password, "signingIn(user, password): password");
    return new Database(
        name, new Connector(connector.url(), user, password), timeout, surroundings);
  }

  /**
   * This database with another time limit for each statement, connecting included.
   *
   * @param limit the limit, above zero
   * @return the database
   */
  public Database timeout(Duration limit) {
    Needed.of(limit, "timeout(limit): limit");
    if (limit.isZero() || limit.isNegative()) {
      throw new IllegalArgumentException("a timeout is longer than nothing, not " + limit);
    }
    return new Database(name, connector, limit, surroundings);
  }

  /**
   * The one row that a query gives.
   *
   * @param sql the query, with a question mark for each argument
   * @param arguments the arguments: texts, numbers, dates, keys, secrets, null
   * @return the row, a JSON object
   * @throws org.oddlantern.evidence.CheckFailed if it gives no row, or several
   * @throws IllegalArgumentException if the statement does not begin like a query, or there are several
   * @throws DatabaseProblem if the database gives no answer
   */
  public DatabaseAnswer row(String sql, @Nullable Object... arguments) {
    Needed.of(sql, "row(sql, arguments): sql");
    Statements.refuseWriting(sql);
    return asked(sql, Arguments.of(arguments), Database::lookedForOne, "the row")
        .one();
  }

  /**
   * The rows that a query gives.
   *
   * @param sql the query, with a question mark for each argument
   * @param arguments the arguments
   * @return the rows, a JSON list, at most 10,000
   * @throws IllegalArgumentException if the statement does not begin like a query, or there are several
   * @throws DatabaseProblem if the database gives no answer
   */
  public DatabaseAnswer rows(String sql, @Nullable Object... arguments) {
    Needed.of(sql, "rows(sql, arguments): sql");
    Statements.refuseWriting(sql);
    return asked(sql, Arguments.of(arguments), Database::looked, "the rows");
  }

  /**
   * How many rows a query gives; the database counts them.
   *
   * @param sql the query, with a question mark for each argument
   * @param arguments the arguments
   * @return the count, a JSON number
   * @throws IllegalArgumentException if the statement does not begin like a query, or there are several
   * @throws DatabaseProblem if the database gives no answer
   */
  public DatabaseAnswer count(String sql, @Nullable Object... arguments) {
    Needed.of(sql, "count(sql, arguments): sql");
    Statements.refuseWriting(sql);
    String counting =
        "select count(*) as n from (" + sql.strip().replaceFirst(";\\s*$", "") + ") counted";
    return asked(
        counting,
        Arguments.of(arguments),
        (connection, statement) -> looked(connection, statement).get(0).get("n"),
        "the count");
  }

  /**
   * Checks that a query gives no row.
   *
   * @param sql the query, with a question mark for each argument
   * @param arguments the arguments
   * @throws org.oddlantern.evidence.CheckFailed if it gives one or more
   * @throws IllegalArgumentException if the statement does not begin like a query, or there are several
   * @throws DatabaseProblem if the database gives no answer
   */
  public void noRow(String sql, @Nullable Object... arguments) {
    Needed.of(sql, "noRow(sql, arguments): sql");
    rows(sql, arguments).must(new NoRow());
  }

  /**
   * Changes something, which stays. Whatever it changes is for the case to put back.
   *
   * @param sql the statement, with a question mark for each argument
   * @param arguments the arguments
   * @return how many rows it changed
   * @throws NotSent if the environment is read-only
   * @throws DatabaseProblem if the database gives no answer or refuses
   */
  public long change(String sql, @Nullable Object... arguments) {
    Statements.refuseSeveral(sql);
    String readOnly = surroundings.now(sql).readOnly();
    if (!readOnly.isEmpty()) {
      throw new NotSent(
          "nothing was sent to the database '" + name + "', since " + readOnly + ": " + sql);
    }
    return asked(
            sql,
            Arguments.of(arguments),
            (connection, statement) -> {
              long changed = statement.executeUpdate();
              connection.commit();
              return LongNode.valueOf(changed);
            },
            "the number of rows changed")
        .json()
        .number()
        .longValueExact();
  }

  @Override
  public String toString() {
    return name + " at " + connector.shown();
  }

  /** The driver learns that nothing will be written; the rollback does not rely on it. */
  private static ArrayNode looked(Connection connection, PreparedStatement statement)
      throws SQLException {
    return Rows.of(statement);
  }

  /** The row by itself if there is just one. */
  private static JsonNode lookedForOne(Connection connection, PreparedStatement statement)
      throws SQLException {
    ArrayNode rows = looked(connection, statement);
    return rows.size() == 1 ? rows.get(0) : rows;
  }

  private DatabaseAnswer asked(String sql, Arguments arguments, Asking asking, String what) {
    Surroundings now = surroundings.now(sql);
    arguments.secrets().forEach(now.recorder()::secret);
    if (connector.password() != null) {
      now.recorder().secret(connector.password());
    }
    Answered<JsonNode> came = now.recorder()
        .answering()
        .answer(
            question(sql, arguments, what),
            () -> TimeLimited.within(TimeLeft.cut(timeout), () -> done(sql, arguments, asking)));
    JsonNode answer;
    try {
      answer = came.orThrow(SQLException.class);
    } catch (SQLException | DatabaseProblem e) {
      Look failed = query(sql, arguments, "", came, String.valueOf(e.getMessage()));
      now.recorder().ended(failed);
      throw new DatabaseProblem(
          "the database '%s' gave no answer to '%s': %s"
              .formatted(name, failed.line().substring(name.length() + 2), e.getMessage()),
          e);
    }
    Look query = query(sql, arguments, JsonMapping.standard().write(answer), came, null);
    now.recorder().ended(query);
    return new DatabaseAnswer(query, answer, what, now.recorder());
  }

  private Question<JsonNode> question(String sql, Arguments arguments, String what) {
    String family = name + ", " + what + ": " + sql;
    String text = family + " with " + arguments.told();
    return new Question<>(JsonNode.class, Question.Kind.STATEMENT, text, family, text);
  }

  private Look query(
      String sql, Arguments arguments, String answer, Answered<?> came, @Nullable String fault) {
    return new Look(name, sql, arguments.told(), answer, came.at(), came.took(), fault);
  }

  /** Whatever was done is undone, unless somebody committed: a driver's read-only flag is a wish. */
  private JsonNode done(String sql, Arguments arguments, Asking asking) throws SQLException {
    try (Connection connection = connector.open()) {
      connection.setAutoCommit(false);
      try (PreparedStatement statement = connection.prepareStatement(sql)) {
        limit(statement);
        arguments.into(statement);
        return asking.answer(connection, statement);
      } finally {
        connection.rollback();
      }
    }
  }

  private void limit(PreparedStatement statement) throws SQLException {
    try {
      statement.setQueryTimeout((int) Math.max(1, timeout.toSeconds()));
    } catch (SQLFeatureNotSupportedException e) {
      // then the timeout of the whole piece of work is all there is
    }
  }

  /** What is done with a prepared statement. */
  private interface Asking {
    JsonNode answer(Connection connection, PreparedStatement statement) throws SQLException;
  }
}
