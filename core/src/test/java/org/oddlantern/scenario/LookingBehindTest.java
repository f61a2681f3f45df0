package org.oddlantern.scenario;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.oddlantern.check.Checks.*;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AutoClose;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.function.Executable;
import org.junit.jupiter.api.io.TempDir;
import org.oddlantern.config.Environment;
import org.oddlantern.config.SettingsProblem;
import org.oddlantern.config.internal.SettingInForce;
import org.oddlantern.config.internal.Settings;
import org.oddlantern.config.internal.SettingsFile;
import org.oddlantern.database.Database;
import org.oddlantern.evidence.Verdict;
import org.oddlantern.http.Call;
import org.oddlantern.http.Service;
import org.oddlantern.internal.journal.Journal;
import org.oddlantern.internal.journal.JournalWriter;
import org.oddlantern.internal.record.AskedRecord;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.ExchangeRecord;
import org.oddlantern.internal.record.LookRecord;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.json.Secret;
import org.oddlantern.suite.Case;
import org.oddlantern.testing.TestService;

/** Runs of suites that wait, gather and look into a database: what is recorded, and what counts. */
class LookingBehindTest {

  @TempDir
  Path folder;

  @AutoClose
  private final TestService service = new TestService();

  @Test
  void ofSeveralTriesOnlyTheLastIsRecordedAndCounts() throws IOException {
    Trial trial = run("WaitingTest");
    assertEquals(
        "passed heldAtLast, failed neverHeld, passed warnedEarlier, failed leftUnseen, passed undoneEach",
        trial.outcomes());
    CaseRecord held = trial.one("heldAtLast");
    assertEquals(1, held.exchanges().size());
    assertEquals(
        List.of("status(200)", "within 5 s: held at try 3"),
        held.exchanges().get(0).verdicts().stream().map(Verdict::words).toList());
    CaseRecord never = trial.one("neverHeld");
    assertEquals(1, never.exchanges().size());
    assertEquals(
        List.of("status(200)", "within 300 ms"),
        never.exchanges().get(0).verdicts().stream().map(Verdict::words).toList());
    assertTrue(never
        .exchanges()
        .get(0)
        .verdicts()
        .get(1)
        .findings()
        .get(0)
        .got()
        .matches("\\d+ tries, none held; the last after \\d+ ms"));
    assertEquals(List.of(), trial.one("warnedEarlier").marks());
    assertTrue(trial
        .one("leftUnseen")
        .problem()
        .message()
        .contains("a status below 400, since no check asked for another"));
    assertEquals(2, trial.putBacks().size());
  }

  @Test
  void gatheredFailuresFailTheCaseWithAllOfThem() throws IOException {
    CaseRecord gathered = run("GatheringTest").one("several");
    assertEquals("failed", gathered.outcome().word());
    assertEquals(
        List.of(true, false, true),
        gathered.exchanges().stream().map(ExchangeRecord::isTroubled).toList());
    String message = gathered.problem().message();
    assertTrue(
        message.contains("/a, answered 200") && message.contains("/c, answered 200"), message);
  }

  @Test
  void aLookIntoADatabaseStandsAmongTheCallsWithItsSecretsHidden() throws IOException {
    Path file = folder.resolve("journal.jsonl");
    try (JournalWriter writer = new JournalWriter(file)) {
      Trial trial =
          Trial.on(settings(), settings().environment(null), List.of("StoringTest"), writer);
      assertEquals("passed look, errored broken, unproven unlooked", trial.outcomes());
    }
    String journal = Files.readString(file);
    assertFalse(journal.contains("lavender"), journal);
    CaseRecord look = record(file, "look");
    assertEquals(
        List.of(
            "GET " + service.address() + "/first",
            "store: select cast(? as varchar) as password, cast(? as int) as n with ***, 4",
            "store: select count(*) as n from (select 1 as x) counted",
            "GET " + service.address() + "/second"),
        look.asked().stream().map(AskedRecord::line).toList());
    LookRecord row = look.queries().get(0);
    assertEquals("{\"password\":\"***\",\"n\":4}", row.answer());
    assertEquals(1, row.after());
    assertEquals("1 row", row.amount());
    assertEquals(
        List.of("at(\"$.n\", 4)", "at(\"$.password\", \"***\")"),
        row.verdicts().stream().map(Verdict::words).toList());
    CaseRecord broken = record(file, "broken");
    assertTrue(broken.queries().get(0).isTroubled());
    assertTrue(
        broken
            .problem()
            .message()
            .startsWith("the database 'store' gave no answer to 'select * from nowhere': Table"),
        broken.problem().message());
    assertEquals("", broken.problem().stack());
  }

