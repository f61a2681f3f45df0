package org.oddlantern.internal;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.oddlantern.shaded.tools.jackson.core.JacksonException;
import org.oddlantern.shaded.tools.jackson.core.StreamReadConstraints;
import org.oddlantern.shaded.tools.jackson.databind.MappingIterator;
import org.oddlantern.shaded.tools.jackson.dataformat.csv.CsvFactory;
import org.oddlantern.shaded.tools.jackson.dataformat.csv.CsvMapper;
import org.oddlantern.shaded.tools.jackson.dataformat.csv.CsvReadFeature;
import org.oddlantern.shaded.tools.jackson.dataformat.csv.CsvSchema;

/**
 * A text as CSV (RFC 4180) with a line of names. Every line has as many cells as there are names; an empty
 * line is none, but where there is one name only and more lines follow, it is an empty cell.
 *
 * @param names what stands in the first line
 * @param rows the others
 */
public record CsvTable(List<String> names, List<Row> rows) {

  private static final CsvMapper CSV = CsvMapper.builder(CsvFactory.builder()
          .streamReadConstraints(
              StreamReadConstraints.builder().maxStringLength(Integer.MAX_VALUE).build())
          .build())
      .enable(CsvReadFeature.WRAP_AS_ARRAY)
      .enable(CsvReadFeature.EMPTY_UNQUOTED_STRING_AS_NULL)
      .build();

  /**
   * Reads it.
   *
   * @param text the text, a byte order mark at its beginning aside
   * @param separator what stands between two cells
   * @return the table
   * @throws IllegalArgumentException if it is none, with the line
   */
  public static CsvTable of(String text, char separator) {
    List<Line> lines = new ArrayList<>();
    int line = 1;
    try (MappingIterator<List<@Nullable String>> all = CSV.readerForListOf(String.class)
        .with(CsvSchema.emptySchema().withColumnSeparator(separator))
        .readValues(text.startsWith("\ufeff") ? text.substring(1) : text)) {
      while (all.hasNextValue()) {
        line = all.currentLocation().getLineNr();
        lines.add(new Line(line, all.nextValue()));
        line = all.currentLocation().getLineNr();
      }
    } catch (JacksonException e) {
      throw new IllegalArgumentException(
          "line " + line
              + ": a quoted cell that begins here is not closed, or goes on after its closing quote",
          e);
    }
    return of(lines);
  }

  private static CsvTable of(List<Line> all) {
    List<Line> lines = new ArrayList<>(all);
    while (!lines.isEmpty() && lines.get(lines.size() - 1).isEmpty()) {
      lines.remove(lines.size() - 1);
    }
    while (!lines.isEmpty() && lines.get(0).isEmpty()) {
      lines.remove(0);
    }
    if (lines.isEmpty()) {
      throw new IllegalArgumentException("there is no line of names");
    }
    List<String> names = names(lines.get(0));
    List<Row> rows = new ArrayList<>();
    for (Line line : lines.subList(1, lines.size())) {
      if (names.size() == 1 || !line.isEmpty()) {
        rows.add(line.named(names));
      }
    }
    return new CsvTable(names, List.copyOf(rows));
  }

  private static List<String> names(Line first) {
    List<String> names = new ArrayList<>();
    for (String cell : first.cells) {
      String name = cell == null ? "" : cell;
      if (!name.isEmpty() && names.contains(name)) {
        throw new IllegalArgumentException(
            "line " + first.number + ": the name '" + name + "' occurs twice");
      }
      names.add(name);
    }
    return List.copyOf(names);
  }

  /**
   * A line of cells.
   *
   * @param line its number, from 1
   * @param cells by name, in the order of the names; null where nothing stands, not even quotes
   */
  public record Row(int line, Map<String, @Nullable String> cells) {}

  private record Line(int number, List<@Nullable String> cells) {

    boolean isEmpty() {
      return cells.isEmpty() || cells.size() == 1 && cells.get(0) == null;
    }

    Row named(List<String> names) {
      if (cells.size() != names.size() && !isEmpty()) {
        throw new IllegalArgumentException("line " + number + " has "
            + (cells.size() == 1 ? "one cell" : cells.size() + " cells")
            + ", and the line of names has "
            + names.size());
      }
      Map<String, @Nullable String> named = new LinkedHashMap<>();
      for (int i = 0; i < names.size(); i++) {
        String cell = isEmpty() ? null : cells.get(i);
        if (!names.get(i).isEmpty()) {
          named.put(names.get(i), cell);
        } else if (cell != null) {
          throw new IllegalArgumentException(
              "line " + number + ": cell " + (i + 1) + " has no name above it");
        }
      }
      return new Row(number, named);
    }
  }
}
