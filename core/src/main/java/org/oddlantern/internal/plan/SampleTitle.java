package org.oddlantern.internal.plan;

import java.util.List;
import java.util.function.UnaryOperator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The title of a case that runs over samples, where {@code {kind}} stands for that component.
 *
 * @param title the title as written
 */
record SampleTitle(String title) {

  private static final Pattern NAME = Pattern.compile("\\{([^{}]*)\\}");

  /** The names of components that the title asks for. */
  List<String> names() {
    return NAME.matcher(title).results().map(found -> found.group(1)).toList();
  }

  /** The title with the values of a sample; with what the sample is known by, where none is asked for. */
  String with(Sample sample) {
    return with(sample, data -> data);
  }

  /** The same with what comes from the sample told in another way. */
  String with(Sample sample, UnaryOperator<String> told) {
    SampleFields fields = new SampleFields(sample.value(), sample.getters());
    Matcher name = NAME.matcher(title);
    if (!name.find()) {
      return title + " [" + told.apply(sample.key()) + "]";
    }
    StringBuilder text = new StringBuilder();
    int from = 0;
    do {
      text.append(title, from, name.start()).append(told.apply(fields.text(name.group(1))));
      from = name.end();
    } while (name.find());
    return text.append(title, from, title.length()).toString();
  }
}
