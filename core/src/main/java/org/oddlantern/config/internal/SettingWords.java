package org.oddlantern.config.internal;

import java.time.Duration;
import java.util.LinkedHashMap;
import java.util.Map;
import org.oddlantern.http.internal.Terms;

/**
 * What a setting means, for editors and for the reference.
 *
 * @param text its meaning
 * @param standard what holds where it is not set; empty if nothing does
 * @param example how it may be written; empty where the meaning says enough
 */
record SettingWords(String text, String standard, String example) {

  /** By key; those of a service and of a database without what is above them. */
  static final Map<String, SettingWords> ALL = all();

  private static Map<String, SettingWords> all() {
    Map<String, SettingWords> all = new LinkedHashMap<>();
    top(all);
    service(all);
    credentials(all);
    database(all);
    return all;
  }

  private static void top(Map<String, SettingWords> all) {
    put(all, "environment", "The environment in use where none is named by --env.", "", "local");
    put(all, "environments", "Environments by name: where services and databases are.", "", "");
    put(all, "services", "Services by name.", "", "");
    put(all, "databases", "Databases by name.", "", "");
    put(all, "readOnly", "true refuses every call that may change something.", "false", "true");
    put(
        all,
        "mask",
        "Headers, and places in JSON bodies, whose values are hidden everywhere.",
        "",
        "[ \"$.token\", X-Signature ]");
    put(all, "schemas", "How JSON Schemas are read.", "", "");
    put(
        all,
        "schemas.hosts",
        "Hosts from which schemas may be fetched.",
        "",
        "[ schemas.example.org ]");
    put(
        all,
        "schemas.formats",
        "assert refuses texts that are not written in their format.",
        SchemaSettings.STANDARD.assertsFormats() ? "assert" : "annotate",
        "annotate");
    put(
        all,
        "schemas.draft",
        "The draft of schemas that name none.",
        SchemaSettings.STANDARD.draft().label().replace("draft", ""),
        "7");
    put(all, "history", "Where runs are kept for comparing, and how many.", "", "");
    put(
        all,
        "history.folder",
        "The folder in which short journals of runs are kept.",
        "",
        "../history");
    put(
        all,
        "history.keep",
        "How many runs, like 50, or of how many days, like 90d.",
        HistorySettings.STANDARD.keep(),
        "90d");
    put(
        all,
        "promises",
        "strict wants a case for every promise, and a promise for every case.",
        "",
        "strict");
    put(
        all,
        "unwatched",
        "Places of replies that no case need watch.",
        "",
        "[ \"GET /status $.asked\" ]");
  }

  private static void service(Map<String, SettingWords> all) {
    Terms terms = Terms.STANDARD;
    put(all, "url", "The address, with its base path.", "", "https://api.example.org/v1");
    put(
        all,
        "timeout",
        "The limit for an exchange, like 3s, 500ms or 1m.",
        seconds(terms.timeout()),
        "10s");
    put(
        all,
        "connectTimeout",
        "The limit for a connection, like 3s, 500ms or 1m.",
        seconds(terms.connect()),
        "2s");
    put(
        all,
        "bodyLimit",
        "The limit for a reply's body, like 64MiB.",
        (terms.body() >> 20) + "MiB",
        "256MiB");
    put(all, "redirects", "How many redirects to follow.", "0", "3");
    put(all, "headers", "Headers of every call.", "", "{ Accept-Language: en }");
    put(all, "trust", "A PEM file, or any for test environments.", "", "certificates/yard.pem");
    put(all, "proxy", "An HTTP proxy.", "", "http://proxy.example.org:3128");
    put(
        all,
        "caseHeader",
        "The header that names run and case; none sends none.",
        "Odd-Lantern-Case",
        "none");
    put(all, "trace", "off sends no header traceparent (W3C Trace Context).", "on", "off");
    put(
        all,
        "traces",
        "Where a trace can be looked at: an address with {id} in its place.",
        "",
        "https://traces.example.org/{id}");
    put(
        all,
        "log",
        "The file into which the service writes its log, for what fails.",
        "",
        "../target/service.log");
    put(
        all,
        "description",
        "Its description (OpenAPI): a file, or a path of the service.",
        "",
        "/openapi.json");
    put(all, "description.from", "The same, beside other keys.", "", "openapi.yaml");
    put(
        all,
        "description.judge",
        "What becomes of what is not as described: warn, must or off.",
        "warn",
        "must");
    put(all, "ready", "Waits before the first case until this path is answered.", "", "");
    put(all, "ready.path", "The path that is asked.", "", "/health");
    put(all, "ready.within", "How long it may take.", seconds(Readiness.STANDARD), "20s");
  }

  private static void credentials(Map<String, SettingWords> all) {
    put(all, "bearer", "A bearer token.", "", "\"${TOKEN}\"");
    put(all, "basic", "Basic credentials.", "", "");
    put(all, "basic.user", "The user.", "", "wren");
    put(all, "basic.password", "The password.", "", "\"${PASSWORD}\"");
    put(all, "keyInHeader", "A key in a header.", "", "");
    put(all, "keyInHeader.name", "The name of the header.", "", "X-Key");
    put(all, "keyInHeader.key", "The key.", "", "{ file: secrets/key.txt }");
    put(all, "keyInQuery", "A key in the query of the address.", "", "");
    put(all, "keyInQuery.name", "The name of the parameter.", "", "key");
    put(all, "keyInQuery.key", "The key.", "", "\"${KEY}\"");
    put(
        all,
        "signIn",
        "A token fetched by a call: where to, what with, where it is in the reply.",
        "",
        "");
    put(all, "signIn.post", "The path that the call is sent to.", "", "/sessions");
    put(all, "signIn.json", "The body of the call.", "", "'{ \"name\": \"wren\" }'");
    put(all, "signIn.token", "Where the token is in the reply (JSONPath).", "", "$.token");
    put(all, "clientCredentials", "A token by OAuth 2, client credentials (RFC 6749).", "", "");
    put(all, "clientCredentials.tokenUrl", "Where tokens are given out.", "", "/token");
    put(all, "clientCredentials.clientId", "The name of the client.", "", "gate");
    put(all, "clientCredentials.clientSecret", "Its secret.", "", "\"${SECRET}\"");
    put(all, "clientCredentials.scopes", "Scopes, separated by blanks.", "", "hives inspections");
    put(all, "clientCertificate", "A client certificate: PEM files, or a PKCS #12 file.", "", "");
    put(all, "clientCertificate.certificate", "The certificate (PEM).", "", "keeper.pem");
    put(all, "clientCertificate.key", "Its private key (PEM).", "", "keeper-key.pem");
    put(all, "clientCertificate.store", "Both in one file (PKCS #12).", "", "keeper.p12");
    put(all, "clientCertificate.password", "The password of that file.", "", "\"${STORE}\"");
  }

  private static void database(Map<String, SettingWords> all) {
    put(all, "database.url", "The JDBC address.", "", "jdbc:postgresql://127.0.0.1/yard");
    put(all, "database.user", "The user.", "", "reader");
    put(all, "database.password", "The password.", "", "\"${DB_PASSWORD}\"");
    put(
        all,
        "database.timeout",
        "The limit for a statement and for connecting, like 3s.",
        "30s",
        "5s");
  }

  private static String seconds(Duration limit) {
    return limit.toSeconds() + "s";
  }

  private static void put(
      Map<String, SettingWords> all, String key, String text, String standard, String example) {
    all.put(key, new SettingWords(text, standard, example));
  }
}
