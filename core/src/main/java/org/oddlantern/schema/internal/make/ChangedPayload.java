package org.oddlantern.schema.internal.make;

import java.util.function.Function;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.Json;
import org.oddlantern.json.JsonSource;

/**
 * A good value that is changed when it is written.
 *
 * @param good the value
 * @param change changes it
 */
public record ChangedPayload(Object good, UnaryOperator<Json> change) implements JsonSource {

  @Override
  public Json tree(Function<@Nullable Object, Json> written) {
    return change.apply(written.apply(good));
  }
}
