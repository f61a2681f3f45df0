package org.oddlantern.check.internal;

import java.util.Arrays;
import org.jspecify.annotations.Nullable;
import org.oddlantern.check.Checks;
import org.oddlantern.evidence.Check;
import org.oddlantern.json.Shape;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.Words;

/** What is given where a check is wanted and a shape for the whole will do. */
public final class Given {

  private Given() {}

  /**
   * The check that is meant.
   *
   * @param given a check, or a shape for the whole
   * @return the check
   * @throws IllegalArgumentException if it is a plain value
   */
  public static Check check(@Nullable Object given) {
    if (given instanceof Check check) {
      return check;
    }
    if (given instanceof Shape shape) {
      return Checks.body(shape);
    }
    throw new IllegalArgumentException(
        "the value " + Words.of(JsonMapping.standard().tree(given))
            + " was given where a check or a shape is wanted; say exactly(...), or at(path, ...)");
  }

  /**
   * The checks that are meant.
   *
   * @param given checks and shapes
   * @return a check for each
   */
  public static Check[] checks(Object... given) {
    return Arrays.stream(given).map(Given::check).toArray(Check[]::new);
  }
}
