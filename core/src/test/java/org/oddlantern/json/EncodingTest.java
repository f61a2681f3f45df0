package org.oddlantern.json;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.HexFormat;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.oddlantern.json.internal.JsonMapping;

/** JSON is UTF-8 and nothing else (RFC 8259, section 8.1); what UTF-8 is, the JDK's decoder judges. */
class EncodingTest {

  private final JsonMapping mapping = JsonMapping.standard();

  @Test
  void bytesAreReadExactlyIfTheyAreUtf8() {
    Random random = new Random(8259);
    int good = 0;
    for (int i = 0; i < 30_000; i++) {
      ByteArrayOutputStream bytes = new ByteArrayOutputStream();
      bytes.write('"');
      for (int j = random.nextInt(4); j >= 0; j--) {
        byte[] letter = Character.toString(point(random)).getBytes(StandardCharsets.UTF_8);
        if (random.nextInt(4) == 0) {
          letter[random.nextInt(letter.length)] = (byte) (0x80 + random.nextInt(0x80));
        }
        bytes.writeBytes(letter);
      }
      bytes.write('"');
      boolean utf8 = isUtf8(bytes.toByteArray());
      good += utf8 ? 1 : 0;
      if (utf8) {
        assertEquals(
            bytes.toString(StandardCharsets.UTF_8),
            '"' + mapping.parse(bytes.toByteArray()).stringValue() + '"');
      } else {
        NotJson refused =
            assertThrows(NotJson.class, () -> mapping.parse(bytes.toByteArray()), bytes::toString);
        assertTrue(refused.isOfEncoding(), refused::getMessage);
      }
    }
    int held = good;
    assertTrue(held > 5_000 && held < 25_000, () -> "good ones: " + held);
  }

  @ParameterizedTest
  @ValueSource(strings = {"UTF-16", "UTF-16LE", "UTF-16BE", "UTF-32", "UTF-32LE", "UTF-32BE"})
  void otherEncodingsOfUnicodeAreNamed(String charset) {
    for (String text : new String[] {"{\"id\":1}", "7", "[ ]", "\"ü\""}) {
      String message = assertThrows(
              NotJson.class, () -> mapping.parse(text.getBytes(Charset.forName(charset))), text)
          .getMessage();
      assertEquals(
          "it is " + charset.substring(0, 6) + ", and JSON is always UTF-8 (RFC 8259, section 8.1)",
          message);
    }
  }

  @ParameterizedTest
  @CsvSource(delimiter = '|', textBlock = """
      7b22 c3bc 22 3a 22 fc 22 7d | 8 | 0xFC | in ISO-8859-1 it would be 'ü' (U+00FC LATIN SMALL LETTER U WITH DIAERESIS) | 1 | 7
      22 0a 80 22 | 3 | 0x80 | in windows-1252 it would be '€' (U+20AC EURO SIGN) | 2 | 1
      22 e2 82 | 2 | 0xE2 | a letter of 3 bytes begins there, and the body ends after 2 | 1 | 2
      22 c1 80 22 | 2 | 0xC1 | in ISO-8859-1 it would be 'Á' (U+00C1 LATIN CAPITAL LETTER A WITH ACUTE) | 1 | 2
      22 c2 | 2 | 0xC2 | a letter of 2 bytes begins there, and the body ends after 1 | 1 | 2
      22 df | 2 | 0xDF | a letter of 2 bytes begins there, and the body ends after 1 | 1 | 2
      22 e0 a0 | 2 | 0xE0 | a letter of 3 bytes begins there, and the body ends after 2 | 1 | 2
      22 ef | 2 | 0xEF | a letter of 3 bytes begins there, and the body ends after 1 | 1 | 2
      22 f0 90 80 | 2 | 0xF0 | a letter of 4 bytes begins there, and the body ends after 3 | 1 | 2
      22 f4 | 2 | 0xF4 | a letter of 4 bytes begins there, and the body ends after 1 | 1 | 2
      22 f5 | 2 | 0xF5 | in ISO-8859-1 it would be 'õ' (U+00F5 LATIN SMALL LETTER O WITH TILDE) | 1 | 2
      22 ed 9f | 2 | 0xED | a letter of 3 bytes begins there, and the body ends after 2 | 1 | 2
      22 ed a0 | 2 | 0xED | it begins half of a surrogate pair that was encoded by itself | 1 | 2
      22 e2 28 | 2 | 0xE2 | in ISO-8859-1 it would be 'â' (U+00E2 LATIN SMALL LETTER A WITH CIRCUMFLEX) | 1 | 2
      22 9f 22 | 2 | 0x9F | in windows-1252 it would be 'Ÿ' (U+0178 LATIN CAPITAL LETTER Y WITH DIAERESIS) | 1 | 2
      22 a0 22 | 2 | 0xA0 | in ISO-8859-1 it would be U+00A0 NO-BREAK SPACE | 1 | 2
      22 ed a0 bd ed b8 80 22 | 2 | 0xED | it begins half of a surrogate pair that was encoded by itself | 1 | 2
      """)
  void theFirstBadByteIsTold(
      String hex, int number, String octet, String instead, int line, int column) {
    byte[] bytes = HexFormat.of().parseHex(hex.replace(" ", ""));
    NotJson refused = assertThrows(NotJson.class, () -> mapping.parse(bytes));
    assertEquals(
        "byte %d of the body (%s) is no UTF-8, as JSON must be (RFC 8259, section 8.1); %s"
            .formatted(number, octet, instead),
        refused.getMessage());
    assertEquals(line + ":" + column, refused.line() + ":" + refused.column());
  }

  /** Letters of each length, and none that JSON must escape. */
  private static int point(Random random) {
    int[] from = {'a', 0x80, 0x800, 0xE000, 0x10000, 0x10FF00};
    return from[random.nextInt(from.length)] + random.nextInt(0x1A);
  }

  private static boolean isUtf8(byte[] bytes) {
    try {
      StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(bytes));
      return true;
    } catch (CharacterCodingException e) {
      return false;
    }
  }
}
