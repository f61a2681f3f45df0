package org.oddlantern.scenario;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.oddlantern.check.Checks.*;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AutoClose;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.oddlantern.config.Environment;
import org.oddlantern.config.internal.Settings;
import org.oddlantern.config.internal.SettingsFile;
import org.oddlantern.evidence.Header;
import org.oddlantern.http.Call;
import org.oddlantern.http.Service;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.ExchangeRecord;
import org.oddlantern.suite.Case;
import org.oddlantern.suite.Retries;
import org.oddlantern.testing.TestService;

/** The trace by which a service's part in a call is found again (W3C Trace Context, level 1). */
class TraceTest {

  private static final String OWN = "00-0af7651916cd43dd8448eb211c80319c-b7ad6b7169203331-00";

  /** Section 3.2: version 00, lower case, neither trace nor parent all zero. */
  private static final Pattern PARENT =
      Pattern.compile("00-(?!0{32})([0-9a-f]{32})-(?!0{16})([0-9a-f]{16})-(0[01])");

  @TempDir
  private Path folder;

  @AutoClose
  private final TestService service = new TestService();

  @Test
  void theCallsOfAnAttemptHaveOneTraceAndEachAParentOfItsOwn() throws IOException {
    List<CaseRecord> cases = run("");
    Set<String> traces = new HashSet<>();
    Set<String> parents = new HashSet<>();
    int calls = 0;
    for (CaseRecord one : cases) {
      Set<String> own = new HashSet<>();
      for (ExchangeRecord exchange : one.exchanges()) {
        Matcher parent = PARENT.matcher(parent(exchange));
        assertTrue(parent.matches(), parent(exchange));
        assertEquals("01", parent.group(3));
        assertEquals(exchange.trace(), parent.group(1));
        own.add(parent.group(1));
        parents.add(parent.group(2));
        calls++;
      }
      assertEquals(1, own.size(), one.title());
      traces.addAll(own);
      one.earlier().forEach(tried -> tried.exchanges().forEach(each -> traces.add(each.trace())));
    }
    assertEquals(cases.size() + 1, traces.size(), "a second try is another attempt");
    assertEquals(calls, parents.size());

    Set<String> again = new HashSet<>(traces);
    run("").forEach(one -> one.exchanges().forEach(each -> again.add(each.trace())));
    assertEquals(traces.size() + cases.size(), again.size(), "new at every run, whatever the seed");
  }

  @Test
  void itIsNoPartOfWhatRepeatsTheCall() throws IOException {
    for (CaseRecord one : run("")) {
      assertFalse(
          one.exchanges().get(0).curl(Path.of("")).contains("trace"),
          one.exchanges().get(0).curl(Path.of("")));
    }
  }

  @Test
  void whoHasOneKeepsItAndWhoWantsNoneHasNone() throws IOException {
    assertEquals(List.of(OWN, "", ""), parents(run("", "OwnTest#traced")));
    assertEquals(List.of(OWN, "", ""), parents(run(", trace: off", "OwnTest#traced")));
    assertEquals(List.of(""), parents(run(", trace: off", "OwnTest#first")));
    assertEquals(
        List.of(OWN), parents(run(", headers: { Traceparent: \"" + OWN + "\" }", "OwnTest#first")));
  }

  @Test
  void nobodyIsAskedToRecordWhatAReadOnlyEnvironmentReads() throws IOException {
    Matcher parent = PARENT.matcher(
        parents(run(" } }, readOnly: true, databases: { d: { url: \"jdbc:x\"", "OwnTest#first"))
            .get(0));
    assertTrue(parent.matches());
    assertEquals("00", parent.group(3));
  }

  @Test
  void aFailureLinksToItsTraceWhereThatCanBeLookedAt() throws IOException {
    String traces = ", traces: \"https://traces.example.org/t/{id}?from=test\"";
    ExchangeRecord failed = run(traces, "UnwantedTest").get(0).exchanges().get(1);
    assertEquals(
        "https://traces.example.org/t/" + failed.trace() + "?from=test", failed.traceLink());
    assertEquals("", run(traces, "UnwantedTest").get(0).exchanges().get(0).traceLink());
    assertEquals("", run("", "UnwantedTest").get(0).exchanges().get(1).traceLink());
    for (String wrong : List.of("https://traces.example.org/", "traces/{id}")) {
      IllegalArgumentException refused = assertThrows(
          IllegalArgumentException.class,
          () -> Service.reachedAt(service.address()).tracesAt(wrong));
      assertTrue(refused.getMessage().contains(wrong.replace("{id}", "")), refused.getMessage());
    }
  }

  private static List<String> parents(List<CaseRecord> cases) {
    return cases.get(0).exchanges().stream().map(TraceTest::parent).toList();
  }

  private static String parent(ExchangeRecord exchange) {
    return exchange.requestHeaders().stream()
        .filter(header -> header.name().equalsIgnoreCase("traceparent"))
        .map(Header::value)
        .findFirst()
        .orElse("");
  }

  private List<CaseRecord> run(String more, String... selected) throws IOException {
    Files.writeString(
        folder.resolve(Settings.FILE),
        "environments: { here: { services: { api: { url: \"" + service.address() + "\"" + more
            + " } } } }\n");
    Settings settings = SettingsFile.find(folder, TraceTest.class.getClassLoader());
    return Trial.on(
            settings,
            settings.environment(null),
            selected.length == 0 ? List.of("TwoTest") : List.of(selected[0]))
        .cases();
  }

  /** Cases with several calls. */
  public static final class TwoTest {
    private static int tries;
    private final Service api;

    TwoTest(Environment environment) {
      api = environment.service("api");
    }

    @Case("two calls")
    void two() {
      api.send(Call.get("/a")).must(status(oneOf(200, 404)));
      api.send(Call.get("/b")).must(status(oneOf(200, 404)));
    }

    @Case("at the second try")
    @Retries(1)
    void again() {
      api.send(Call.get("/c")).must(status(oneOf(200, 404)));
      if (++tries % 2 == 1) {
        throw new AssertionError("not yet");
      }
    }
  }

  /** Calls that say it themselves. */
  public static final class OwnTest {
    private final Service api;

    OwnTest(Environment environment) {
      api = environment.service("api");
    }

    @Case("the first")
    void first() {
      api.send(Call.get("/a")).must(status(oneOf(200, 404)));
    }

    @Case("traced")
    void traced() {
      api.send(Call.get("/a").header("traceparent", OWN)).must(status(oneOf(200, 404)));
      api.traced(false).send(Call.get("/b")).must(status(oneOf(200, 404)));
      api.send(Call.get("/c").withoutHeader("traceparent")).must(status(oneOf(200, 404)));
    }
  }

  /** A call that is fine, and one that is not. */
  public static final class UnwantedTest {
    private final Service api;

    UnwantedTest(Environment environment) {
      api = environment.service("api");
    }

    @Case("two calls")
    void two() {
      api.send(Call.get("/things/1")).must(status(200));
      api.send(Call.get("/things/1")).must(status(418));
    }
  }
}
