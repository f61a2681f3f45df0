package org.oddlantern.check;

import org.oddlantern.evidence.Check;
import org.oddlantern.json.Shape;

/**
 * A value that a function finds no problems with; also a check of a whole body. Made by {@link
 * Checks#judgedBy}. Immutable; as thread-safe as its function.
 *
 * @param <T> what the value is read as
 */
public sealed interface Judged<T> extends Shape, Check permits JudgedValue {

  @Override
  String words();
}
