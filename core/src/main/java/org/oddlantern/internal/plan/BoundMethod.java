package org.oddlantern.internal.plan;

import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * How a case or a supply is called, with where each value comes from.
 *
 * @param maker the case or supply
 * @param bindings where each value comes from that it takes
 * @param tidyUp how the value it makes is put back; null if no method does
 */
public record BoundMethod(
    Maker maker,
    Map<ValueParameter, Binding> bindings,
    @Nullable Cleanup tidyUp) {

  /**
   * How a value is put back.
   *
   * @param definition the method
   * @param bindings where each value comes from that it takes besides
   */
  public record Cleanup(TidyUpDefinition definition, Map<ValueParameter, Binding> bindings) {}
}
