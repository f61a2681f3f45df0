package org.oddlantern.schema;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.junit.jupiter.api.Assertions.assertEquals;

import java.net.URLDecoder;
import java.util.Map;
import java.util.Objects;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.oddlantern.schema.internal.text.Format;
import org.oddlantern.schema.internal.text.KnownFormats;

/** Formats at their edges, by the texts of their RFCs; a plus follows what fits, a minus what does not. */
class FormatsTest {

  private static final Map<String, Format> FORMATS = KnownFormats.all();

  @ParameterizedTest
  @CsvSource(delimiter = '|', textBlock = """
      date                  | 0000-01-01 + 2000-02-29 + 1900-02-29 - 2026-13-01 - 2026-00-10 - 2026-1-01 - +2026-01-01 - 2026-01-01Z -
      time                  | 00:00:00Z + 23:59:59.999999999999+00:00 + 10:00:00-00:00 + 10:00Z - 10:00:00. - 10:00:00.Z - 10:00:00+2:00 -
      date-time             | 2016-12-31T23:59:60Z + 2017-01-01T00:59:60+01:00 + 2016-12-31T23:59:60+01:00 - 2026-05-13T24:00:00Z - 20260513T100000Z -
      duration              | P0D + PT0.5S - P1Y1D - P1Y1M1DT1H1M1S + P1W1D - PT1H1S - P1DT - -P1D - p1d - PT1M1S +
      email                 | a@b + a.b+c@d.example + a@[IPv6:::1] + a..b@c - @b - a@ - a@b@c - a%20b@c - (c)a@b - a@-b -
      idn-email             | %E8%9C%9C%E8%9C%82@%E8%9C%9C.example + %E8%9C%9C@ - a@b +
      hostname              | a + a.b. - 1a + 127.0.0.1 + a_b - a..b - xn--4gbwdl + xn--X - %E8%9C%9C -
      idn-hostname          | a + %E8%9C%9C.example + a%E3%80%82b + -a - a-- - %CC%80a - %E2%80%8Da -
      ipv4                  | 0.0.0.0 + 255.255.255.255 + 256.1.1.1 - 1.1.1 - 1.1.1.1.1 - 01.1.1.1 - 1.1.1.1%20 - 0x1.1.1.1 -
      ipv6                  | :: + ::1 + 1::8 + 1:2:3:4:5:6:7::  + 1:2:3:4:5:6:7:8 + 1:2:3:4:5:6:7:8:: - ::1:2:3:4:5:6:7:8 - ::ffff:1.2.3.4 + 1.2.3.4:: - fe80::1%25eth0 - :1 - 12345:: -
      uri                   | a: + a:b + http://a + http://a:80/%2520?b#c + urn:a:b + //a - a - http://a%20b - 1a:b - http://[::1]:8/ + http://[::g] - http://a/%25zz - http://a/%C3%A9 -
      uri-reference         | %20 - a + //a/b + ?a + %23a + a%5Cb - :a - a/b:c +
      iri                   | http://%C3%A9/%C3%A9 + %C3%A9 - http://a/%20 -
      iri-reference         | %C3%A9 + %20 -
      uri-template          | a{b} + {+b,c} + {?b*,c:3} + {b:0} - {b:10000} - { - } - {} - a%20b - {%23b} + {b.c} + {b..c} - {b-c} -
      uuid                  | 2b4d4ed3-0fd1-4a43-8d3f-1b6e2f2a9c10 + 2B4D4ED3-0FD1-4A43-8D3F-1B6E2F2A9C10 + 00000000-0000-0000-0000-000000000000 + {2b4d4ed3-0fd1-4a43-8d3f-1b6e2f2a9c10} - 2b4d4ed3-0fd1-4a43-8d3f-1b6e2f2a9c1g -
      json-pointer          | / + /a~0~1b + /a~2 - a - /~ - %23/a - /%20 +
      relative-json-pointer | 0 + 1/a + 10%23 + 01 - -1 - 1a - 1%23/a - 2/~ -
      regex                 | a(?<b>c) + (?<=a)b + a{2,1} - a(?#b) - %5Cp{L} + %5Cp{} -
      """)
  void acceptAndRefuse(String format, String texts) {
    String[] words = texts.strip().split("\\s+", -1);
    for (int i = 0; i < words.length; i += 2) {
      String text = URLDecoder.decode(words[i].replace("+", "%2B"), UTF_8);
      assertEquals(
          words[i + 1].equals("+"),
          Objects.requireNonNull(FORMATS.get(format)).accepts(text),
          format + " of '" + text + "'");
    }
  }
}
