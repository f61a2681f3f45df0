package org.oddlantern.schema;

/**
 * A schema that cannot be used: it breaks its own meta-schema, refers to what is not there, or is of an
 * unknown draft. The message gives the place in the schema and what to do.
 */
public final class SchemaProblem extends IllegalArgumentException {

  private static final long serialVersionUID = 1L;

  private final String place;
  private final String reason;

  /**
   * A problem.
   *
   * @param place the file and the JSON Pointer in it: {@code schemas/hive.json#/properties/frames}
   * @param reason what is wrong there
   */
  public SchemaProblem(String place, String reason) {
    super("the schema cannot be used: at " + place + ": " + reason);
    this.place = place;
    this.reason = reason;
  }

  /**
   * Where in the schema it lies.
   *
   * @return the file and the JSON Pointer in it
   */
  public String place() {
    return place;
  }

  /**
   * What is wrong there.
   *
   * @return a sentence without the place
   */
  public String reason() {
    return reason;
  }
}
