package org.oddlantern.internal.reports;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Random;

/** Texts and bytes made by chance, of what is known to break those who write reports. */
final class AnyContent {

  private static final List<String> PIECES = List.of(
      "a",
      "hive",
      "1e99999",
      "-1E-10001",
      "12345678901234567890123456789012345678901234567890.5",
      "{\"a\":1e100000}",
      "[1E+2147483647,{\"b\":\"\\ud83d\"}]",
      "{\"a\":\"\\udc1d\\u0000\",\"a\":2}",
      "{\"a\":[[[[]]]],\"\\ud800\":null}",
      "<a b='\"'><![CDATA[x]]>&#55357;</a>",
      "<hive>&amp;]]&gt;</hive>",
      "<script>alert(1)</script>",
      "\ud83d\udc1d",
      "\ud83d",
      "\udc1d",
      "\u0000",
      "\u001b[31m",
      "\u202e",
      "\ufffe",
      "\uffff",
      "\u2028",
      "]]>",
      "&#0;",
      "%zz%00",
      "\\u",
      "\\",
      "\"",
      "'",
      "\n",
      "\r\n",
      "\t",
      "|",
      "`",
      "${x}",
      "$1",
      "{title}",
      "***",
      " ".repeat(300),
      "x".repeat(5_000),
      "\ud83d\udc1d".repeat(2_100));

  private final Random random;

  AnyContent(long seed) {
    this.random = new Random(seed);
  }

  int below(int bound) {
    return random.nextInt(bound);
  }

  String text() {
    StringBuilder text = new StringBuilder();
    for (int i = random.nextInt(4); i >= 0; i--) {
      text.append(
          random.nextInt(4) == 0
              ? String.valueOf((char) random.nextInt(0x10000))
              : PIECES.get(random.nextInt(PIECES.size())));
    }
    return text.toString();
  }

  /** What can stand in a line of a header. */
  String line() {
    return text().replaceAll("[\r\n\u0000]", " ").strip();
  }

  /** What a service may set: not longer than a token. */
  String cookie() {
    String line = line();
    return line.length() > 40 ? line.substring(0, 39) : line;
  }

  byte[] bytes() {
    if (random.nextInt(3) == 0) {
      byte[] bytes = new byte[random.nextInt(200)];
      random.nextBytes(bytes);
      return bytes;
    }
    return text()
        .getBytes(random.nextInt(4) == 0 ? StandardCharsets.UTF_16 : StandardCharsets.UTF_8);
  }

  String type() {
    return List.of(
            "application/json",
            "application/json; charset=utf-16",
            "text/html",
            "application/xml",
            "text/plain; charset=nobody-knows",
            "image/png",
            "application/octet-stream",
            "multipart/form-data",
            "",
            line())
        .get(random.nextInt(10));
  }
}
