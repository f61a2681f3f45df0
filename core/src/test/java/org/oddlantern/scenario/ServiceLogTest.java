package org.oddlantern.scenario;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.oddlantern.check.Checks.*;

import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.List;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.oddlantern.config.Environment;
import org.oddlantern.config.internal.Settings;
import org.oddlantern.config.internal.SettingsFile;
import org.oddlantern.http.Call;
import org.oddlantern.http.Service;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.LogRecord;
import org.oddlantern.json.Secret;
import org.oddlantern.suite.Case;

/** What a service said in its log stands under the call that failed, and under no other. */
class ServiceLogTest {

  private static final String BEFORE = "an old line with an OldException: of yesterday\n";

  @TempDir
  private Path folder;

  private HttpServer server;
  private Path log;

  /** What the service does for a call, before and after it has answered. */
  private volatile Saying saying = (exchange, trace) -> {};

  private volatile Saying after = (exchange, trace) -> {};

  private interface Saying {
    void said(HttpExchange exchange, String trace) throws IOException;
  }

  @BeforeEach
  void start() throws IOException {
    log = folder.resolve("out/service.log");
    Files.createDirectories(log.getParent());
    Files.writeString(log, BEFORE);
    server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
    server.createContext("/", exchange -> {
      String trace = exchange.getRequestHeaders().getFirst("traceparent").split("-")[1];
      saying.said(exchange, trace);
      exchange.sendResponseHeaders(500, -1);
      exchange.close();
      after.said(exchange, trace);
    });
    server.start();
    Files.writeString(
        folder.resolve(Settings.FILE),
        "environments: { here: { services: { api: { url: \"http://127.0.0.1:"
            + server.getAddress().getPort()
            + "\", caseHeader: X-Visit, log: out/service.log } } } }\n");
  }

  @AfterEach
  void stop() {
    server.stop(0);
  }

  private void say(String text) throws IOException {
    Files.writeString(
        log, text, StandardOpenOption.CREATE, StandardOpenOption.APPEND, StandardOpenOption.WRITE);
  }

  @Test
  void linesThatNameTheTraceAreToldWithTheirStackAndThoseOfOthersAreNot() throws IOException {
    saying = (exchange, trace) -> say("INFO [" + trace + "] a hive is asked for\n"
        + "INFO [0123] somebody else's OtherException: away\n"
        + "ERROR [" + trace + "] java.lang.IllegalStateException: no queen\n"
        + "\tat yard.Hives.queen(Hives.java:7)\n"
        + "Caused by: yard.NoQueen: gone\n"
        + "\t... 3 more\n"
        + "INFO done\n");
    LogRecord said = run("fails");
    assertNotNull(said);
    assertTrue(said.named());
    assertEquals(5, said.lines().size(), said.lines().toString());
    assertEquals("java.lang.IllegalStateException: no queen", said.exception());
    assertFalse(said.lines().toString().contains("OtherException"));
    assertFalse(said.lines().toString().contains("OldException"));
  }

  @Test
  void theCaseHeaderServesWhereNoTraceIsLogged() throws IOException {
    saying = (exchange, trace) ->
        say("WARN " + exchange.getRequestHeaders().getFirst("X-Visit") + " is odd\n");
    LogRecord said = run("fails");
    assertTrue(said.named());
    assertEquals(1, said.lines().size());
    assertEquals("", said.exception());
  }

  @Test
  void elseWhatWasWrittenMeanwhileIsToldAsThat() throws IOException {
    saying = (exchange, trace) -> say("panic: runtime error\ngoroutine 1\n");
    after = (exchange, trace) -> say("written later\n");
    LogRecord said = run("fails");
    assertFalse(said.named());
    assertEquals("panic: runtime error", said.exception());
    assertEquals(List.of("panic: runtime error", "goroutine 1"), said.lines().subList(0, 2));
  }

  @Test
  void whatIsWrittenALittleAfterTheReplyIsWaitedFor() throws IOException {
    after = (exchange, trace) -> {
      try {
        Thread.sleep(40);
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
      }
      say("ERROR " + trace + " yard.LateError: slow\n");
    };
    assertEquals("yard.LateError: slow", run("fails").exception());
  }

  @Test
  void aCallThatIsFineHasNoLogAndNeitherHasOneOfASilentService() throws IOException {
    saying = (exchange, trace) -> say(trace + " java.lang.Error: all the same\n");
    assertNull(run("isFine"));
    saying = (exchange, trace) -> {};
    assertNull(run("fails"));
    Files.delete(log);
    assertNull(run("fails"));
  }

  @Test
  void aFileThatWasRotatedOrCutIsReadFromItsBeginning() throws IOException {
    saying = (exchange, trace) -> {
      Files.move(log, log.resolveSibling("service.log.1"));
      say("fresh " + trace + "\n");
    };
    assertEquals(1, run("fails").lines().size());
    saying = (exchange, trace) -> Files.writeString(log, trace + "\n");
    assertEquals(1, run("fails").lines().size());
  }

  @Test
  void muchIsCutAndSecretsAreHidden() throws IOException {
    saying = (exchange, trace) -> {
      StringBuilder text = new StringBuilder(trace + " token clover-7731-moor\n");
      IntStream.range(0, 2_000)
          .forEach(i -> text.append(trace).append(" ").append("x".repeat(80)).append('\n'));
      say(text.toString());
    };
    LogRecord said = run("fails");
    assertTrue(said.lines().stream().mapToInt(String::length).sum() <= 64 << 10);
    assertEquals("... and more", said.lines().get(said.lines().size() - 1));
    assertTrue(said.lines().get(0).endsWith(" token ***"), said.lines().get(0));
  }

  private @Nullable LogRecord run(String method) {
    Settings settings = SettingsFile.find(folder, ServiceLogTest.class.getClassLoader());
    List<CaseRecord> cases = Trial.on(
            settings, settings.environment(null), List.of("LoggedTest#" + method))
        .cases();
    return cases.get(0).exchanges().get(0).log();
  }

  /** Calls of which one fails. */
  static class LoggedTest {
    private final Service api;

    LoggedTest(Environment environment) {
      api = environment.service("api").bearer(Secret.of("clover-7731-moor"));
    }

    @Case("it fails")
    void fails() {
      api.send(Call.get("/hives")).must(status(200));
    }

    @Case("it is fine")
    void isFine() {
      api.send(Call.get("/hives")).must(status(500));
    }
  }
}
