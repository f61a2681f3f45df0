package org.oddlantern.internal.plan;

/**
 * Where something stands in the source.
 *
 * @param file the name of the source file; empty if unknown
 * @param line counted from 1; 0 if unknown
 * @param order the place among the methods of its class
 */
public record Position(String file, int line, int order) {

  /** A place nobody knows. */
  static final Position UNKNOWN = new Position("", 0, Integer.MAX_VALUE);

  @Override
  public String toString() {
    return file.isEmpty() ? "unknown source" : line == 0 ? file : file + ":" + line;
  }
}
