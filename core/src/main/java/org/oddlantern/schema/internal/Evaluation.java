package org.oddlantern.schema.internal;

import org.jspecify.annotations.Nullable;
import org.oddlantern.schema.internal.text.GivenUp;

/** One judgement at work, in one thread: where it stands, and how much work it may still do. */
final class Evaluation {

  /** Schemas within schemas, and values within values. */
  private static final int DEEPEST = 50_000;

  /** Subschemas applied in one judgement. */
  private static final int MOST_STEPS = 100_000_000;

  private @Nullable Scope scope;
  private int depth;
  private int steps;

  /** Steps into a schema of that resource; what comes back is to be given to {@link #leave}. */
  @Nullable
  Scope enter(Resource resource) {
    if (++depth > DEEPEST) {
      throw GivenUp.tooDeep();
    }
    if (++steps > MOST_STEPS) {
      throw new GivenUp("the schema was given up on this value after " + MOST_STEPS / 1_000_000
          + " million steps: its subschemas multiply");
    }
    Scope outside = scope;
    if (outside == null || outside.resource() != resource) {
      scope = new Scope(resource, outside, outside == null ? resource : outside.outermost());
    }
    return outside;
  }

  void leave(@Nullable Scope outside) {
    depth--;
    scope = outside;
  }

  /** The outermost resource that gives a name a new meaning; null if none does. */
  @Nullable
  Rule outermost(String anchor) {
    Rule first = scope == null ? null : scope.outermost().dynamic(anchor);
    if (first != null) {
      return first;
    }
    Rule found = null;
    for (Scope step = scope; step != null; step = step.around()) {
      Rule named = step.resource().dynamic(anchor);
      found = named == null ? found : named;
    }
    return found;
  }
}
