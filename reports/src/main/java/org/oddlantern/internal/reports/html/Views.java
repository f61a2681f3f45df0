package org.oddlantern.internal.reports.html;

import java.util.AbstractList;
import java.util.List;
import java.util.function.Function;

/**
 * Views of records, each made when it is looked at and kept by nobody, so that the bodies of a long run
 * are never in memory together.
 */
final class Views<S, T> extends AbstractList<T> {

  private final List<S> records;
  private final Function<S, T> view;

  Views(List<S> records, Function<S, T> view) {
    this.records = records;
    this.view = view;
  }

  @Override
  public T get(int index) {
    return view.apply(records.get(index));
  }

  @Override
  public int size() {
    return records.size();
  }
}
