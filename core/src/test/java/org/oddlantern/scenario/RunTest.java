package org.oddlantern.scenario;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.doThrow;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;
import static org.oddlantern.check.Checks.*;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.atomic.AtomicReference;
import org.junit.jupiter.api.AutoClose;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.oddlantern.config.Environment;
import org.oddlantern.http.Call;
import org.oddlantern.http.Service;
import org.oddlantern.internal.journal.Journal;
import org.oddlantern.internal.journal.JournalWriter;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.Mark;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.internal.record.RunListener;
import org.oddlantern.json.Key;
import org.oddlantern.json.Secret;
import org.oddlantern.payload.Fresh;
import org.oddlantern.payload.Payload;
import org.oddlantern.suite.Case;
import org.oddlantern.suite.Changes;
import org.oddlantern.suite.UsesUp;
import org.oddlantern.testing.TestService;

/** Whole runs of small suites against a real service. */
class RunTest {

  @TempDir
  Path folder;

  @AutoClose
  private final TestService service = new TestService();

  @Test
  void handsValuesOnAndTakesBackWhatIsUsedNoMore() {
    Trial trial = run("LifeTest");
    assertEquals(
        "passed make, passed read, passed rename, passed derive, passed remove, passed alone",
        trial.outcomes());
    // the thing was removed by a case that passed, so only what the last user of 'Derived' left is
    // put back
    assertEquals(
        List.of(
            "POST /things",
            "GET /things/1",
            "POST /notes",
            "GET /things/1/renamed",
            "DELETE /notes/2",
            "DELETE /things/1",
            "POST /alone",
            "POST /alone",
            "DELETE /second",
            "DELETE /first"),
        service.received);
    assertTrue(trial.result().isGreen());
  }

  @Test
  void aFailureBlocksWhoTakesItsValueNamesTheFirstCauseAndStillTidies() {
    Trial trial = run("BrokenMakerTest");
    assertEquals("failed make, blocked take, blocked takeOfTaker, passed free", trial.outcomes());
    assertEquals(
        "BrokenMakerTest#make failed, so its value is missing: 'make'",
        trial.one("takeOfTaker").problem().message());
    assertEquals(List.of("POST /things", "DELETE /things/1", "GET /free"), service.received);
    assertFalse(trial.result().isGreen());
  }

  @Test
  void everyThrowableEndsItsCaseAndTheRunGoesOn() {
    Trial trial = run("ThrowingTest");
    assertEquals(
        "failed assertion, errored exception, errored overflow, errored nothing, failed unseen, unproven unproven, unproven seen, errored silent, passed warned",
        trial.outcomes());
    assertEquals("AssertionError", trial.one("assertion").problem().type());
    assertTrue(
        trial.one("assertion").problem().at().startsWith("RunTest.java:"),
        trial.one("assertion").problem().at());
    assertEquals(
        "it returned null, so there is nothing to hand on; return the value, or declare the method void",
        trial.one("nothing").problem().message());
    assertEquals(
        "GET " + service.address()
            + "/status/503, answered 503 Service Unavailable: an error status that no check asked for",
        trial.one("unseen").problem().message().replaceAll("503 .*:", "503 Service Unavailable:"));
    assertTrue(trial
        .one("silent")
        .problem()
        .message()
        .contains("nothing accepts connections at 127.0.0.1:1;"));
    assertEquals(List.of(Mark.WARNED), trial.one("warned").marks());
    assertEquals(
        Map.of("failed", 2, "errored", 4, "unproven", 2, "passed", 1),
        trial.result().counts());
  }

  @Test
  void whatCannotBeTakenBackIsLeftBehindAndSaysHow() {
    Trial trial = run("LeavingTest");
    assertEquals("passed refused, passed gone, passed broken", trial.outcomes());
    assertEquals(2, trial.result().leftBehind());
    assertFalse(trial.result().isGreen());
    List<String> problems =
        trial.putBacks().stream().map(RunEvent.PutBack::problem).toList();
    assertTrue(problems.get(0).startsWith("it was answered 500"), problems::toString);
    assertEquals("", problems.get(1));
    assertEquals(
        "the function given to undoneBy threw IllegalStateException: no idea", problems.get(2));
    assertEquals(
        "curl -sS -i -X DELETE " + service.address() + "/status/500",
        trial.putBacks().get(0).exchanges().get(0).curl(Path.of("")));
  }

  @Test
  void aSelectedReaderBringsItsMakerAndNobodyRemoves() {
    Trial trial = run("LifeTest#read");
    assertEquals("passed make, passed read", trial.outcomes());
    assertEquals(List.of(Mark.NEEDED), trial.one("make").marks());
    assertEquals(List.of("POST /things", "GET /things/1", "DELETE /things/1"), service.received);
  }

