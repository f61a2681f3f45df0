package org.oddlantern.internal.run;

import java.lang.reflect.Type;
import org.oddlantern.evidence.internal.Answering;
import org.oddlantern.internal.plan.BoundMethod;
import org.oddlantern.internal.plan.TidyUpDefinition;

/**
 * Calls the method that puts a value back.
 *
 * @param id the case or supply that made the value
 * @param environment where it was made
 * @param tidyUp the method
 * @param value the value
 * @param values the shared supplies that the method takes besides
 */
record TidyUpDeed(
    String id, String environment, BoundMethod.Cleanup tidyUp, Object value, TakenValues values)
    implements Belonging.Deed {

  @Override
  public void done(PutBacks putBacks) {
    TidyUpDefinition definition = tidyUp.definition();
    Work work = new Work(
        putBacks.workshop(),
        id,
        definition.name(),
        definition.suite(),
        environment,
        " tidied up",
        Answering.LIVE,
        undo -> {});
    Instances instances = new Instances((type, asker) -> given(type, asker, work), one -> {});
    putBacks.work(
        id, words(tidyUp), work, () -> instances.call(definition.suite(), definition.method()));
  }

  /** What is told of it, before and after. */
  static String words(BoundMethod.Cleanup tidyUp) {
    return "tidy up with " + tidyUp.definition().name();
  }

  private Object given(Type type, Class<?> asker, Work work) {
    if (type.equals(tidyUp.definition().value())) {
      return value;
    }
    return values.value(type, asker, work);
  }
}
