package org.oddlantern.http;

import org.oddlantern.json.UntypedText;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.MappingIterator;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;
import tools.jackson.dataformat.csv.CsvMapper;
import tools.jackson.dataformat.csv.CsvReadFeature;
import tools.jackson.dataformat.csv.CsvSchema;

/** Reads CSV with a line of names (RFC 4180) as a list of objects, whose values are texts without a kind. */
final class CsvRows {

  private static final CsvMapper MAPPER =
      CsvMapper.builder().enable(CsvReadFeature.SKIP_EMPTY_LINES).build();

  private CsvRows() {}

  /**
   * The rows.
   *
   * @throws IllegalArgumentException if it cannot be read, with the line
   */
  static JsonNode of(String text, char separator) {
    String plain = text.startsWith("\ufeff") ? text.substring(1) : text;
    ArrayNode rows = JsonNodeFactory.instance.arrayNode();
    try (MappingIterator<java.util.Map<String, String>> all = MAPPER
        .readerForMapOf(String.class)
        .with(CsvSchema.emptySchema().withHeader().withColumnSeparator(separator))
        .readValues(plain)) {
      while (all.hasNextValue()) {
        ObjectNode row = rows.addObject();
        all.nextValue()
            .forEach((name, cell) -> row.set(name, UntypedText.of(cell == null ? "" : cell)));
      }
      return rows;
    } catch (JacksonException e) {
      throw new IllegalArgumentException(
          "near row " + (rows.size() + 1) + ": "
              + e.getOriginalMessage().lines().findFirst().orElse(""),
          e);
    }
  }
}
