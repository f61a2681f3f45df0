package org.oddlantern.schema.internal.make;

import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.Location;
import org.oddlantern.schema.internal.CompiledSchema;
import org.oddlantern.schema.internal.Misfit;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.MissingNode;

/**
 * A change of a good value at one place, proven by the schema itself each time.
 *
 * @param what what it does, in words: {@code label is too long}
 * @param rule what kind of change it is: {@code too long}
 * @param way where
 * @param breaks whether the value is no longer good after it
 * @param adds whether nothing is there before it
 * @param change gives what is there afterwards: of what was there, which may be missing; missing removes it
 */
public record Change(
    String what,
    String rule,
    Way way,
    boolean breaks,
    boolean adds,
    UnaryOperator<JsonNode> change) {

  /** Where, as a JSONPath. */
  public String place() {
    return way.path();
  }

  /** What stands there afterwards, whatever stood there before, if that can be told without it. */
  public JsonNode wrongValue() {
    return change.apply(MissingNode.getInstance());
  }

  /** The changed value. */
  JsonNode applied(JsonNode good) {
    JsonNode before = way.in(good);
    JsonNode after = change.apply(before == null ? MissingNode.getInstance() : before);
    return way.with(good, after.isMissingNode() ? null : after);
  }

  /** Whether it can be made: what is around the place is there, and the place itself unless it is added. */
  boolean fits(JsonNode good) {
    return adds ? way.parent().in(good) != null : way.in(good) != null;
  }

  /**
   * Makes it in a good value.
   *
   * @param good the value
   * @param schema the schema
   * @return the changed value
   * @throws IllegalArgumentException if the value was not good, lacks the place, or comes out otherwise
   */
  public JsonNode in(JsonNode good, CompiledSchema schema) {
    Optional<Misfit> wrong = schema.misfits(Location.ROOT, good).stream().findFirst();
    if (wrong.isPresent()) {
      throw new IllegalArgumentException(
          what + ": the value to begin with is not good: at " + told(wrong.get()));
    }
    if (!fits(good)) {
      throw new IllegalArgumentException(
          what + ": the value to begin with has nothing at " + place());
    }
    JsonNode changed = applied(good);
    String problem = problem(changed, schema);
    if (problem != null) {
      throw new IllegalArgumentException(what + ": " + problem);
    }
    return changed;
  }

  /** Why a changed value is not what it should be; null if it is. */
  @Nullable
  String problem(JsonNode changed, CompiledSchema schema) {
    List<Misfit> misfits = schema.misfits(Location.ROOT, changed);
    if (!breaks) {
      return misfits.isEmpty() ? null : "it is not good after that: at " + told(misfits.get(0));
    }
    if (schema.accepts(changed)) {
      return "the value is good all the same";
    }
    String own = way.pointer();
    String around = way.parent().pointer();
    boolean gone = way.in(changed) == null;
    return misfits.stream()
        .filter(one -> !one.place().equals(own) && !(gone && one.place().equals(around)))
        .findFirst()
        .map(one -> "more than that breaks: at " + told(one))
        .orElse(null);
  }

  private static String told(Misfit misfit) {
    return misfit.finding().where() + " wanted " + misfit.finding().wanted() + ", got "
        + misfit.finding().got();
  }
}