  @Test
  void callsOfOtherThreadsAndOfServicesWithoutSettingsBelongToTheirCase() {
    ThreadTest.ADDRESS.set(service.address());
    Trial trial = run("ThreadTest");
    assertEquals(
        "passed otherThread, failed failingThread, passed withoutSettings", trial.outcomes());
    assertEquals(1, trial.one("otherThread").exchanges().size());
    assertEquals(1, trial.one("withoutSettings").exchanges().size());
    assertTrue(
        service.lastHeaders.get("Odd-lantern-case").get(0).endsWith("/ThreadTest#withoutSettings"));
  }

  @Test
  void freshValuesAreTheSameAgainWithTheSameSeed() {
    assertEquals(
        run("FreshTest").cases().get(0).exchanges().get(0).url(),
        run("FreshTest").cases().get(0).exchanges().get(0).url());
  }

  @Test
  void theJournalTellsTheWholeRunAgain() throws IOException {
    Path file = folder.resolve("out/journal.jsonl");
    Trial trial;
    try (JournalWriter writer = new JournalWriter(file)) {
      trial = Trial.of(service, List.of("LifeTest", "ThrowingTest", "LeavingTest"), writer);
    }
    List<RunEvent> told = trial.events();
    assertEquals(told, read(file));
    List<String> lines = Files.readAllLines(file);
    Files.writeString(
        file, String.join("\n", lines.subList(0, 3)) + "\n" + lines.get(3).substring(0, 40));
    assertEquals(told.subList(0, 3), read(file));
  }

  @Test
  void longBodiesLieBesideTheJournal() throws IOException {
    Path file = folder.resolve("journal.jsonl");
    try (JournalWriter writer = new JournalWriter(file)) {
      Trial.of(service, List.of("LongBodyTest"), writer);
    }
    assertTrue(Files.size(file) < 4_000);
    CaseRecord record = ((RunEvent.CaseFinished) read(file).get(2)).record();
    assertEquals("bodies/000001.txt", record.exchanges().get(0).requestBody().file());
    assertEquals(
        20_002, new Journal(file).text(record.exchanges().get(0).replyBody()).length());
  }

  @Test
  void noSecretLeavesTheRunner() throws IOException {
    Path file = folder.resolve("journal.jsonl");
    try (JournalWriter writer = new JournalWriter(file)) {
      Trial trial = Trial.of(service, List.of("SecretTest"), writer);
      assertEquals("failed echoed, errored thrown", trial.outcomes());
      assertTrue(trial.one("echoed").exchanges().get(0).curl(Path.of("")).contains("$SECRET"));
    }
    String journal = Files.readString(file);
    for (String secret : List.of(
        "tok/\"en-4711", "tok/\\\"en-4711", "tok%2F%22en-4711", "clover-and-rye", "key-0815")) {
      assertFalse(journal.contains(secret), () -> secret + " is in " + journal);
    }
    assertTrue(journal.contains("***"));
    assertFalse(journal.contains(
        Base64.getEncoder().encodeToString("clover-and-rye".getBytes(StandardCharsets.UTF_8))));
  }

  @Test
  void aListenerThatThrowsHearsNothingMoreAndIsAProblemOfTheRun() throws Exception {
    RunListener bad = mock(RunListener.class, "the bad listener");
    doThrow(new IOException("disk full")).when(bad).hear(any());
    Trial trial = Trial.of(service, List.of("LifeTest"), bad);
    verify(bad, times(1)).hear(any());
    assertEquals(
        List.of("the bad listener could not go on: IOException: disk full"),
        trial.result().problems());
    assertFalse(trial.result().isGreen());
    assertEquals(6, trial.cases().size());
  }

  private Trial run(String... selected) {
    return Trial.of(service, List.of(selected));
  }

  private static List<RunEvent> read(Path file) throws IOException {
    List<RunEvent> events = new ArrayList<>();
    new Journal(file).read(events::add);
    return events;
  }
}

class LifeTest {
  @Key
  record Thing(int id) {}

  record Renamed(String label) {}

  record Derived(int id) {}

  private final Service api;

  LifeTest(Environment env) {
    api = env.service("api");
  }

  @Case
  Thing make() {
    return api.send(Call.post("/things")
            .undoneBy(reply -> Call.delete("/things/{id}", reply.valueAt("$.id", Thing.class))))
        .must(status(201))
        .valueAt("$.id", Thing.class);
  }

  @Case
  void remove(@UsesUp Thing thing) {
    api.send(Call.delete("/things/{id}", thing)).must(status(204));
  }

  @Case
  void read(Thing thing) {
    api.send(Call.get("/things/{id}", thing)).must(status(200));
  }

