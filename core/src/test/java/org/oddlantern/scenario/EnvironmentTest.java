package org.oddlantern.scenario;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.oddlantern.check.Checks.*;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.oddlantern.config.Environment;
import org.oddlantern.config.SettingsProblem;
import org.oddlantern.config.internal.SettingInForce;
import org.oddlantern.config.internal.Settings;
import org.oddlantern.config.internal.SettingsFile;
import org.oddlantern.http.Call;
import org.oddlantern.http.GraphQl;
import org.oddlantern.http.Service;
import org.oddlantern.internal.record.ProblemRecord;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.suite.Case;
import org.oddlantern.suite.OnEnvironment;
import org.oddlantern.testing.EchoService;

/** What environments say, in force while cases run. */
class EnvironmentTest {

  @TempDir
  Path folder;

  private EchoService here;
  private EchoService there;

  @BeforeEach
  void start() throws IOException {
    here = new EchoService();
    there = new EchoService();
  }

  @AfterEach
  void stop() {
    here.close();
    there.close();
  }

  private Settings settings(String more) throws IOException {
    Files.writeString(
        folder.resolve(Settings.FILE), """
        environment: here
        environments:
          here: { services: { api: { url: "%s", redirects: 2, caseHeader: X-Run%s } } }
          there: { readOnly: true, services: { api: { url: "%s" } } }
        """.formatted(here.address(), more, there.address()));
    return SettingsFile.find(folder, ClassLoader.getPlatformClassLoader());
  }

  private Trial run(Settings settings, String... selected) {
    return Trial.on(settings, settings.environment(null), List.of(selected));
  }

  private static String problem(Trial trial, String method) {
    ProblemRecord problem = trial.one(method).problem();
    return problem == null ? "" : problem.message();
  }

  @Test
  void aPinnedSuiteRunsOnItsEnvironmentAndTakesFromThere() throws IOException {
    Trial trial = run(settings(""), "PinnedTest", "PlainTest#make");
    assertEquals("passed make, passed make@there, passed take, errored write", trial.outcomes());
    assertEquals("GET /made", line(here));
    assertEquals(List.of("/made", "/taken"), targets(there));
    assertTrue(here.last().header("X-run").endsWith("/EnvironmentTest$PlainTest#make"));
    assertEquals(
        "POST /x was not sent: the environment 'there' is read-only ("
            + folder.resolve(Settings.FILE)
            + ", line 4), so only GET, HEAD, OPTIONS and TRACE are sent there",
        problem(trial, "write"));
  }

  @Test
  void whoTakesFromASuiteThatIsPinnedElsewhereIsToldSo() {
    assertTrue(
        assertThrows(RuntimeException.class, () -> run(settings(""), "MisplacedTest"))
            .getMessage()
            .contains(
                "which is pinned to the environment 'there'; pin both to the same with @OnEnvironment"));
  }

  @Test
  void theCommandLineWinsOverCodeAndMarks() throws IOException {
    Settings settings = settings("")
        .overriddenBy(List.of("services.api.url=" + here.address(), "services.api.timeout=9s"));
    Trial trial = run(settings, "PinnedTest#take", "MovedTest");
    assertEquals("passed make@there, passed take, passed moved", trial.outcomes());
    assertEquals(List.of("/made", "/taken", "/moved"), targets(here));
    SettingInForce timeout = settings.inForce(null, Map.of()).stream()
        .filter(one -> one.key().equals("services.api.timeout"))
        .findFirst()
        .orElseThrow();
    assertEquals(
        "9s from --set services.api.timeout", timeout.value() + " from " + timeout.origin());
    assertEquals(
        "--set services.api.ulr: unknown key 'ulr' of a service; did you mean 'url'? known are url, timeout, connectTimeout, bodyLimit, redirects, bearer, trust, proxy, caseHeader, trace, traces, log, basic, keyInHeader, keyInQuery, signIn, clientCredentials, clientCertificate, ready, description, headers",
        assertThrows(
                SettingsProblem.class,
                () -> settings("").overriddenBy(List.of("services.api.ulr=x")))
            .getMessage());
  }

