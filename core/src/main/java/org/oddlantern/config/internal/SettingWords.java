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

  /** Key, meaning, standard, example; angle brackets stand for what the code says. */
  private static final String TABLE = """
      environment | The environment in use where none is named by --env. |  | local
      environments | Environments by name: where services and databases are. |  |
      services | Services by name. |  |
      databases | Databases by name. |  |
      readOnly | true refuses every call that may change something. | false | true
      mask | Headers, and places in JSON bodies, whose values are hidden everywhere. |  | [ "$.token", X-Signature ]
      schemas | How JSON Schemas are read. |  |
      schemas.hosts | Hosts from which schemas may be fetched. |  | [ schemas.example.org ]
      schemas.formats | assert refuses texts that are not written in their format. | <formats> | annotate
      schemas.draft | The draft of schemas that name none. | <draft> | 7
      history | Where runs are kept for comparing, and how many. |  |
      history.folder | The folder in which short journals of runs are kept. |  | ../history
      history.keep | How many runs, like 50, or of how many days, like 90d. | <keep> | 90d
      promises | strict wants a case for every promise, and a promise for every case. |  | strict
      unwatched | Places of replies that no case need watch. |  | [ "GET /status $.asked" ]
      url | The address, with its base path. |  | https://api.example.org/v1
      timeout | The limit for an exchange, like 3s, 500ms or 1m. | <timeout> | 10s
      connectTimeout | The limit for a connection, like 3s, 500ms or 1m. | <connect> | 2s
      bodyLimit | The limit for a reply's body, like 64MiB. | <limit> | 256MiB
      redirects | How many redirects to follow. | 0 | 3
      headers | Headers of every call. |  | { Accept-Language: en }
      trust | A PEM file, or any for test environments. |  | certificates/yard.pem
      proxy | An HTTP proxy. |  | http://proxy.example.org:3128
      caseHeader | The header that names run and case; none sends none. | Odd-Lantern-Case | none
      trace | off sends no header traceparent (W3C Trace Context). | on | off
      traces | Where a trace can be looked at: an address with {id} in its place. |  | https://traces.example.org/{id}
      log | The file into which the service writes its log, for what fails. |  | ../target/service.log
      description | Its description (OpenAPI): a file, or a path of the service. |  | /openapi.json
      description.from | The same, beside other keys. |  | openapi.yaml
      description.judge | What becomes of what is not as described: warn, must or off. | warn | must
      ready | Waits before the first case until this path is answered. |  |
      ready.path | The path that is asked. |  | /health
      ready.within | How long it may take. | <ready> | 20s
      bearer | A bearer token. |  | "${TOKEN}"
      basic | Basic credentials. |  |
      basic.user | The user. |  | wren
      basic.password | The password. |  | "${PASSWORD}"
      keyInHeader | A key in a header. |  |
      keyInHeader.name | The name of the header. |  | X-Key
      keyInHeader.key | The key. |  | { file: secrets/key.txt }
      keyInQuery | A key in the query of the address. |  |
      keyInQuery.name | The name of the parameter. |  | key
      keyInQuery.key | The key. |  | "${KEY}"
      signIn | A token fetched by a call: where to, what with, where it is in the reply. |  |
      signIn.post | The path that the call is sent to. |  | /sessions
      signIn.json | The body of the call. |  | '{ "name": "wren" }'
      signIn.token | Where the token is in the reply (JSONPath). |  | $.token
      clientCredentials | A token by OAuth 2, client credentials (RFC 6749). |  |
      clientCredentials.tokenUrl | Where tokens are given out. |  | /token
      clientCredentials.clientId | The name of the client. |  | gate
      clientCredentials.clientSecret | Its secret. |  | "${SECRET}"
      clientCredentials.scopes | Scopes, separated by blanks. |  | hives inspections
      clientCertificate | A client certificate: PEM files, or a PKCS #12 file. |  |
      clientCertificate.certificate | The certificate (PEM). |  | keeper.pem
      clientCertificate.key | Its private key (PEM). |  | keeper-key.pem
      clientCertificate.store | Both in one file (PKCS #12). |  | keeper.p12
      clientCertificate.password | The password of that file. |  | "${STORE}"
      database.url | The JDBC address. |  | jdbc:postgresql://127.0.0.1/yard
      database.user | The user. |  | reader
      database.password | The password. |  | "${DB_PASSWORD}"
      database.timeout | The limit for a statement and for connecting, like 3s. | 30s | 5s
      """;

  /** By key; those of a service and of a database without what is above them. */
  static final Map<String, SettingWords> ALL = all();

  private static Map<String, SettingWords> all() {
    Map<String, SettingWords> all = new LinkedHashMap<>();
    Map<String, String> standards = standards();
    TABLE.lines().forEach(line -> {
      String[] cells = line.strip().split(" *\\| *", -1);
      all.put(
          cells[0],
          new SettingWords(cells[1], standards.getOrDefault(cells[2], cells[2]), cells[3]));
    });
    return all;
  }

  private static Map<String, String> standards() {
    Terms terms = Terms.STANDARD;
    SchemaSettings schemas = SchemaSettings.STANDARD;
    return Map.of(
        "<timeout>", seconds(terms.timeout()),
        "<connect>", seconds(terms.connect()),
        "<limit>", (terms.body() >> 20) + "MiB",
        "<ready>", seconds(Readiness.STANDARD),
        "<keep>", HistorySettings.STANDARD.keep(),
        "<formats>", schemas.assertsFormats() ? "assert" : "annotate",
        "<draft>", schemas.draft().label().replace("draft", ""));
  }

  private static String seconds(Duration limit) {
    return limit.toSeconds() + "s";
  }
}
