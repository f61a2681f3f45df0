package org.oddlantern.internal.run;

import java.util.Set;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.mask.Masker;
import org.oddlantern.internal.plan.CaseDefinition;
import org.oddlantern.internal.plan.CaseId;
import org.oddlantern.internal.plan.PlannedCase;
import org.oddlantern.internal.plan.Position;
import org.oddlantern.internal.plan.SuiteName;
import org.oddlantern.internal.record.CaseHead;
import org.oddlantern.internal.record.RecipeRecord;
import org.oddlantern.internal.record.RecordKind;
import org.oddlantern.schema.Edge;
import org.oddlantern.schema.Recipe;

/**
 * What reports tell of a case besides what came of it, whoever planned it.
 *
 * @param id what it is known by
 * @param suite its class
 * @param title tells its title, what comes from a sample in another way
 * @param position where it stands
 * @param knownFault where a fault is noted that it is known to have; empty if none
 * @param recipe how it changes a good value; null if it does not
 * @param order its place in the order of the plan
 * @param after what had to come before it
 */
record CaseFacts(
    CaseId id,
    Class<?> suite,
    Title title,
    Position position,
    String knownFault,
    @Nullable Recipe recipe,
    int order,
    Set<Integer> after) {

  static CaseFacts of(PlannedCase one) {
    CaseDefinition definition = one.definition();
    return new CaseFacts(
        definition.id(),
        definition.suite(),
        definition::title,
        definition.position(),
        definition.marks().knownFault(),
        definition.recipe(),
        one.order(),
        one.after());
  }

  /** As it stands in a record; what comes from a sample may be a secret that was learnt since. */
  CaseHead head(Masker masker) {
    return new CaseHead(
        RecordKind.CASE,
        masker.id(id.toString()),
        SuiteName.of(suite),
        title.told(masker::text),
        position.toString(),
        "",
        knownFault,
        recipe == null
            ? null
            : new RecipeRecord(masker.text(recipe.what()), !(recipe instanceof Edge<?>)));
  }

  /** A title that a sample may have a part in. */
  @FunctionalInterface
  interface Title {
    String told(UnaryOperator<String> sample);
  }
}
