package org.oddlantern.internal.record;

import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.Verdict;
import org.oddlantern.json.NotJson;
import org.oddlantern.json.internal.JsonMapping;

/**
 * A look at something that is no reply, as recorded: a database, a mailbox, what a stand-in was asked.
 * Secrets are masked.
 *
 * @param asked what was asked
 * @param answer what was seen as JSON, the beginning of them if they are many
 * @param after how many exchanges of the case came before it
 * @param sentAt when it was sent
 * @param tookMicros microseconds until it was answered
 * @param fault why there is no answer, or null
 * @param verdicts the checks made on the answer
 */
public record LookRecord(
    Asked asked,
    String answer,
    int after,
    Instant sentAt,
    long tookMicros,
    @Nullable String fault,
    List<Verdict> verdicts)
    implements AskedRecord {

  /** Keeps its own list. */
  public LookRecord {
    verdicts = List.copyOf(verdicts);
  }

  /** What was looked at: the name of a database, or anything else in words. */
  public String at() {
    return asked.at();
  }

  /** What a database was asked, as written; empty for anything else. */
  public String sql() {
    return asked.sql();
  }

  /** What was given for its question marks. */
  public List<String> parameters() {
    return asked.parameters();
  }

  /**
   * How much came, in words.
   *
   * @return {@code no row}, {@code 1 row}, {@code 12 items}, {@code a text}, or a count as it is
   */
  public String amount() {
    String thing = isOfDatabase() ? "row" : "item";
    if (!answer.startsWith("[")) {
      return answer.startsWith("{")
          ? isOfDatabase() ? "1 row" : "one object"
          : answer.startsWith("\"") ? "a text" : answer;
    }
    try {
      int count = JsonMapping.standard().parse(answer).size();
      return count == 0 ? "no " + thing : count + " " + thing + (count == 1 ? "" : "s");
    } catch (NotJson e) {
      return "many " + thing + "s"; // cut, since there were so many
    }
  }

  /** Whether a database was asked, and not something else looked at. */
  public boolean isOfDatabase() {
    return !sql().isEmpty();
  }

  /**
   * Statement and parameters in one line.
   *
   * @return {@code select label from hive where id = ? with 4}
   */
  public String statement() {
    String one = sql().strip().replaceAll("\\s+", " ");
    return parameters().isEmpty() ? one : one + " with " + String.join(", ", parameters());
  }

  /**
   * What was looked at, statement and parameters in one line.
   *
   * @return {@code store: select label from hive where id = ? with 4}
   */
  @Override
  public String line() {
    return isOfDatabase() ? at() + ": " + statement() : at();
  }

  /**
   * What was asked.
   *
   * @param at the name of the database, or what else was looked at, in words
   * @param sql the statement; empty for anything else
   * @param parameters what was given for its question marks
   */
  public record Asked(String at, String sql, List<String> parameters) {

    /** Keeps its own list. */
    public Asked {
      parameters = List.copyOf(parameters);
    }
  }
}
