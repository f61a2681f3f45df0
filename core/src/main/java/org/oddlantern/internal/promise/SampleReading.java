package org.oddlantern.internal.promise;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.oddlantern.internal.CsvTable;
import org.oddlantern.internal.Resources;
import org.oddlantern.json.NotJson;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * Reads a file of samples as a table, whatever its suite makes of it.
 *
 * @param files where it is found
 */
record SampleReading(Resources files) {

  /**
   * The table.
   *
   * @throws IllegalArgumentException if the file is not there or no table, with the reason
   */
  SampleTable table(String file) {
    String text = files.text(file);
    return file.endsWith(".json") ? items(file, text) : rows(file, text);
  }

  private static SampleTable rows(String file, String text) {
    CsvTable table;
    try {
      table = CsvTable.of(text, ',');
    } catch (IllegalArgumentException e) {
      throw new IllegalArgumentException(
          "names the samples " + file + ", which is not CSV: " + e.getMessage(), e);
    }
    List<SampleTable.Row> rows = new ArrayList<>();
    for (CsvTable.Row row : table.rows()) {
      List<String> cells = new ArrayList<>();
      table.names().stream()
          .filter(name -> !name.isEmpty())
          .map(row.cells()::get)
          .forEach(cell -> cells.add(cell == null ? "" : cell));
      rows.add(new SampleTable.Row("", cells));
    }
    return new SampleTable(
        file, table.names().stream().filter(name -> !name.isEmpty()).toList(), rows);
  }

  private static SampleTable items(String file, String text) {
    JsonNode tree;
    try {
      tree = JsonMapping.standard().parse(text);
    } catch (NotJson e) {
      throw new IllegalArgumentException(
          "names the samples " + file + ", which is not JSON: " + e.getMessage(), e);
    }
    Set<String> names = new LinkedHashSet<>();
    tree.forEach(item -> names.addAll(item.propertyNames()));
    List<SampleTable.Row> rows = new ArrayList<>();
    for (JsonNode item : tree) {
      rows.add(new SampleTable.Row(
          "", names.stream().map(name -> cell(item.path(name))).toList()));
    }
    return new SampleTable(file, List.copyOf(names), rows);
  }

  private static String cell(JsonNode value) {
    if (value.isMissingNode()) {
      return "";
    }
    return value.isString() ? value.stringValue() : value.toString();
  }
}