  @Test
  void settingsOfADatabaseAreCheckedOverriddenAndHidden() throws IOException {
    Settings changed = settings().overriddenBy(List.of("databases.store.user=reader"));
    assertEquals(
        List.of(
            "databases.store.url = jdbc:h2:mem:looking",
            "databases.store.user = reader",
            "databases.store.password = ***",
            "databases.store.timeout = 60s"),
        changed.inForce(null, Map.of()).stream()
            .filter(line -> line.key().startsWith("databases"))
            .map(LookingBehindTest::told)
            .toList());
    assertEquals(
        "--set databases.store.pasword: unknown key 'pasword' of a database; did you mean 'password'? known are url, user, password, timeout",
        problem(() -> settings().overriddenBy(List.of("databases.store.pasword=x"))));
    Path file = folder.resolve(Settings.FILE);
    assertEquals(
        file + ", line 1: the database 'b' has no address: add url: \"jdbc:...\"",
        problem(() -> read("environments: { e: { databases: { b: { user: x } } } }")));
    assertEquals(
        file
            + ", line 1: unknown key 'pool' in the database 'b'; known are url, user, password, timeout",
        problem(() -> read("environments: { e: { databases: { b: { url: x, pool: 3 } } } }")));
  }

  private static String told(SettingInForce line) {
    return line.key() + " = " + line.value();
  }

  private static String problem(Executable executable) {
    return String.valueOf(assertThrows(SettingsProblem.class, executable).getMessage());
  }

  private CaseRecord record(Path journal, String method) throws IOException {
    List<CaseRecord> found = new ArrayList<>();
    new Journal(journal).read(event -> {
      if (event instanceof RunEvent.CaseFinished finished
          && finished.record().id().endsWith("#" + method)) {
        found.add(finished.record());
      }
    });
    return found.get(0);
  }

  private Trial run(String suite) throws IOException {
    return Trial.on(settings(), settings().environment(null), List.of(suite));
  }

  private Settings settings() throws IOException {
    return read("""
        environments:
          here:
            services: { api: { url: "%s" } }
            databases: { store: { url: "jdbc:h2:mem:looking", user: sa, password: "lavender-db", timeout: 60s } }
        """.formatted(service.address()));
  }

  private Settings read(String text) throws IOException {
    Files.writeString(folder.resolve(Settings.FILE), text);
    return SettingsFile.find(folder, ClassLoader.getPlatformClassLoader());
  }

  static class WaitingTest {

    private final Service api;

    WaitingTest(Environment env) {
      api = env.service("api");
    }

    @Case
    void heldAtLast() {
      AtomicInteger tries = new AtomicInteger();
      eventually(
          Duration.ofSeconds(5),
          () -> api.send(Call.get("/status/{code}", tries.incrementAndGet() < 3 ? 503 : 200))
              .must(status(200)));
    }

    @Case
    void neverHeld() {
      eventually(Duration.ofMillis(300), () -> api.send(Call.get("/status/503")).must(status(200)));
    }

    @Case
    void warnedEarlier() {
      AtomicInteger tries = new AtomicInteger();
      eventually(Duration.ofSeconds(5), () -> {
        var reply = api.send(Call.get("/status/200"));
        reply.warnUnless(holds("the second try", tries.incrementAndGet() > 1));
        reply.must(holds("the second try", tries.get() > 1));
      });
    }

    @Case
    void leftUnseen() {
      eventually(Duration.ofSeconds(5), () -> api.send(Call.get("/status/503")));
    }

    @Case
    void undoneEach() {
      AtomicInteger tries = new AtomicInteger();
      eventually(
          Duration.ofSeconds(5),
          () -> api.send(Call.post("/things").undoneBy(reply -> Call.delete("/things/1")))
              .must(status(201), holds("the second try", tries.incrementAndGet() > 1)));
    }
  }

  static class GatheringTest {

    @Case
    void several(Environment env) {
      Service api = env.service("api");
      gatherFailures(() -> {
        api.send(Call.get("/a")).must(at("$.path", "/x"));
        api.send(Call.get("/b")).must(at("$.path", "/b"));
        api.send(Call.get("/c")).must(at("$.path", "/x"));
      });
    }
  }

  static class StoringTest {

    private final Service api;
    private final Database store;

    StoringTest(Environment env) {
      api = env.service("api");
      store = env.database("store");
    }

    @Case
    void look() {
      Secret secret = Secret.of("lavender-and-lime");
      api.send(Call.get("/first")).must(status(200));
      store
          .row("select cast(? as varchar) as password, cast(? as int) as n", secret, 4)
          .must(at("$.n", 4), at("$.password", secret));
      store.count("select 1 as x").must(exactly(1));
      api.send(Call.get("/second")).must(status(200));
    }

    @Case
    void broken() {
      store.row("select * from nowhere");
    }

    @Case
    void unlooked() {
      store.rows("select 1 as x");
    }
  }
}
