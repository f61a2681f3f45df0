package org.oddlantern.http;

import org.oddlantern.internal.CsvTable;
import org.oddlantern.json.internal.UntypedText;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.ArrayNode;
import org.oddlantern.shaded.tools.jackson.databind.node.JsonNodeFactory;
import org.oddlantern.shaded.tools.jackson.databind.node.ObjectNode;

/** Makes a CSV table a list of objects, whose values are texts without a kind. */
final class CsvRows {

  private CsvRows() {}

  static JsonNode of(CsvTable table) {
    ArrayNode rows = JsonNodeFactory.instance.arrayNode();
    for (CsvTable.Row row : table.rows()) {
      ObjectNode object = rows.addObject();
      row.cells()
          .forEach((name, cell) -> object.set(name, UntypedText.of(cell == null ? "" : cell)));
    }
    return rows;
  }
}
