package org.oddlantern.schema.internal.make;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.Base64;
import java.util.Locale;
import java.util.Optional;

/** Makes texts that are written in a format. */
final class FormatText {

  private static final LocalDate FIRST = LocalDate.of(2020, 1, 1);
  private static final LocalDate LAST = LocalDate.of(2029, 12, 31);

  private FormatText() {}

  /** A text of that format; empty if nothing is known of it. */
  static Optional<String> of(String format, Chance chance) {
    String date = chance.fresh().date(FIRST, LAST).toString();
    String time = String.format(
        Locale.ROOT, "%02d:%02d:%02dZ", chance.below(24), chance.below(60), chance.below(60));
    String name = chance.text(8);
    return Optional.ofNullable(
        switch (format) {
          case "date" -> date;
          case "date-time" -> date + "T" + time;
          case "time" -> time;
          case "duration" -> "P" + (1 + chance.below(30)) + "D";
          case "email", "idn-email" -> name + "@example.org";
          case "hostname", "idn-hostname" -> name + ".example.org";
          case "ipv4" -> "192.0.2." + chance.below(256);
          case "ipv6" -> "2001:db8::" + Integer.toHexString(1 + chance.below(65_000));
          case "uri", "iri", "url" -> "https://example.org/" + name;
          case "uri-reference", "iri-reference" -> "/" + name;
          case "uri-template" -> "/" + name + "/{id}";
          case "uuid" -> chance.fresh().uuid().toString();
          case "json-pointer" -> "/" + name;
          case "relative-json-pointer" -> "1/" + name;
          case "regex" -> "^" + name + "$";
          case "byte" -> Base64.getEncoder().encodeToString(name.getBytes(StandardCharsets.UTF_8));
          default -> null;
        });
  }
}
