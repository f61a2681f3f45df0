package org.oddlantern.schema.internal;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** {@code $ref}; {@code $dynamicRef} and {@code $recursiveRef} where the anchor is a dynamic one. */
final class Ref extends Keyword {

  private final RuleLink target;
  private final @Nullable String dynamic;

  /**
   * The keyword.
   *
   * @param name the keyword
   * @param target what it refers to, read in its own resource
   * @param dynamic the anchor that outer resources may give another meaning; null if none
   */
  Ref(String name, RuleLink target, @Nullable String dynamic) {
    super(name, Kind.ALL);
    this.target = target;
    this.dynamic = dynamic;
  }

  /** Whether it refers to the same wherever it is entered from. */
  boolean isFixed() {
    return dynamic == null;
  }

  /** What it refers to in its own resource. */
  Rule ownTarget() {
    return target.rule();
  }

  private Rule target(Evaluation run) {
    if (dynamic == null) {
      return target.rule();
    }
    Rule outermost = run.outermost(dynamic);
    return outermost == null ? target.rule() : outermost;
  }

  @Override
  List<Rule> alwaysAsked() {
    return dynamic == null ? List.of(target.rule()) : List.of();
  }

  @Override
  boolean holds(JsonNode value, Evaluation run, @Nullable Covered covered) {
    return target(run).holds(value, run, covered);
  }

  @Override
  void explain(Spot spot, Evaluation run, @Nullable Covered covered, List<Violation> out) {
    target(run).explain(spot.through(name()), run, covered, out);
  }

  @Override
  String wanted() {
    return "a value that fits " + target.rule().site().where();
  }
}
