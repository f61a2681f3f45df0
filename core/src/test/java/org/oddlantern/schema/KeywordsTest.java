package org.oddlantern.schema;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.oddlantern.json.Json;
import org.oddlantern.json.Location;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** Each keyword in each draft that has it, accepting and refusing, by the texts of the drafts. */
class KeywordsTest {

  static Stream<String> lines() throws IOException {
    try (InputStream table = KeywordsTest.class.getResourceAsStream("/schemas/keywords.txt")) {
      return new String(table.readAllBytes(), StandardCharsets.UTF_8)
          .lines().filter(line -> !line.isBlank() && !line.startsWith("#")).toList().stream();
    }
  }

  @ParameterizedTest
  @MethodSource("lines")
  void acceptsAndRefuses(String line) {
    String[] columns = line.split(" ; ", -1);
    JsonNode schema = json(columns[1]);
    List<Draft> drafts = drafts(columns[0]);
    for (Draft draft : Draft.values()) {
      boolean exists = drafts.contains(draft);
      if (!exists && columns.length > 4) {
        continue;
      }
      Schema read = SchemaReader.standard().assuming(draft).of(Json.of(schema));
      json(columns[2]).forEach(value -> judge(read, value, true, draft));
      json(columns[3]).forEach(value -> judge(read, value, !exists, draft));
    }
  }

  private static void judge(Schema schema, JsonNode value, boolean wanted, Draft draft) {
    assertEquals(wanted, schema.accepts(Json.of(value)), draft + " " + value);
    assertEquals(
        wanted,
        schema.differences(Location.ROOT, Json.of(value)).isEmpty(),
        draft + " explains " + value);
    assertEquals(
        wanted,
        schema
            .output(OutputForm.DETAILED, Json.of(value))
            .at("$.valid")
            .orElseThrow()
            .as(boolean.class));
  }

  private static List<Draft> drafts(String range) {
    String last = range.replaceFirst("^(4|6|7|2019-09|2020-12)-?", "");
    String first = range.substring(0, range.length() - last.length()).replaceFirst("-$", "");
    List<Draft> drafts = new ArrayList<>(Arrays.asList(Draft.values()));
    drafts.removeIf(draft -> !draft.since(draft(first)));
    drafts.removeIf(draft -> !last.isEmpty() && !draft.until(draft(last)));
    assertTrue(!drafts.isEmpty(), range);
    return drafts;
  }

  private static Draft draft(String number) {
    return Draft.valueOf("DRAFT_" + number.replace('-', '_'));
  }

  private static JsonNode json(String text) {
    return JsonMapping.standard().parse(text);
  }
}
