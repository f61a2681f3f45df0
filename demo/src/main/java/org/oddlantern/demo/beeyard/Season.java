package org.oddlantern.demo.beeyard;

import io.javalin.http.Context;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** What the beeyard tells of its season; always the same, with everything that is easily spoilt. */
final class Season {

  private static final String TOLD = """
      {
        "name": "Heather",
        "region": "W\u00f6dermoos",
        "title": "Wren & Alder",
        "opensAt": "2026-03-01T06:00:00Z",
        "grains": 9007199254740993,
        "kilograms": 1234.567890123456789,
        "price": 12.50,
        "coldest": -4.5,
        "notes": "clover first, then lime and bramble; hives on the slope want thyme and heather until the frosts.",
        "harvests": [
          { "plot": "orchard", "jars": [ { "grams": 250 } ] },
          { "plot": "north slope", "jars": [ { "grams": 250 }, { "grams": 250 }, { "grams": 500 } ] }
        ]
      }
      """;

  private static final JsonMapper MAPPER = JsonMapper.builder()
      .enable(DeserializationFeature.USE_BIG_DECIMAL_FOR_FLOATS)
      .build();

  private Season() {}

  static void tell(Context context) {
    context.contentType("application/json").result(MAPPER.readTree(TOLD).toString());
  }
}
