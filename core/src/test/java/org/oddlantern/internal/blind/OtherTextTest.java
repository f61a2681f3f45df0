package org.oddlantern.internal.blind;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Instant;
import java.time.LocalDate;
import java.util.Random;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Another text must pass for one of its kind, or a check of the kind would seem to watch the value. */
class OtherTextTest {

  @ParameterizedTest
  @ValueSource(strings = {"2024-02-29", "2025-12-31", "2026-01-01", "1999-09-09"})
  void aDateStaysOne(String date) {
    assertNotEquals(LocalDate.parse(date), LocalDate.parse(OtherText.of(date)));
    String moment = date + "T23:59:59Z";
    assertNotEquals(Instant.parse(moment), Instant.parse(OtherText.of(moment)));
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "0f8fad5b-d9cb-469f-a165-70867728950e",
        "7c9e6679-7425-40de-944b-e07fc1f90aff",
        "00000000-0000-0000-0000-00000000000f"
      })
  void hexadecimalDigitsStaySo(String uuid) {
    assertNotEquals(UUID.fromString(uuid), UUID.fromString(OtherText.of(uuid)));
    assertTrue(OtherText.of("DEADBEEF0F").matches("[0-9A-F]+"));
    assertTrue(OtherText.of("9a0c:77ef").matches("[0-9a-f]+:[0-9a-f]+"), "salt and hash");
  }

  @Test
  void anAddressStaysWhereItIs() {
    assertEquals("wreo@fennelhill.example", OtherText.of("wren@fennelhill.example"));
    assertEquals("Foxglovf!", OtherText.of("Foxglove!"));
    assertEquals("x", OtherText.of(""));
    assertEquals("\u00e9x", OtherText.of("\u00e9"));
  }

  @Test
  void anyTextBecomesAnother() {
    Random random = new Random(4);
    for (int i = 0; i < 10_000; i++) {
      String text = random
          .ints(random.nextInt(12), ' ', 0x2ff)
          .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append)
          .toString();
      assertNotEquals(text, OtherText.of(text));
    }
  }
}
