package org.oddlantern.demo.beeyard;

import java.math.BigDecimal;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** The mistakes in what the beeyard tells of its season. */
final class SpoiltSeason {

  private SpoiltSeason() {}

  /** The bytes of the season. */
  static byte[] sent(Fault fault, JsonNode season) {
    Charset charset =
        fault == Fault.NOT_UTF8 ? StandardCharsets.ISO_8859_1 : StandardCharsets.UTF_8;
    return told(fault, season).toString().getBytes(charset);
  }

  private static JsonNode told(Fault fault, JsonNode season) {
    ObjectNode told = (ObjectNode) season;
    String notes = told.get("notes").stringValue();
    return switch (fault) {
      case DECOMPOSED -> told.put("region", "Wo\u0308dermoos");
      case MOJIBAKE -> told.put("region", "W\u00c3\u00b6dermoos");
      case ESCAPED -> told.put("title", "Wren &amp; Alder");
      case TEXT_CUT -> told.put("notes", notes.substring(0, 40));
      case LONG_TEXT -> told.put("notes", notes.replace("thyme", "rhyme"));
      case HOUR_LATE -> told.put("opensAt", "2026-03-01T07:00:00Z");
      case EPOCH_MILLIS -> told.put("opensAt", 1_772_344_800_000L);
      case SWAPPED_FIELDS -> {
        String name = told.get("name").stringValue();
        yield told.put("name", told.get("region").stringValue()).put("region", name);
      }
      case TIME_SHIFTED -> told.put("opensAt", "2026-03-01T08:00:00Z");
      case SAME_MOMENT -> told.put("opensAt", "2026-03-01T07:00:00+01:00");
      case PRECISION_LOST -> told.put("grains", 9_007_199_254_740_992L);
      case ROUNDED -> told.put("kilograms", new BigDecimal("1234.567890123457"));
      case SCALED -> told.put("price", 1250);
      case SIGN_LOST -> told.put("coldest", new BigDecimal("4.5"));
      case DEEP_DIFFERENCE -> {
        ((ObjectNode) told.at("/harvests/1/jars/2")).put("grams", 450);
        yield told;
      }
      case SURPLUS_KEYS -> told.put("queenPrice", 40);
      default -> told;
    };
  }
}
