package org.oddlantern.json;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonFormat;
import com.fasterxml.jackson.annotation.JsonProperty;
import java.math.BigDecimal;
import java.math.BigInteger;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.OffsetDateTime;
import java.time.YearMonth;
import java.time.ZonedDateTime;
import java.util.Currency;
import java.util.Date;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.oddlantern.json.internal.Equality;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.TypeMismatch;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.DoubleNode;
import org.oddlantern.shaded.tools.jackson.databind.node.FloatNode;

/** What is read as a type is that type, or it is refused with a sentence: nothing is bent. */
class TypedReadingTest {

  enum Mood {
    CALM,
    WILD
  }

  record Frames(int frames, @JsonProperty("is_wet") boolean wet, Integer honey) {}

  record Own(
      @JsonFormat(shape = JsonFormat.Shape.NUMBER) Instant at,
      @JsonFormat(pattern = "dd.MM.yyyy") LocalDate day) {}

  record Weights(
      float small, double big, List<Float> list, float[] array, Map<String, Double> map) {}

  static final class Made {
    final long number;

    @JsonCreator
    Made(@JsonProperty("number") long number) {
      this.number = number;
    }
  }

  private final JsonMapping mapping = JsonMapping.standard();

  /** For each type a text that is read; every other kind of value must be refused. */
  private static final Map<Class<?>, String> READ = Map.ofEntries(
      Map.entry(int.class, "7"),
      Map.entry(Long.class, "7"),
      Map.entry(short.class, "7"),
      Map.entry(BigInteger.class, "7"),
      Map.entry(boolean.class, "true"),
      Map.entry(Boolean.class, "true"),
      Map.entry(String.class, "\"a\""),
      Map.entry(char.class, "\"a\""),
      Map.entry(Mood.class, "\"CALM\""),
      Map.entry(UUID.class, "\"f81d4fae-7dec-11d0-a765-00a0c91e6bf6\""),
      Map.entry(Currency.class, "\"EUR\""),
      Map.entry(LocalDate.class, "\"2026-03-12\""),
      Map.entry(LocalDateTime.class, "\"2026-03-12T10:15:30\""),
      Map.entry(LocalTime.class, "\"10:15:30\""),
      Map.entry(YearMonth.class, "\"2026-03\""),
      Map.entry(Instant.class, "\"2026-03-12T10:15:30Z\""),
      Map.entry(OffsetDateTime.class, "\"2026-03-12T10:15:30Z\""),
      Map.entry(ZonedDateTime.class, "\"2026-03-12T10:15:30Z\""),
      Map.entry(Date.class, "\"2026-03-12T10:15:30Z\""),
      Map.entry(Duration.class, "\"PT5M\""));

  private static final List<String> OTHERS = List.of(
      "0",
      "1",
      "1.5",
      "1784000000000",
      "true",
      "\"\"",
      "\" \"",
      "\"1\"",
      "[]",
      "[2026,3,12]",
      "[1]",
      "{}",
      "[\"a\"]",
      "\"2026-03-12T10:15:30Z\"",
      "\"2026-03-12T10:15:30+02:00\"");

  @Test
  void eachTypeTakesItsOwnKindAndNoOther() {
    READ.forEach((type, good) -> {
      mapping.read(mapping.parse(good), type);
      for (String other : OTHERS) {
        if (mayBe(type, other, good)) {
          continue;
        }
        TypeMismatch refused = assertThrows(
            TypeMismatch.class,
            () -> mapping.read(mapping.parse(other), type),
            type + " of " + other);
        assertTrue(!refused.reason().isBlank(), () -> type + " of " + other);
      }
    });
  }

  private static boolean mayBe(Class<?> type, String value, String good) {
    boolean number = good.equals("7") && (value.equals("0") || value.equals("1"));
    boolean large = value.length() == 13 && (type == Long.class || type == BigInteger.class);
    boolean moment = value.startsWith("\"2026-03-12T10") && good.endsWith("Z\"");
    boolean text = type == String.class && value.startsWith("\"");
    boolean one = type == char.class && (value.equals("\" \"") || value.equals("\"1\""));
    boolean truth = value.equals("true") && good.equals("true");
    return number || large || moment || text || one || truth;
  }

  @Test
  void aMissingPrimitiveComponentIsRefused() {
    assertEquals(
        "{\"is_wet\":true} cannot be read as Frames: at frames: the field is missing, and a primitive would read as 0 or false; let the component be of a type like Integer if it may be missing",
        refused("{\"is_wet\":true}", Frames.class).getMessage());
    assertTrue(refused("{\"frames\":1}", Frames.class).getMessage().contains("at is_wet: "));
    assertTrue(refused("{}", Made.class).getMessage().contains("at number: "));
    assertTrue(
        refused("{\"frames\":null,\"is_wet\":true}", Frames.class).getMessage().contains("null"));
    assertEquals(
        new Frames(1, false, null),
        mapping.read(mapping.parse("{\"frames\":1.0,\"is_wet\":false}"), Frames.class));
  }

