package org.oddlantern.internal.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;

/**
 * The title of a case that runs over samples, where {@code {kind}} stands for that component.
 *
 * @param title the title as written
 */
record SampleTitle(String title) {

  /** The names of components that the title asks for. */
  List<String> names() {
    List<String> names = new ArrayList<>();
    for (int open = title.indexOf('{'); open >= 0; open = title.indexOf('{', open + 1)) {
      int close = close(open);
      if (close > 0) {
        names.add(title.substring(open + 1, close));
      }
    }
    return names;
  }

  /** The title with the values of a sample; with what the sample is known by, where none is asked for. */
  String with(Sample sample) {
    return with(sample, data -> data);
  }

  /** The same with what comes from the sample told in another way. */
  String with(Sample sample, UnaryOperator<String> told) {
    SampleFields fields = new SampleFields(sample.value(), sample.getters());
    StringBuilder text = new StringBuilder();
    int from = 0;
    for (int open = title.indexOf('{'); open >= 0; open = title.indexOf('{', open + 1)) {
      int close = close(open);
      if (close > 0) {
        String name = title.substring(open + 1, close);
        text.append(title, from, open).append(told.apply(fields.text(name)));
        from = close + 1;
      }
    }
    return from == 0
        ? title + " [" + told.apply(sample.key()) + "]"
        : text.append(title, from, title.length()).toString();
  }

  /** Where a name ends that begins at a brace; -1 if another brace opens before, or none closes. */
  private int close(int open) {
    int close = title.indexOf('}', open);
    return close > 0 && title.lastIndexOf('{', close) == open ? close : -1;
  }
}
