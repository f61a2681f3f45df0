package org.oddlantern.database;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.check.Checks;
import org.oddlantern.http.Check;
import org.oddlantern.http.CheckFailed;
import org.oddlantern.http.Verdict;
import org.oddlantern.http.internal.CaseRecorder;
import org.oddlantern.http.internal.JudgedEvidence;
import org.oddlantern.json.Finding;
import org.oddlantern.json.JsonMapping;
import org.oddlantern.json.Secret;
import org.oddlantern.json.Shape;
import org.oddlantern.json.Words;
import tools.jackson.databind.JsonNode;

/**
 * What a database answered: a row as a JSON object, rows as a list, or a count. Shapes may be given to
 * {@code must} directly. Thread-safe.
 *
 * <pre>{@code
 * store.row("select * from hive where id = ?", id).must(including(hive), at("$.keeper", "wren"));
 * }</pre>
 */
public final class DatabaseAnswer extends JudgedEvidence {

  private final Query query;
  private final JsonNode tree;
  private final String what;
  private final CaseRecorder recorder;

  DatabaseAnswer(Query query, JsonNode tree, String what, CaseRecorder recorder) {
    this.query = query;
    this.tree = tree;
    this.what = what;
    this.recorder = recorder;
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
    judged(List.of(verdict));
    throw new CheckFailed(title(), List.of(verdict));
  }

  @Override
  public String title() {
    return query.line()
        + (query.parameters().isEmpty() ? "" : " with " + String.join(", ", query.parameters()));
  }

  @Override
  public String summary() {
    return what + ": " + Words.of(tree);
  }

  @Override
  public JsonNode json() {
    return tree;
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
    List<Check> checks = new ArrayList<>();
    for (Object other : more) {
      checks.add(check(other));
    }
    super.must(check(first), checks.toArray(new Check[0]));
    return this;
  }

  @Override
  public DatabaseAnswer must(Check first, Check... more) {
    super.must(first, more);
    return this;
  }

  @Override
  public DatabaseAnswer warnUnless(Check first, Check... more) {
    super.warnUnless(first, more);
    return this;
  }

  @Override
  protected void judged(List<Verdict> verdicts) {
    recorder.judged(query, verdicts);
  }

  @Override
  protected JsonMapping hearingMapping() {
    return JsonMapping.standard().hearing(secret -> recorder.secret(Secret.of(secret)));
  }

  private static Check check(@Nullable Object given) {
    if (given instanceof Check check) {
      return check;
    }
    if (given instanceof Shape shape) {
      return Checks.body(shape);
    }
    throw new IllegalArgumentException(
        "the value " + Words.of(JsonMapping.standard().tree(given))
            + " was given where a check or a shape is wanted; say exactly(...), or at(path, ...)");
  }
}