  @Test
  void aServiceThatDoesNotGetReadyBlocksTheCasesThatNeedIt() throws IOException {
    Trial trial = run(settings(", ready: { path: /status, within: 300ms }"), "PlainTest#make");
    assertEquals("passed make", trial.outcomes());
    here.close();
    Trial blocked = run(settings(", ready: { path: /status, within: 300ms }"), "PlainTest#make");
    assertEquals("blocked make", blocked.outcomes());
    assertTrue(
        problem(blocked, "make").startsWith("the service 'api' was not ready within 300 ms: GET "),
        problem(blocked, "make"));
  }

  @Test
  void whoeverTrustsAnybodyIsWarned() throws IOException {
    Trial trial = run(settings(", trust: any"), "PlainTest#make");
    RunEvent.Started started = (RunEvent.Started) trial.events().get(0);
    assertTrue(
        started
            .warnings()
            .toString()
            .contains("the service 'api' is believed whatever certificate"),
        started.warnings().toString());
  }

  @Test
  void whatIsDueAtTheEndOfACaseFailsIt() throws IOException {
    Trial trial = run(settings(""), "DueTest");
    assertEquals(
        "passed replaced, failed standing, failed graphQl, passed looked", trial.outcomes());
    assertTrue(
        problem(trial, "standing").endsWith("/a, answered 200 OK: status(204) does not hold"));
    assertTrue(
        problem(trial, "graphQl").contains("no GraphQL errors unless the case asks for them"));
  }

  @Test
  void theHeaderThatNamesTheCaseCanBeLeftOut() throws IOException {
    Settings settings = settings("").overriddenBy(List.of("services.api.caseHeader=none"));
    assertEquals("passed make", run(settings, "PlainTest#make").outcomes());
    assertTrue(
        here.last().headers().values().stream().noneMatch(one -> one.toString().contains("#make")),
        here.last().toString());
  }

  @Test
  void aCookieIsKeptForItsCaseAlone() throws IOException {
    Trial trial = run(settings(""), "CookieTest");
    assertEquals("passed given, passed other", trial.outcomes());
    assertEquals(
        List.of("", "session=s-4711-abcdefghijkl", ""),
        here.received.stream().map(one -> one.header("Cookie")).toList());
  }

  private static List<String> targets(EchoService service) {
    return service.received.stream().map(EchoService.Request::target).toList();
  }

  private static String line(EchoService service) {
    return service.last().method() + " " + service.last().target();
  }

  static class PlainTest {
    record Made(int id) {}

    @Case
    Made make(Environment env) {
      env.service("api").send(Call.get("/made")).must(status(200));
      return new Made(1);
    }
  }

  @OnEnvironment("there")
  static class PinnedTest {
    record Taken(int id) {}

    @Case
    Taken take(Environment env, @org.oddlantern.suite.MadeBy(PlainTest.class) PlainTest.Made made) {
      env.service("api").send(Call.get("/taken")).must(status(200));
      return new Taken(made.id());
    }

    @Case
    void write(Environment env) {
      env.service("api").send(Call.post("/x")).must(status(200));
    }
  }

  static class MisplacedTest {
    @Case
    void take(@org.oddlantern.suite.MadeBy(PinnedTest.class) PinnedTest.Taken taken) {}
  }

  static class MovedTest {
    @Case
    void moved(Environment env) {
      env.service("api").movedTo("http://127.0.0.1:1").send(Call.get("/moved")).must(status(200));
    }
  }

  static class CookieTest {
    @Case
    void given(Environment env) {
      env.service("api").send(Call.get("/cookie")).must(cookie("session"));
      env.service("api").send(Call.get("/a")).must(status(200));
    }

    @Case
    void other(Environment env) {
      env.service("api").send(Call.get("/a")).must(status(200));
    }
  }

  static class DueTest {
    private final Service api;

    DueTest(Environment env) {
      api = env.service("api").always(status(204));
    }

    @Case
    void replaced() {
      api.send(Call.get("/a")).must(status(200));
    }

    @Case
    void standing() {
      api.send(Call.get("/a")).must(at("$.ok", true));
    }

    @Case
    void graphQl(Environment env) {
      env.service("api")
          .send(Call.post("/graphql").graphQl(GraphQl.text("{a}")))
          .must(status(200));
    }

    @Case
    void looked(Environment env) {
      env.service("api")
          .send(Call.post("/graphql").graphQl(GraphQl.text("{a}")))
          .must(at("$.errors", size(1)));
    }
  }
}
