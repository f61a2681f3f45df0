package org.oddlantern.internal.plan;

import java.lang.reflect.Method;
import java.lang.reflect.Type;
import java.util.List;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import org.oddlantern.schema.Recipe;

/**
 * A case as its class defines it, or one of its samples.
 *
 * @param id what it is known by
 * @param suite the concrete class it belongs to, which may inherit the method
 * @param method the method
 * @param titled its title in plain words
 * @param position where it stands
 * @param parameters what it takes, constructors included, built-in things left out
 * @param handsOn the type it hands on, or null
 * @param environment the environment it is pinned to; empty for the run's
 * @param marks what is marked on it
 */
public record CaseDefinition(
    CaseId id,
    Class<?> suite,
    Method method,
    Titled titled,
    Position position,
    List<ValueParameter> parameters,
    @Nullable Type handsOn,
    String environment,
    CaseMarks marks)
    implements Maker {

  /**
   * Its title, with the values of its sample.
   *
   * @return the title
   */
  public String title() {
    return title(data -> data);
  }

  /**
   * Its title, what comes from a sample told in another way, with secrets hidden for instance.
   *
   * @param told tells a value of the sample
   * @return the title
   */
  public String title(UnaryOperator<String> told) {
    return titled.sample == null
        ? titled.text
        : new SampleTitle(titled.text).with(titled.sample, told);
  }

  @Override
  public String name() {
    return id.brief();
  }

  @Override
  public CaseDefinition on(String other) {
    return with(new CaseId(id.suite(), id.method(), other, id.sample()), titled, other);
  }

  /** How it changes a good value, if its sample is a way to do so; null else. */
  public @Nullable Recipe recipe() {
    return titled.sample != null && titled.sample.value() instanceof Recipe recipe ? recipe : null;
  }

  /** The case over one sample. */
  CaseDefinition over(Sample sample) {
    return with(
        new CaseId(id.suite(), id.method(), id.environment(), sample.key()),
        new Titled(titled.text, sample),
        environment);
  }

  /**
   * The case as its class defines it, wherever it runs and over whichever sample.
   *
   * @return its identity there
   */
  public CaseId origin() {
    return new CaseId(id.suite(), id.method(), "", "");
  }

  private CaseDefinition with(CaseId otherId, Titled otherTitle, String otherEnvironment) {
    return new CaseDefinition(
        otherId, suite, method, otherTitle, position, parameters, handsOn, otherEnvironment, marks);
  }

  /**
   * A title as it is written, and the sample whose values stand in it.
   *
   * @param text the title as written
   * @param sample the sample; null if it runs over none
   */
  public record Titled(String text, @Nullable Sample sample) {}

  @Override
  public boolean equals(@Nullable Object other) {
    return other instanceof CaseDefinition that && that.id.equals(id) && that.suite == suite;
  }

  @Override
  public int hashCode() {
    return id.hashCode();
  }
}
