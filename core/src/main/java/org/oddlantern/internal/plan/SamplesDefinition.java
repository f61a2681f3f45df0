package org.oddlantern.internal.plan;

import java.lang.reflect.Method;
import java.lang.reflect.Type;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * A method of samples as its class defines it.
 *
 * @param suite the class it belongs to
 * @param method the method
 * @param position where it stands
 * @param handsOn the type of a sample
 */
public record SamplesDefinition(Class<?> suite, Method method, Position position, Type handsOn)
    implements Maker {

  @Override
  public List<ValueParameter> parameters() {
    return List.of();
  }

  /** Samples are the same everywhere. */
  @Override
  public String environment() {
    return "";
  }

  @Override
  public String name() {
    return new CaseId(suite.getName(), method.getName(), "", "").brief();
  }

  @Override
  public SamplesDefinition on(String other) {
    return this;
  }

  @Override
  public boolean equals(@Nullable Object other) {
    return other instanceof SamplesDefinition that && isSameAs(that);
  }

  @Override
  public int hashCode() {
    return Objects.hash(suite, method);
  }
}
