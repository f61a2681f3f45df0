package org.oddlantern.scenario;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.oddlantern.check.Checks.*;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Random;
import java.util.function.IntFunction;
import org.junit.jupiter.api.AutoClose;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.oddlantern.config.Environment;
import org.oddlantern.http.Call;
import org.oddlantern.http.Service;
import org.oddlantern.internal.record.ExchangeRecord;
import org.oddlantern.json.Secret;
import org.oddlantern.suite.Case;
import org.oddlantern.testing.TestService;

/** Secrets made by chance, sent back with every letter escaped or not by chance, several times over. */
class EscapedSecretsTest {

  private static final int ROUNDS = 600;
  private static final String PLAIN = "abcXYZ0189+=-_.~; \u00fc\u20ac";
  private static final String SPECIAL = "abcXYZ0189+/=-_.~&<>\"'\\%; \u00fc\u20ac";

  @AutoClose
  private final TestService service = new TestService();

  @ParameterizedTest
  @ValueSource(strings = {"PlainEchoTest", "SlashEchoTest", "SpecialEchoTest"})
  void areHiddenWhateverUndoesTheirEscapes(String suite) {
    List<ExchangeRecord> echoed =
        Trial.of(service, List.of(suite)).one("echoed").exchanges().stream()
            .filter(one -> one.url().endsWith("/echo"))
            .toList();
    assertEquals(ROUNDS, echoed.size());
    for (ExchangeRecord exchange : echoed) {
      assertEquals("|***|", exchange.replyBody().text());
      assertEquals("|***|", exchange.requestBody().text());
    }
  }

  /** What needs no escape, and is found without undoing those that are there for other letters. */
  static class PlainEchoTest extends Echoing {
    PlainEchoTest(Environment environment) {
      super(environment, PLAIN);
    }
  }

  static class SlashEchoTest extends Echoing {
    SlashEchoTest(Environment environment) {
      super(environment, PLAIN + "////");
    }
  }

  static class SpecialEchoTest extends Echoing {
    SpecialEchoTest(Environment environment) {
      super(environment, SPECIAL);
    }
  }

  abstract static class Echoing {
    private final Random chance = new Random(1912);
    private final Service api;
    private final String letters;

    Echoing(Environment environment, String letters) {
      this.api = environment.service("api");
      this.letters = letters;
    }

    @Case
    void echoed() {
      for (int i = 0; i < ROUNDS; i++) {
        String written = secret();
        api.send(Call.post("/things").json(Secret.of(written))).must(status(201));
        for (int layer = chance.nextInt(4); layer > 0; layer--) {
          written = escaped(written);
        }
        api.send(Call.post("/echo").text("|" + written + "|")).must(status(200));
      }
    }

    private String secret() {
      StringBuilder secret = new StringBuilder();
      for (int i = 6 + chance.nextInt(15); i > 0; i--) {
        secret.append(letters.charAt(chance.nextInt(letters.length())));
      }
      return secret.toString();
    }

    /** In JSON, XML or an address; a letter that need not be escaped is so by chance. */
    private String escaped(String text) {
      return switch (chance.nextInt(3)) {
        case 0 -> each(text, "\"\\", c -> inJson((char) c));
        case 1 -> each(text, "&<", this::inXml);
        default -> each(text, "% &<>\"\\|", Echoing::inAddress);
      };
    }

    private String each(String text, String needed, IntFunction<String> escape) {
      StringBuilder escaped = new StringBuilder();
      int rarely = 2 + chance.nextInt(20);
      text.chars()
          .forEach(c -> escaped.append(
              needed.indexOf(c) >= 0 || chance.nextInt(rarely) == 0
                  ? escape.apply(c)
                  : String.valueOf((char) c)));
      return escaped.toString();
    }

    private String inJson(char c) {
      return "\"\\/".indexOf(c) >= 0 && chance.nextBoolean()
          ? "\\" + c
          : String.format(chance.nextBoolean() ? "\\u%04x" : "\\u%04X", (int) c);
    }

    private String inXml(int c) {
      int at = "&<>\"'".indexOf(c);
      return at >= 0 && chance.nextBoolean()
          ? List.of("&amp;", "&lt;", "&gt;", "&quot;", "&apos;").get(at)
          : String.format(chance.nextBoolean() ? "&#%d;" : "&#x%x;", c);
    }

    private static String inAddress(int c) {
      StringBuilder octets = new StringBuilder();
      for (byte octet : Character.toString(c).getBytes(StandardCharsets.UTF_8)) {
        octets.append(String.format("%%%02X", octet & 0xFF));
      }
      return octets.toString();
    }
  }
}