  @Case
  Derived rename(@Changes Thing thing) {
    return api.send(Call.post("/notes")
            .undoneBy(reply -> Call.delete("/notes/{id}", reply.valueAt("$.id", int.class))))
        .must(status(201))
        .bodyAs(Derived.class);
  }

  @Case
  void derive(Derived derived, Thing thing) {
    api.send(Call.get("/things/{id}/renamed", thing)).must(status(200));
  }

  @Case
  void alone() {
    api.send(Call.post("/alone").undoneBy(reply -> Call.delete("/first"))).must(status(201));
    api.send(Call.post("/alone").undoneBy(reply -> Call.delete("/second"))).must(status(201));
  }
}

class BrokenMakerTest {
  record Made(int id) {}

  record Taken(int id) {}

  private final Service api;

  BrokenMakerTest(Environment env) {
    api = env.service("api");
  }

  @Case
  Made make() {
    return api.send(Call.post("/things")
            .undoneBy(reply -> Call.delete("/things/{id}", reply.valueAt("$.id", int.class))))
        .must(status(200))
        .bodyAs(Made.class);
  }

  @Case
  Taken take(Made made) {
    return new Taken(made.id());
  }

  @Case
  void takeOfTaker(Taken taken) {}

  @Case
  void free() {
    api.send(Call.get("/free")).must(status(200));
  }
}

class ThrowingTest {
  record Nothing(int id) {}

  private final Service api;

  ThrowingTest(Environment env) {
    api = env.service("api");
  }

  @Case
  void assertion() {
    throw new AssertionError("not so");
  }

  @Case
  void exception() throws Exception {
    throw new IOException("no disk");
  }

  @Case
  @SuppressWarnings("InfiniteRecursion")
  void overflow() {
    overflow();
  }

  @Case
  Nothing nothing() {
    return null;
  }

  @Case
  void unseen() {
    api.send(Call.get("/status/503")).must(at("$.status", 503));
  }

  @Case
  void unproven() {}

  @Case
  void seen() {
    int status = api.send(Call.get("/status/404")).status();
    assert status == 404;
  }

  @Case
  void silent() {
    api.movedTo("http://127.0.0.1:1").send(Call.get("/"));
  }

  @Case
  void warned() {
    api.send(Call.get("/things/1")).warnUnless(header("Age"));
  }
}

class LeavingTest {
  private final Service api;

  LeavingTest(Environment env) {
    api = env.service("api");
  }

  @Case
  void refused() {
    api.send(Call.post("/things").undoneBy(reply -> Call.delete("/status/500"))).must(status(201));
  }

  @Case
  void gone() {
    api.send(Call.post("/things").undoneBy(reply -> Call.delete("/status/410"))).must(status(201));
  }

  @Case
  void broken() {
    api.send(Call.post("/things").undoneBy(reply -> {
          throw new IllegalStateException("no idea");
        }))
        .must(status(201));
  }
}

class ThreadTest {
  /** Where the service of the test listens; a suite without settings has to know. */
  static final AtomicReference<String> ADDRESS = new AtomicReference<>();

  private final Service api;

  ThreadTest(Environment env) {
    api = env.service("api");
  }

  @Case
  void otherThread() {
    CompletableFuture.runAsync(() -> api.send(Call.get("/things/1")).must(status(200)))
        .join();
  }

  @Case
  void failingThread() throws Throwable {
    try {
      CompletableFuture.runAsync(() -> api.send(Call.get("/things/1")).must(status(201)))
          .join();
    } catch (CompletionException e) {
      throw e.getCause();
    }
  }

  @Case
  void withoutSettings() {
    Service.reachedAt(ADDRESS.get()).send(Call.get("/things/2")).must(status(200));
  }
}

class FreshTest {
  @Case
  void fresh(Environment env, Fresh fresh) {
    env.service("api").send(Call.get("/{text}", fresh.text("a"))).must(status(200));
  }
}

class LongBodyTest {
  @Case
  void echo(Environment env) {
    env.service("api")
        .send(Call.post("/echo").json(Payload.of("x".repeat(20_000))))
        .must(status(200));
  }
}

class SecretTest {
  private final Service api;

  SecretTest(Environment env) {
    api = env.service("api").bearer(Secret.of("tok/\"en-4711"));
  }

  @Case
  void echoed() {
    api.send(Call.post("/echo")
            .json(Map.of(
                "password", "clover-and-rye", "note", "I said clover-and-rye and tok/\"en-4711"))
            .query("token", "tok/\"en-4711")
            .header("X-Keeper-Key", "key-0815")
            .header("X-Echo", "key-0815"))
        .must(at("$.note", "key-0815"));
  }

  @Case
  void thrown() {
    api.send(Call.get("/things/1")).must(status(200));
    throw new IllegalStateException("the token is tok/\"en-4711");
  }
}
