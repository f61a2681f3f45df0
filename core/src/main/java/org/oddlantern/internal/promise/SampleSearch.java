package org.oddlantern.internal.promise;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * Finds the samples that a paragraph below a promise names: {@code samples: refused-hives.csv}.
 *
 * @param cases the cases of the promise
 * @param tables reads a file of samples
 */
record SampleSearch(List<TitledCase> cases, Function<String, SampleTable> tables) {

  /**
   * The table of a paragraph.
   *
   * @throws IllegalArgumentException if it does not fit, with the reason
   */
  SampleTable found(String paragraph, @Nullable SampleTable before) {
    String named = paragraph.substring(SampleTable.HEAD.length()).strip();
    if (before != null) {
      throw new IllegalArgumentException(
          "names the samples " + named + ", and those of its promise are " + before.file());
    }
    if (cases.isEmpty()) {
      throw new IllegalArgumentException(
          "names the samples " + named + " below a promise that no case has for its title");
    }
    for (TitledCase one : cases) {
      for (String file : one.files()) {
        if (file.equals(named) || file.endsWith("/" + named)) {
          return numbered(one, tables.apply(file));
        }
      }
    }
    throw new IllegalArgumentException(
        "names the samples " + named + ", but " + over(cases.get(0)));
  }

  private static String over(TitledCase one) {
    String name = one.id().substring(one.id().lastIndexOf('.') + 1);
    if (one.samples().isEmpty()) {
      return name + " runs over no samples";
    }
    return one.files().isEmpty()
        ? name + " takes its samples from no file"
        : name + " takes its samples from "
            + one.files().stream().collect(Collectors.joining(", "));
  }

  /** With the case of each row, if the samples are the rows. */
  private static SampleTable numbered(TitledCase one, SampleTable table) {
    if (one.files().size() != 1 || table.rows().size() != one.samples().size()) {
      return table;
    }
    List<SampleTable.Row> rows = new ArrayList<>();
    for (SampleTable.Row row : table.rows()) {
      rows.add(new SampleTable.Row(one.samples().get(rows.size()).id(), row.cells()));
    }
    return new SampleTable(table.file(), table.columns(), rows);
  }
}
