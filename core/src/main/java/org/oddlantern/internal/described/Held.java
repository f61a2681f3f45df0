package org.oddlantern.internal.described;

import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.description.Answer;
import org.oddlantern.internal.description.Operation;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * An exchange that was held against a description.
 *
 * @param operation the operation it was; null if none is described
 * @param deviations what it did otherwise
 * @param parameters the parameters that were sent, as {@code query year}
 * @param sentType the media type sent, as it is described; empty if there was no body, or none is
 * @param answer what is said of its status; null if nothing
 * @param cameType the media type that came, as it is described; empty if there was no body, or none is
 * @param cameTree the body that came, as a value; null if it is none
 */
public record Held(
    @Nullable Operation operation,
    List<Deviation> deviations,
    Set<String> parameters,
    String sentType,
    @Nullable Answer answer,
    String cameType,
    @Nullable JsonNode cameTree) {

  /** Keeps its own lists. */
  public Held {
    deviations = List.copyOf(deviations);
    parameters = Set.copyOf(parameters);
  }
}
