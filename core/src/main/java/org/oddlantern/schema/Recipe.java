package org.oddlantern.schema;

/**
 * How a good value is changed at one place to see what a service makes of it: a sample of a case. It is no
 * value but a way to one, since labels must be new each time.
 */
public interface Recipe {

  /**
   * What it does.
   *
   * @return in words, for titles: {@code label is too long}
   */
  String what();

  /**
   * Where.
   *
   * @return a JSONPath: {@code $.label}
   */
  String place();

  /**
   * What kind of change it is.
   *
   * @return {@code missing}, {@code null}, {@code another kind}, {@code too long}, ...
   */
  String rule();
}
