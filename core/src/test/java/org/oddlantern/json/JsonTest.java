package org.oddlantern.json;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class JsonTest {

  private static final Json HIVE = Json.parse(
      "{\"label\":\"Foxglove\",\"kg\":32.50,\"open\":true,\"queen\":null,\"frames\":[{\"n\":1},{\"n\":2}]}");

  public record Frame(int n) {}

  @Test
  void isLookedAtByPathsKindsAndTypes() {
    assertEquals(Json.Kind.OBJECT, HIVE.kind());
    assertEquals(Set.of("label", "kg", "open", "queen", "frames"), HIVE.names());
    assertEquals("[label, kg, open, queen, frames]", HIVE.names().toString(), "in their order");
    assertEquals(5, HIVE.size());
    assertEquals(Optional.of("Foxglove"), HIVE.at("$.label").map(Json::text));
    assertEquals(new BigDecimal("32.50"), HIVE.at("$.kg").orElseThrow().number());
    assertEquals(Json.Kind.TRUTH, HIVE.at("$.open").orElseThrow().kind());
    assertEquals(Json.Kind.NULL, HIVE.at("$.queen").orElseThrow().kind(), "null is a value");
    assertEquals(Optional.empty(), HIVE.at("$.keeper"));
    assertEquals(
        List.of(1, 2),
        HIVE.all("$.frames[*].n").stream().map(n -> n.as(int.class)).toList());
    assertEquals(new Frame(2), HIVE.at("$.frames").orElseThrow().items().get(1).as(Frame.class));
    assertEquals("[{\"n\":1},{\"n\":2}]", HIVE.at("$.frames").orElseThrow().written());
    assertEquals(0, Json.of("text").size());
    assertTrue(Json.of(7).names().isEmpty() && Json.of(7).items().isEmpty());
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      quoteCharacter = '`',
      value = {
        "1 | 1.0 | true",
        "1e2 | 100 | true",
        "{\"a\":1,\"b\":2} | {\"b\":2,\"a\":1.0} | true",
        "[1,2] | [2,1] | false",
        "\"1\" | 1 | false",
        "null | false | false",
        "{\"a\":null} | {} | false"
      })
  void isEqualAsJsonIs(String one, String other, boolean same) {
    assertEquals(same, Json.parse(one).equals(Json.parse(other)));
    if (same) {
      assertEquals(Json.parse(one).hashCode(), Json.parse(other).hashCode());
    }
    assertNotEquals(Json.parse(one), one);
  }

  @Test
  void saysWhatItIsWhereSomethingElseWasWanted() {
    assertEquals(
        "wanted a text, got 7 (number)",
        assertThrows(IllegalStateException.class, () -> Json.of(7).text()).getMessage());
    assertEquals(
        "wanted a number, got \"7\" (text)",
        assertThrows(IllegalStateException.class, () -> Json.of("7").number()).getMessage());
    assertTrue(assertThrows(IllegalArgumentException.class, () -> HIVE.as(Frame.class))
        .getMessage()
        .contains(" cannot be read as Frame"));
    assertThrows(IllegalArgumentException.class, () -> HIVE.at("$.frames[*]"));
    assertThrows(BadPath.class, () -> HIVE.all("frames"));
    assertEquals(3, assertThrows(NotJson.class, () -> Json.parse("[1 2]")).column() - 1);
  }

  @Test
  void standsInValuesAsWhatItIs() {
    assertEquals(
        "{\"hive\":{\"n\":1}}", Json.of(Map.of("hive", Json.of(new Frame(1)))).written());
    record Holds(Json any) {}
    assertEquals(new Holds(HIVE), Json.of(new Holds(HIVE)).as(Holds.class));
    assertEquals(new Holds(Json.of(null)), Json.parse("{\"any\":null}").as(Holds.class));
    assertEquals(HIVE, Json.of(HIVE));
  }
}
