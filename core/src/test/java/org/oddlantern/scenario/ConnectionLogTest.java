package org.oddlantern.scenario;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.oddlantern.check.Checks.status;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.AutoClose;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.oddlantern.config.Environment;
import org.oddlantern.http.Call;
import org.oddlantern.http.Service;
import org.oddlantern.internal.connections.ConnectionLog;
import org.oddlantern.internal.journal.JournalWriter;
import org.oddlantern.json.Secret;
import org.oddlantern.suite.Case;
import org.oddlantern.testing.EchoService;
import org.oddlantern.testing.TestIdentity;
import org.oddlantern.testing.TestService;

/** What the HTTP library says about connections and TLS, where a run was asked for it and where not. */
class ConnectionLogTest {

  private static final String TOKEN = "meadow-3141/59";
  private static volatile Service secured;

  @TempDir
  private Path folder;

  @AutoClose
  private final TestService service = new TestService();

  @Test
  void saysWhoseConnectionItIsAndHidesSecrets() throws Exception {
    TestIdentity server = new TestIdentity(folder, "server");
    try (EchoService echo = new EchoService(server.trusting(server));
        ConnectionLog log = ConnectionLog.beside(folder.resolve("journal.jsonl"))) {
      secured = Service.reachedAt(echo.address()).trusting(server.certificate().toString());
      Trial trial = Trial.logged(log, service, "ConnectingTest");
      assertEquals(
          List.of("passed", "passed", "errored"),
          List.of(
              trial.one("plain").word(),
              trial.one("tls").word(),
              trial.one("refused").word()));
    }
    String log = Files.readString(folder.resolve(ConnectionLog.FILE));
    assertSays(log, "#plain  PooledTransport: sending GET to http://127.0.0.1:\\d+");
    assertSays(log, "#plain  .* connected .*->/127.0.0.1:.*");
    assertSays(log, "#tls  PooledTransport: received status 200 and .* bytes");
    assertSays(log, "  requester-dispatch-\\d+  .*: negotiated protocol: TLSv1.3");
    assertSays(log, "  requester-dispatch-\\d+  .*: Peer principal: CN=server");
    assertSays(log, "#refused  PooledTransport: failed \\(.*Connection refused\\)");
    for (String silent : List.of(TOKEN, "meadow", "Authorization", "shaded", "Content-")) {
      assertFalse(log.contains(silent), silent + " in " + log);
    }
  }

  @Test
  void isNotKeptBesideTheJournalOfARunThatDidNotAskForIt() throws IOException {
    Path journal = folder.resolve("journal.jsonl");
    ConnectionLog earlier = ConnectionLog.beside(journal);
    earlier.close();
    try (JournalWriter writer = new JournalWriter(journal)) {
      assertTrue(Files.notExists(folder.resolve(ConnectionLog.FILE)), writer::toString);
      Trial.of(service, List.of("ConnectingTest#plain"), writer);
    }
    assertTrue(Files.notExists(folder.resolve(ConnectionLog.FILE)));
  }

  private static void assertSays(String log, String line) {
    assertTrue(
        log.lines().anyMatch(one -> one.matches("\\d\\d:\\d\\d:.*Z.*" + line)),
        line + " in " + log);
  }

  static class ConnectingTest {
    private final Service api;

    ConnectingTest(Environment environment) {
      api = environment.service("api");
    }

    @Case("in the clear")
    void plain() {
      api.send(Call.get("/plain").query("token", Secret.of(TOKEN))).must(status(200));
    }

    @Case("secured")
    void tls() {
      secured.send(Call.post("/a").bearer(Secret.of(TOKEN)).text(TOKEN)).must(status(200));
    }

    @Case("nobody listens")
    void refused() {
      Service.reachedAt("http://127.0.0.1:1").send(Call.get("/"));
    }
  }
}
