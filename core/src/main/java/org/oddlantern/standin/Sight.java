package org.oddlantern.standin;

import java.time.Duration;
import java.util.List;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.oddlantern.check.internal.Given;
import org.oddlantern.evidence.Check;
import org.oddlantern.evidence.internal.Answered;
import org.oddlantern.evidence.internal.EvidenceListener;
import org.oddlantern.evidence.internal.Look;
import org.oddlantern.evidence.internal.LookedAt;
import org.oddlantern.evidence.internal.Question;
import org.oddlantern.internal.CurrentCase;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** What was seen, judged for the case that looked. */
final class Sight extends LookedAt implements Observed {

  private Sight(Look look, JsonNode tree, EvidenceListener recorder) {
    super(look, tree, recorder);
  }

  /** Seen by the case at work, unless it was given before what is seen. */
  static Sight of(String title, Supplier<@Nullable Object> seen) {
    EvidenceListener recorder =
        CurrentCase.part(EvidenceListener.class).orElse(EvidenceListener.NONE);
    Answered<JsonNode> came = recorder
        .answering()
        .answer(
            Question.of(JsonNode.class, Question.Kind.LOOK, title),
            () -> mapping(recorder).tree(seen.get()));
    JsonNode tree = came.orThrow();
    Look look = new Look(
        title, "", List.of(), JsonMapping.standard().write(tree), came.at(), Duration.ZERO, null);
    recorder.ended(look);
    return new Sight(look, tree, recorder);
  }

  @Override
  public Observed must(Object first, Object... more) {
    return must(Given.check(first), Given.checks(more));
  }

  @Override
  public Observed must(Check first, Check... more) {
    super.must(first, more);
    return this;
  }

  @Override
  public Observed warnUnless(Check first, Check... more) {
    super.warnUnless(first, more);
    return this;
  }
}
