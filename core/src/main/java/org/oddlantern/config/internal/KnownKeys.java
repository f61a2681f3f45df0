package org.oddlantern.config.internal;

import java.util.Collection;
import java.util.List;
import java.util.Map;
import org.oddlantern.json.internal.NearestMatch;
import org.oddlantern.json.internal.OtherWords;

/** The keys that may stand somewhere in the settings, and what others call them. */
record KnownKeys(Collection<String> keys) {

  private static final OtherWords OTHER_WORDS = new OtherWords(Map.ofEntries(
      Map.entry(
          "timeout",
          List.of("readTimeout", "requestTimeout", "responseTimeout", "socketTimeout", "deadline")),
      Map.entry("connectTimeout", List.of("connect", "connectionTimeout")),
      Map.entry("url", List.of("baseUrl", "baseUri", "uri", "address", "host", "endpoint")),
      Map.entry("bearer", List.of("token", "bearerToken", "accessToken")),
      Map.entry("basic", List.of("username", "user", "password")),
      Map.entry("keyInHeader", List.of("apiKey", "key")),
      Map.entry("clientCertificate", List.of("cert", "clientCert", "keystore")),
      Map.entry("clientCredentials", List.of("oauth", "oauth2")),
      Map.entry("trust", List.of("ca", "caCert", "truststore")),
      Map.entry("redirects", List.of("followRedirects", "maxRedirects")),
      Map.entry("bodyLimit", List.of("maxBody", "maxBodySize")),
      Map.entry("ready", List.of("health", "healthcheck", "readiness", "waitFor")),
      Map.entry("environment", List.of("env", "use", "active", "default", "profile")),
      Map.entry("environments", List.of("envs", "profiles", "stages")),
      Map.entry("mask", List.of("masked", "secrets", "redact", "sensitive")),
      Map.entry("unwatched", List.of("ignore", "ignored", "ignoredPlaces", "blindSpots")),
      Map.entry(
          "description",
          List.of(
              "openapi", "openApi", "spec", "specification", "contract", "definition", "swagger")),
      Map.entry("schemas", List.of("schema", "jsonSchema"))));

  /** What is told of a key that is none: what was meant, if that can be told, and all there are. */
  String insteadOf(String wrong) {
    String hint = hint(wrong);
    return (hint.isEmpty() ? "" : hint + " ") + "known are " + String.join(", ", keys);
  }

  private String hint(String wrong) {
    return OTHER_WORDS
        .meant(wrong)
        .filter(keys::contains)
        .map(meant -> "it is called " + meant + ";")
        .orElseGet(() -> NearestMatch.hint(wrong, keys));
  }
}
