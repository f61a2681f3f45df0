package org.oddlantern.http;

import java.util.Objects;
import java.util.function.UnaryOperator;
import org.oddlantern.internal.Needed;
import org.oddlantern.schema.Recipe;

/**
 * A way to make a good call wrong at one place, by the description of its operation: a sample of a case.
 * Immutable and thread-safe.
 *
 * <pre>{@code
 * @Samples
 * static List<WrongCall> wrong() {
 *   return Description.named("beeyard.yaml").operation("GET /inspections").wrong();
 * }
 *
 * @Case("inspections are refused if {what}")
 * void refused(WrongCall wrong) {
 *   beeyard.send(wrong.in(Call.get("/inspections").query("limit", 5))).must(status("4xx"));
 * }
 * }</pre>
 *
 * @param what what it does, in words: {@code nobody has signed in}
 * @param place where: {@code query limit}, {@code $.label}
 * @param rule what kind of change it is: {@code missing}, {@code no credentials}, ...
 * @param change makes it in a good call
 */
public record WrongCall(String what, String place, String rule, UnaryOperator<Call> change)
    implements Recipe {

  /** Wants all of it. */
  public WrongCall {
    Objects.requireNonNull(what, "what");
    Objects.requireNonNull(place, "place");
    Objects.requireNonNull(rule, "rule");
    Objects.requireNonNull(change, "change");
  }

  /**
   * The call that comes of a good one.
   *
   * @param good a call that the service accepts
   * @return the call; an {@link IllegalArgumentException} when it is sent if its body was not good before, or
   *     is broken elsewhere too
   * @throws IllegalArgumentException if the good call has no such part
   */
  public Call in(Call good) {
    Needed.of(good, "in(good): good");
    return change.apply(good);
  }

  @Override
  public String toString() {
    return what;
  }
}
