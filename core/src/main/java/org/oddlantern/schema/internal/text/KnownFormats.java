package org.oddlantern.schema.internal.text;

import java.util.Map;

/** The formats that the drafts define. */
public final class KnownFormats {

  private KnownFormats() {}

  /** All of them, by name. */
  public static Map<String, Format> all() {
    return Map.ofEntries(
        Map.entry("date", new Format("a date (RFC 3339)", DateTimes::isDate, DateAdvice::forDate)),
        Map.entry(
            "date-time",
            new Format(
                "a date-time with offset (RFC 3339)",
                DateTimes::isDateTime,
                DateAdvice::forMoment)),
        Map.entry(
            "time",
            new Format("a time with offset (RFC 3339)", DateTimes::isTime, DateAdvice::forTime)),
        Map.entry("duration", Format.of("a duration (ISO 8601)", DateTimes::isDuration)),
        Map.entry(
            "email",
            new Format("an email address (RFC 5321)", Mail::isAddress, text -> trimmed(text))),
        Map.entry("idn-email", Format.of("an email address (RFC 6531)", Mail::isUnicodeAddress)),
        Map.entry("hostname", Format.of("a host name (RFC 1123)", Hosts::isName)),
        Map.entry("idn-hostname", Format.of("a host name (RFC 5890)", UnicodeHosts::isName)),
        Map.entry("ipv4", Format.of("an IPv4 address (RFC 2673)", Addresses::isVersion4)),
        Map.entry("ipv6", Format.of("an IPv6 address (RFC 4291)", Addresses::isVersion6)),
        Map.entry("uri", new Format("a URI (RFC 3986)", Links::isUri, Links::advice)),
        Map.entry("uri-reference", Format.of("a URI reference (RFC 3986)", Links::isUriReference)),
        Map.entry("iri", new Format("an IRI (RFC 3987)", Links::isIri, Links::advice)),
        Map.entry("iri-reference", Format.of("an IRI reference (RFC 3987)", Links::isIriReference)),
        Map.entry("uri-template", Format.of("a URI template (RFC 6570)", Links::isTemplate)),
        Map.entry("uuid", Format.of("a UUID (RFC 4122)", Codes::isUuid)),
        Map.entry("json-pointer", Format.of("a JSON Pointer (RFC 6901)", Codes::isPointer)),
        Map.entry("relative-json-pointer", Format.of("a relative JSON Pointer", Codes::isRelative)),
        Map.entry("regex", Format.of("a regular expression (ECMA-262)", Codes::isRegex)));
  }

  private static String trimmed(String text) {
    return text.equals(text.strip()) ? "" : "there is white space around it";
  }
}
