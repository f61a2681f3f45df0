package org.oddlantern.json.internal;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.fasterxml.jackson.annotation.JsonFormat;
import java.math.BigDecimal;
import java.math.BigInteger;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.MonthDay;
import java.time.OffsetDateTime;
import java.time.OffsetTime;
import java.time.Period;
import java.time.YearMonth;
import java.time.ZonedDateTime;
import java.util.Calendar;
import java.util.Date;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.oddlantern.json.Json;
import org.oddlantern.json.Key;
import org.oddlantern.json.Secret;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.JsonNodeFactory;
import org.oddlantern.shaded.tools.jackson.databind.node.ObjectNode;

/** What a mapping does with a type that it meets for the first time, as in the first case of a run. */
class FreshMappingTest {

  private static final Map<String, Class<?>> WHOLE = Map.of(
      "byte", byte.class,
      "Byte", Byte.class,
      "short", short.class,
      "Short", Short.class,
      "int", int.class,
      "Integer", Integer.class,
      "long", long.class,
      "Long", Long.class,
      "BigInteger", BigInteger.class);

  @Key
  public record HiveId(int value) {}

  public record Two(int value, int other) {}

  @Key
  public record Label(String text) {}

  public record Holder(HiveId hive, Map<HiveId, String> labels, Map<Label, Integer> frames) {}

  public record Cells(
      int frames,
      @Nullable Boolean queen,
      char plot,
      @Nullable BigDecimal weight,
      String label) {}

  public record Formatted(
      @JsonFormat(shape = JsonFormat.Shape.NUMBER) Instant seen,
      @JsonFormat(pattern = "dd.MM.yyyy") LocalDate day) {}

  public record Trees(
      com.fasterxml.jackson.databind.JsonNode two,
      tools.jackson.databind.JsonNode three,
      com.fasterxml.jackson.databind.node.ArrayNode list) {}

  @ParameterizedTest
  @ValueSource(
      classes = {
        LocalDate.class,
        LocalDateTime.class,
        LocalTime.class,
        Instant.class,
        OffsetDateTime.class,
        OffsetTime.class,
        ZonedDateTime.class,
        MonthDay.class,
        YearMonth.class,
        Duration.class,
        Period.class,
        Date.class,
        Calendar.class,
        Character.class,
        char.class
      })
  void whatIsAlwaysTextIsReadFromTextAlone(Class<?> type) {
    for (String json : List.of("1", "1.5", "true", "[2026,1,2]", "{}")) {
      assertThrows(TypeMismatch.class, () -> read(json, type), json);
    }
    if (type != Character.class && type != char.class) {
      assertThrows(TypeMismatch.class, () -> read("\" \"", type));
    }
  }

  @Test
  void blanksAreCharactersAndNoDates() {
    assertEquals(' ', read("\" \"", Character.class));
    assertEquals("x", String.valueOf(read("\"x\"", char.class)));
    assertEquals(LocalDate.of(2026, 5, 3), read("\"2026-05-03\"", LocalDate.class));
    assertThrows(TypeMismatch.class, () -> read("\"2026-05-03T00:00\"", LocalDate.class));
    assertThrows(TypeMismatch.class, () -> read("\"2026-05-03T10:00+02:00\"", LocalDateTime.class));
    assertThrows(TypeMismatch.class, () -> read("\"1717171717\"", Instant.class));
    assertEquals(Instant.EPOCH, read("\"1970-01-01T00:00:00Z\"", Instant.class));
  }

  @Test
  void whoSaysHowItIsWrittenKnowsWhatHeWants() {
    assertEquals(
        new Formatted(Instant.ofEpochSecond(7), LocalDate.of(2026, 5, 3)),
        read("{\"seen\":7,\"day\":\"03.05.2026\"}", Formatted.class));
  }

  @ParameterizedTest
  @CsvSource({
    "byte, 127.0, 128.0, 128, 200",
    "Byte, -128.00, -129.0, 255, -129",
    "short, 32767.0, 32768.0, 32768, 1.5",
    "Short, 3.2767e4, 32768.0, 32768, 1.5",
    "int, 2147483647.0, 2147483648.0, 2147483648, 0.5",
    "Integer, -2147483648.0, -2147483649.0, 2147483648, 1e-1",
    "long, 9223372036854775807.0, 9223372036854775808.0, 9223372036854775808, 1.1",
    "Long, 1e3, 9223372036854775808.0, 9223372036854775808, 1.1",
    "BigInteger, 1e999, 1e1000, 1.5, -0.1"
  })
  void aWholeNumberIsOneHoweverItIsWrittenAsFarAsItFits(
      String type, String fits, String more, String other, String third) {
    Class<?> wanted = WHOLE.get(type);
    Object read = read(fits, wanted);
    assertEquals(new BigDecimal(fits).toBigIntegerExact(), new BigInteger(read.toString()));
    assertTrue(wanted.isPrimitive() || wanted.isInstance(read), read.getClass().toString());
    assertThrows(TypeMismatch.class, () -> read(more, wanted));
    assertThrows(TypeMismatch.class, () -> read(other, wanted));
    assertThrows(TypeMismatch.class, () -> read(third, wanted));
  }