  @Test
  void wholeNumbersAreTakenHoweverTheyAreWritten() {
    for (String seven : List.of("7", "7.0", "7e0", "0.7e1", "70E-1")) {
      assertEquals(7, mapping.read(mapping.parse(seven), int.class));
      assertEquals(7L, mapping.read(mapping.parse(seven), Long.class));
      assertEquals(BigInteger.valueOf(7), mapping.read(mapping.parse(seven), BigInteger.class));
    }
    assertEquals(new BigDecimal("7.0"), mapping.read(mapping.parse("7.0"), BigDecimal.class));
    for (String none : List.of("7.5", "2147483648.0", "1e400", "1e-400")) {
      refused(none, int.class);
    }
    refused("1e999999999", BigInteger.class);
  }

  @Test
  void whatIsRefusedForAMomentSaysWhatToRead() {
    assertEquals(
        "1784000000000 cannot be read as Instant: a number is not taken for Instant, since it may be seconds or milliseconds; read it as long, and make the moment with Instant.ofEpochSecond or Instant.ofEpochMilli",
        refused("1784000000000", Instant.class).getMessage());
    assertEquals(
        "the text \"2026-03-12T10:15:30Z\" is not taken for LocalDate, which is a date alone; OffsetDateTime holds a date and a time",
        refused("\"2026-03-12T10:15:30Z\"", LocalDate.class).reason());
    assertEquals(
        new Own(Instant.ofEpochSecond(5), LocalDate.of(2026, 3, 12)),
        mapping.read(mapping.parse("{\"at\":5,\"day\":\"12.03.2026\"}"), Own.class));
  }

  @Test
  void floatsAreWhatIsWrittenOfThem() {
    Random random = new Random(64);
    for (int i = 0; i < 20_000; i++) {
      float small = i < 2_000 ? i / 10f : Float.intBitsToFloat(random.nextInt());
      double big = i < 2_000 ? i / 10d : Double.longBitsToDouble(random.nextLong());
      if (!Float.isFinite(small) || !Double.isFinite(big)) {
        continue;
      }
      Weights weights =
          new Weights(small, big, List.of(small), new float[] {small}, Map.of("a", big));
      JsonNode sent = mapping.parse(mapping.writeBytes(weights));
      assertTrue(Equality.same(mapping.tree(weights), sent), () -> weights + " and " + sent);
      assertTrue(Equality.same(sent.path("small"), FloatNode.valueOf(small)), () -> "" + small);
      assertTrue(Equality.same(DoubleNode.valueOf(big), sent.path("big")), () -> "" + big);
      assertEquals(small, sent.path("small").decimalValue().floatValue());
      assertEquals(big, sent.path("big").decimalValue().doubleValue());
      int digits = sent.path("big").decimalValue().stripTrailingZeros().precision();
      String shorter =
          String.format(java.util.Locale.ROOT, "%." + Math.max(0, digits - 2) + "e", big);
      assertTrue(digits == 1 || Double.parseDouble(shorter) != big, () -> big + " is " + shorter);
    }
  }

  private TypeMismatch refused(String json, Class<?> type) {
    return assertThrows(TypeMismatch.class, () -> mapping.read(mapping.parse(json), type));
  }

  record Narrow(byte weight, char mark) {
    Narrow {
      if (weight < 0) {
        throw new IllegalArgumentException("the weight is negative");
      }
    }
  }

  @Test
  void everyRefusalIsToldInWordsOfTheReader() {
    List<String> wrong =
        List.of("null", "300", "true", "\"zz\"", "[1]", "{\"x\":{}}", "1e50", "1.5");
    for (Class<?> type : READ.keySet()) {
      for (String value : wrong) {
        String json = "{\"in\":" + value + "}";
        try {
          mapping.read(mapping.parse(json).get("in"), type);
        } catch (TypeMismatch e) {
          assertTrue(
              !e.reason().matches("(?s).*(`|Cannot |Json|JSON|Deserial|Numeric value|java\\.).*"),
              () -> json + " as " + type + ": " + e.reason());
        }
      }
    }
    assertEquals("it is none of CALM, WILD; did you mean 'CALM'?", reason("\"calm\"", Mood.class));
    assertEquals("it is none of CALM, WILD", reason("\"sombre\"", Mood.class));
    assertEquals(
        "it is no LocalDate; one is written like 2026-03-12",
        reason("\"2026-02-30\"", LocalDate.class));
    assertEquals(
        "null is not taken for the primitive int; let it be of a type like Integer if it may be null",
        reason("{\"frames\":null,\"is_wet\":true}", Frames.class));
    String byteSize = "it does not fit into byte, which has 8 bits; a wider type does";
    assertEquals(byteSize, reason("{\"weight\":200,\"mark\":\"a\"}", Narrow.class));
    assertEquals(byteSize, reason("{\"weight\":-129,\"mark\":\"a\"}", Narrow.class));
    assertEquals(
        "its constructor refuses it: the weight is negative",
        reason("{\"weight\":-128,\"mark\":\"a\"}", Narrow.class));
    assertEquals(
        "a text of 2 letters is not taken for char",
        reason("{\"weight\":1,\"mark\":\"ab\"}", Narrow.class));
  }

  private String reason(String json, Class<?> type) {
    return assertThrows(TypeMismatch.class, () -> mapping.read(mapping.parse(json), type))
        .reason();
  }
}
