package org.oddlantern.json.internal;

import java.util.List;
import org.oddlantern.json.Location;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** A value that is there but cannot be read as the type asked for; the message says both. */
public final class TypeMismatch extends RuntimeException {

  private static final long serialVersionUID = 1L;

  private final transient List<Object> steps;
  private final String wanted;
  private final String reason;

  TypeMismatch(String message, List<Object> steps, String wanted, String reason) {
    super(message);
    this.steps = List.copyOf(steps);
    this.wanted = wanted;
    this.reason = reason;
  }

  /**
   * The innermost value that does not fit.
   *
   * @param whole the value that was to be read
   * @return its place and value; a missing node if it is not there
   */
  public FoundNode inside(FoundNode whole) {
    Location where = whole.where();
    JsonNode value = whole.value();
    for (Object step : steps) {
      where = step instanceof Integer index ? where.child(index) : where.child(step.toString());
      value = step instanceof Integer index ? value.path(index) : value.path(step.toString());
    }
    return new FoundNode(where, value);
  }

  /**
   * What was wanted there.
   *
   * @return {@code a value that can be read as Integer}
   */
  public String wanted() {
    return wanted;
  }

  /**
   * Why it does not fit.
   *
   * @return a sentence of the mapper
   */
  public String reason() {
    return reason;
  }
}
