package org.oddlantern.schema;

import java.util.Objects;
import java.util.function.UnaryOperator;
import org.oddlantern.internal.Needed;
import org.oddlantern.json.Json;
import org.oddlantern.payload.Payload;
import org.oddlantern.schema.internal.make.ChangedPayload;

/**
 * A way to break a good value at one place, by its schema, and at no other.
 *
 * <pre>{@code
 * @Samples
 * static List<Wrong<NewHive>> wrong() {
 *   return Schema.named("schemas/new-hive.json").wrong(NewHive.class);
 * }
 *
 * @Case("a hive is refused if {what}")
 * void refused(Wrong<NewHive> wrong, Fresh fresh) {
 *   beeyard.send(Call.post("/hives").json(wrong.in(hive(fresh)))).must(status(oneOf(400, 422)));
 * }
 * }</pre>
 *
 * <p>Immutable and thread-safe.
 *
 * @param <T> what the good value is
 * @param what what it does, in words
 * @param place where, as a JSONPath
 * @param rule what kind of change it is
 * @param change makes it in a good value, or refuses to
 */
public record Wrong<T>(String what, String place, String rule, UnaryOperator<Json> change)
    implements Recipe {

  /** Wants all of it. */
  public Wrong {
    Objects.requireNonNull(what, "what");
    Objects.requireNonNull(place, "place");
    Objects.requireNonNull(rule, "rule");
    Objects.requireNonNull(change, "change");
  }

  /**
   * The value that comes of a good one, made when it is sent.
   *
   * @param good the good value
   * @return the changed value; an {@link IllegalArgumentException} at its first use if the good value does
   *     not fit the schema, has nothing at that place, or comes out otherwise than it should
   */
  public Payload in(T good) {
    Needed.of(good, "in(good): good");
    return Payload.of(new ChangedPayload(good, change));
  }

  /**
   * The same of a good value under construction.
   *
   * @param good the good value
   * @return the changed value
   */
  public Payload in(Payload good) {
    Needed.of(good, "in(good): good");
    return Payload.of(new ChangedPayload(good, change));
  }

  @Override
  public String toString() {
    return what;
  }
}
