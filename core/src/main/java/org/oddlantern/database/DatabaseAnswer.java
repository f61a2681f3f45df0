package org.oddlantern.database;

import java.util.List;
import org.oddlantern.check.internal.Given;
import org.oddlantern.evidence.Check;
import org.oddlantern.evidence.CheckFailed;
import org.oddlantern.evidence.Evidence;
import org.oddlantern.evidence.Headers;
import org.oddlantern.evidence.Verdict;
import org.oddlantern.evidence.internal.EvidenceListener;
import org.oddlantern.evidence.internal.Look;
import org.oddlantern.evidence.internal.LookedAt;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Json;
import org.oddlantern.json.internal.Words;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.xml.Xml;

/**
 * What a database answered: a row as a JSON object, rows as a list, or a count. Shapes may be given to
 * {@code must} directly. Thread-safe.
 *
 * <pre>{@code
 * store.row("select * from hive where id = ?", id).must(including(hive), at("$.keeper", "wren"));
 * }</pre>
 */
public final class DatabaseAnswer implements Evidence {

  private final Look query;
  private final JsonNode tree;
  private final String what;
  private final EvidenceListener recorder;
  private final Judging judging;

  DatabaseAnswer(Look query, JsonNode tree, String what, EvidenceListener recorder) {
    this.query = query;
    this.tree = tree;
    this.what = what;
    this.recorder = recorder;
    this.judging = new Judging();
  }

  /** This answer if it is one row, which is an object then. */
  DatabaseAnswer one() {
    if (tree.isObject()) {
      return this;
    }
    Verdict verdict = new Verdict(
        "one row",
        false,
        List.of(Finding.of(
            "the rows",
            "one row",
            tree.isEmpty() ? "no row" : tree.size() + " rows: " + Words.of(tree))));
    recorder.judged(query, List.of(verdict));
    throw new CheckFailed(title(), List.of(verdict));
  }

  @Override
  public String title() {
    return judging.title();
  }

  @Override
  public String summary() {
    return judging.summary();
  }

  @Override
  public Json json() {
    return judging.json();
  }

  /**
   * Makes all these checks, then fails if one or more do not hold.
   *
   * @param first a check, or a shape for the whole answer
   * @param more more of them
   * @return this answer
   * @throws CheckFailed with every finding, if a check does not hold
   * @throws IllegalArgumentException if a plain value is given
   */
  public DatabaseAnswer must(Object first, Object... more) {
    judging.must(Given.check(first), Given.checks(more));
    return this;
  }

  @Override
  public DatabaseAnswer must(Check first, Check... more) {
    judging.must(first, more);
    return this;
  }

  @Override
  public DatabaseAnswer warnUnless(Check first, Check... more) {
    judging.warnUnless(first, more);
    return this;
  }

  @Override
  public Headers headers() {
    return judging.headers();
  }

  @Override
  public byte[] bytes() {
    return judging.bytes();
  }

  @Override
  public String text() {
    return judging.text();
  }

  @Override
  public Xml xml() {
    return judging.xml();
  }

  @Override
  public <T> T valueAt(String path, Class<T> type) {
    return judging.valueAt(path, type);
  }

  @Override
  public <T> List<T> valuesAt(String path, Class<T> type) {
    return judging.valuesAt(path, type);
  }

  @Override
  public <T> T bodyAs(Class<T> type) {
    return judging.bodyAs(type);
  }

  @Override
  public <T> List<T> bodyAsListOf(Class<T> type) {
    return judging.bodyAsListOf(type);
  }

  @Override
  public String toString() {
    return title();
  }

  /** Makes the checks on this answer and reads from it. */
  private final class Judging extends LookedAt {

    Judging() {
      super(query, tree, recorder);
    }

    @Override
    protected Evidence seen() {
      return DatabaseAnswer.this;
    }

    @Override
    public String summary() {
      return what + ": " + super.summary();
    }
  }
}