  @Test
  void cellsBecomeWhatTheirTypeSaysAndTextsInJsonDoNot() {
    ObjectNode row = cells("9", "true", "7", "1.50", "12");
    assertEquals(
        new Cells(9, true, '7', new BigDecimal("1.50"), "12"),
        JsonMapping.made().read(row, Cells.class));
    assertEquals(
        new Cells(9, null, '7', null, ""),
        JsonMapping.made().read(cells("9", "", "7", "", ""), Cells.class));
    assertThrows(
        TypeMismatch.class,
        () -> JsonMapping.made().read(cells("", "true", "7", "1", "a"), Cells.class));
    assertThrows(
        TypeMismatch.class,
        () -> JsonMapping.made().read(cells("nine", "true", "7", "1", "a"), Cells.class));
    assertThrows(TypeMismatch.class, () -> read("\"9\"", int.class));
    assertThrows(TypeMismatch.class, () -> read("\"true\"", Boolean.class));
  }

  private static ObjectNode cells(
      String frames, String queen, String plot, String weight, String label) {
    ObjectNode row = JsonNodeFactory.instance.objectNode();
    row.set("frames", UntypedText.of(frames));
    row.set("queen", UntypedText.of(queen));
    row.set("plot", UntypedText.of(plot));
    row.set("weight", UntypedText.of(weight));
    row.set("label", UntypedText.of(label));
    return row;
  }

  @Test
  void aKeyTravelsAsItsOneComponentAndNothingElseDoes() {
    Holder holder =
        new Holder(new HiveId(7), Map.of(new HiveId(8), "Foxglove"), Map.of(new Label("12"), 3));
    String json = "{\"hive\":7,\"labels\":{\"8\":\"Foxglove\"},\"frames\":{\"12\":3}}";
    assertEquals(json, JsonMapping.made().write(holder));
    assertEquals(holder, read(json, Holder.class));
    assertEquals(new HiveId(7), read("7", HiveId.class));
    assertEquals("{\"value\":1,\"other\":2}", JsonMapping.made().write(new Two(1, 2)));
    assertThrows(TypeMismatch.class, () -> read("1", Two.class));
    assertThrows(
        TypeMismatch.class,
        () -> read("{\"hive\":7,\"labels\":{\"a\":\"\"},\"frames\":{}}", Holder.class));
  }

  @Test
  void treesOfAProjectAreTheJsonThatTheyAre() throws Exception {
    var two = new com.fasterxml.jackson.databind.ObjectMapper().readTree("{\"a\":[1,\"x\"]}");
    var three = new tools.jackson.databind.ObjectMapper().readTree("{\"b\":null}");
    var list =
        new com.fasterxml.jackson.databind.ObjectMapper().createArrayNode().add(1);
    String json = "{\"two\":{\"a\":[1,\"x\"]},\"three\":{\"b\":null},\"list\":[1]}";
    assertEquals(json, JsonMapping.made().write(new Trees(two, three, list)));
    assertEquals("[1]", JsonMapping.made().write(list));
    assertEquals(new Trees(two, three, list), read(json, Trees.class));
  }

  public record One(int value) {}

  public record Some(int frames, @Nullable Integer more) {}

  @Test
  void aProjectsOwnMapperOfEitherVersionLearnsKeys() {
    for (Object mapper : List.of(
        new com.fasterxml.jackson.databind.ObjectMapper(),
        new tools.jackson.databind.ObjectMapper())) {
      JsonMapping own = JsonMapping.of(mapper);
      JsonNode seven = own.parse("7");
      assertEquals(new HiveId(7), own.read(seven, HiveId.class));
      assertEquals("{\"7\":7}", own.write(Map.of(new HiveId(7), new HiveId(7))));
      assertEquals(new Two(1, 2), own.read(own.parse("{\"value\":1,\"other\":2}"), Two.class));
      assertEquals(new One(1), own.read(own.parse("{\"value\":1}"), One.class));
      assertThrows(TypeMismatch.class, () -> own.read(seven, One.class));
    }
  }

  @Test
  void whatIsOursKeepsItsMeaningInsideOfWhatAnOwnMapperWrites() {
    JsonMapping own = JsonMapping.of(new com.fasterxml.jackson.databind.ObjectMapper());
    Json json = Json.of(Map.of("a", 1));
    assertEquals("[[{\"a\":1}]]", own.write(List.of(List.of(json))));
    assertEquals("[{\"b\":{\"a\":1}}]", own.write(new Object[] {Map.of("b", json)}));
    assertEquals("{\"c\":[\"x\"]}", own.write(Map.of("c", new Object[] {Secret.of("x")})));
    assertEquals("[[1]]", own.write(List.of(List.of(1))));
  }

  @Test
  void whatCannotBeNothingMustCome() {
    assertEquals(new Some(1, null), read("{\"frames\":1}", Some.class));
    assertThrows(TypeMismatch.class, () -> read("{\"more\":1}", Some.class));
  }

  private static <T> T read(String json, Class<T> type) {
    JsonNode tree = JsonMapping.standard().parse(json);
    return JsonMapping.made().read(tree, type);
  }
}
