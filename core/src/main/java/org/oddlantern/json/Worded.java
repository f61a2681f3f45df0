package org.oddlantern.json;

/** Something that a report has words for: a check, a shape. */
public interface Worded {

  /**
   * It in words: {@code status(201)}, {@code a whole number}.
   *
   * @return the words; never blank
   */
  String words();
}
