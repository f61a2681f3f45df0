package org.oddlantern.json;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.fasterxml.jackson.annotation.JsonProperty;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.TypeMismatch;

class JsonMappingTest {

  @Key
  record HiveId(int value) {}

  @Key
  record NotOne(int a, int b) {}

  enum Mood {
    CALM,
    @JsonProperty("about-to-swarm")
    SWARMING
  }

  record Harvest(
      HiveId hive,
      @JsonProperty("made_on") LocalDate madeOn,
      OffsetDateTime at,
      BigDecimal price,
      Mood mood,
      List<HiveId> from) {}

  record Session(Secret token) {}

  private final JsonMapping mapping = JsonMapping.standard();

  @Test
  void writesRecordsAsTheApiWantsThem() {
    Harvest harvest = new Harvest(
        new HiveId(7),
        LocalDate.of(2026, 5, 1),
        OffsetDateTime.parse("2026-05-01T10:00:00+02:00"),
        new BigDecimal("1E+3"),
        Mood.SWARMING,
        List.of(new HiveId(8)));
    String json =
        "{\"hive\":7,\"made_on\":\"2026-05-01\",\"at\":\"2026-05-01T10:00:00+02:00\",\"price\":1000,\"mood\":\"about-to-swarm\",\"from\":[8]}";
    assertEquals(json, mapping.write(harvest));
    assertEquals(harvest.at(), mapping.read(mapping.parse(json), Harvest.class).at());
    assertEquals(new HiveId(7), mapping.read(mapping.parse("7"), HiveId.class));
    assertEquals("{\"7\":1}", mapping.write(Map.of(new HiveId(7), 1)));
  }

  @Test
  void refusesAKeyOfTwoComponents() {
    String message = assertThrows(RuntimeException.class, () -> mapping.write(new NotOne(1, 2)))
        .getMessage();
    assertTrue(message.contains("which is not a record of exactly one component"), message);
  }

  @Test
  void tellsOfSecretsItReadsAndNeverPrintsThem() {
    List<String> heard = new ArrayList<>();
    Session session =
        mapping.hearing(heard::add).read(mapping.parse("{\"token\":\"t-4711\"}"), Session.class);
    assertEquals(List.of("t-4711"), heard);
    assertEquals("Session[token=***]", session.toString());
    assertEquals("{\"token\":\"t-4711\"}", mapping.write(session));
  }

  @Test
  void saysLineAndColumnOfWhatIsNotJson() {
    NotJson twice = assertThrows(NotJson.class, () -> mapping.parse("{\"a\": 1,\n \"a\": 2}"));
    assertEquals("the name 'a' occurs twice in one object", twice.getMessage());
    assertEquals(2, twice.line());
    assertEquals(
        "there is nothing in it",
        assertThrows(NotJson.class, () -> mapping.parse("")).getMessage());
    assertThrows(NotJson.class, () -> mapping.parse("{} {}"));
    assertTrue(assertThrows(NotJson.class, () -> mapping.parse("[".repeat(100_000)))
        .getMessage()
        .startsWith("it goes past a limit"));
  }

  @Test
  void doesNotBendAValueToAType() {
    assertEquals(
        "\"4\" cannot be read as int: a text is not taken for int; the value is in quotes",
        misfit("\"4\"", int.class));
    assertEquals(
        "1.5 cannot be read as int: a number with a fraction is not taken for int",
        misfit("1.5", int.class));
    assertEquals(
        "true cannot be read as String: true or false is not taken for String",
        misfit("true", String.class));
    assertTrue(
        misfit("{\"hive\":\"x\"}", Harvest.class).contains("at hive: "),
        misfit("{\"hive\":\"x\"}", Harvest.class));
    assertNull(mapping.read(mapping.parse("null"), String.class));
  }

  private String misfit(String json, Class<?> type) {
    return assertThrows(TypeMismatch.class, () -> mapping.read(mapping.parse(json), type))
        .getMessage();
  }
}
