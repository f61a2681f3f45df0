package org.oddlantern.scenario;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.oddlantern.check.Checks.*;

import java.io.IOException;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.oddlantern.config.Environment;
import org.oddlantern.http.Call;
import org.oddlantern.http.Service;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.Mark;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.json.Key;
import org.oddlantern.payload.Fresh;
import org.oddlantern.suite.Case;
import org.oddlantern.suite.KnownFault;
import org.oddlantern.suite.Retries;
import org.oddlantern.suite.Supply;
import org.oddlantern.suite.TidyUp;
import org.oddlantern.suite.UsesUp;
import org.oddlantern.testing.TestService;

/** What is supplied, how long it lives and how it is put back: rules 6 to 8, 14, 17 and 19 to 23. */
class SuppliesTest {

  static final AtomicInteger NUMBER = new AtomicInteger();

  private TestService service;

  @BeforeEach
  void start() throws IOException {
    service = new TestService();
    RetriedTest.TRIED.set(0);
    NUMBER.set(1);
  }

  @AfterEach
  void stop() {
    service.close();
  }

  @Test
  void eachAskerHasOneOfItsOwnWhichLivesAsLongAsTheValueItHandsOn() {
    Trial trial = run("OwnSupplyTest");
    assertEquals("passed register, passed read, passed alone", trial.outcomes());
    assertEquals(
        List.of(
            "POST /keepers",
            "POST /hives/of/2",
            // the reader has a keeper of its own; the first one is there as long as her hive
            "POST /keepers",
            "GET /hives/of/2",
            "DELETE /keepers/3",
            "DELETE /hives/of/2",
            "DELETE /keepers/2",
            "POST /keepers",
            "GET /alone",
            "DELETE /keepers/4"),
        service.received);
    assertEquals(6, trial.supplied().size());
    CaseRecord supplied = trial.supplied().get(0);
    assertEquals("supplied a keeper of one's own", supplied.word() + " " + supplied.title());
    assertTrue(supplied.whose().endsWith("OwnSupplyTest#register"), supplied.whose());
    assertEquals(1, supplied.exchanges().size(), "its calls are in its own record");
  }

  @Test
  void aSharedSupplyIsMadeOnceBeforeItsFirstTakerAndPutBackAfterItsLast() {
    Trial trial = run("SharedSupplyTest", "SharedElsewhereTest");
    assertEquals(
        List.of(
            "POST /meadow",
            "GET /first",
            "POST /derived",
            "GET /second",
            "DELETE /derived/one",
            "GET /free",
            "GET /elsewhere",
            "DELETE /one"),
        service.received);
    assertEquals(
        List.of(
            "tidy up with SuppliesTest$SharedSupplyTest#remove",
            "tidy up with SuppliesTest$SharedSupplyTest#removeMeadow"),
        deeds(trial));
    assertTrue(trial.result().isGreen());
  }

  @Test
  void aSupplyThatFailsIsAnEntryOfItsOwnAndItsAskersAreBlocked() {
    Trial trial = run("FailingSupplyTest");
    assertEquals(
        "errored shared, blocked takesShared, errored own, blocked takesOwn, passed free",
        trial.outcomes());
    assertEquals(
        "SuppliesTest$FailingSupplyTest#own errored, so its value is missing: 'own'",
        trial.one("takesOwn").problem().message());
    assertTrue(
        trial.one("own").problem().message().contains("500"),
        "a status nobody looked at fails a supply too");
    assertEquals(2, trial.result().counts().get("errored"));
    assertEquals(
        List.of("POST /things", "POST /status/500", "DELETE /undone", "GET /free"),
        service.received,
        "what a supply made before it failed is put back");
    assertFalse(trial.result().isGreen());
  }

  @Test
  void whatACaseHasUsedUpIsNotPutBackButWhatLiesBehindItIs() {
    Trial trial = run("UsedUpTest");
    assertEquals(
        "passed make, passed removed, known fault makesNothing, passed usesUpItsOwn",
        trial.outcomes());
    assertEquals(
        List.of(
            "POST /keepers",
            "POST /hives",
            "DELETE /used/up",
            "DELETE /keepers",
            "POST /keepers",
            "DELETE /keepers",
            "POST /keepers",
            "GET /used"),
        service.received);
  }

  @Test
  void aRemoverThatFailedHasRemovedNothing() {
    Trial trial = run("FailedRemoverTest");
    assertEquals("passed make, known fault remove", trial.outcomes());
    assertEquals(List.of("POST /hives", "GET /hives", "DELETE /tidied"), service.received);
  }

  @Test
  void whatCanBeClosedIsClosedWhenAllThatItsInstanceMadeHasEnded() {
    Trial trial = run("ClosingTest");
    assertEquals("passed make, passed read", trial.outcomes());
    assertEquals(
        List.of(
            "POST /made",
            "GET /read",
            "GET /suite/closed",
            "GET /value/closed",
            "GET /suite/closed"),
        service.received);
    assertEquals(
        List.of(
            "close SuppliesTest > ClosingTest",
            "close SuppliesTest > ClosingTest > Value",
            "close SuppliesTest > ClosingTest"),
        deeds(trial));
  }

  @Test
  void whatCannotBePutBackIsLeftBehindAndStopsNothingElse() {
    Trial trial = run("LeftBehindTest");
    assertEquals("passed make, passed makeGone", trial.outcomes());
    assertEquals(1, trial.result().leftBehind());
    assertEquals(
        List.of("AssertionError: it stays", "", ""),
        trial.putBacks().stream()
            .map(back -> back.problem().replaceAll(" \\(.*", ""))
            .toList());
    assertFalse(trial.result().isGreen());
  }

  @Test
  void eachTryIsANewOneAndOnlyTheLastHandsOn() {
    Trial trial = run("RetriedTest");
    assertEquals("passed flaky, passed takes, errored never", trial.outcomes());
    CaseRecord flaky = trial.one("flaky");
    assertEquals(List.of(Mark.FLAKY), flaky.marks());
    assertEquals(1, flaky.earlier().size());
    assertEquals("failed", flaky.earlier().get(0).outcome().word());
    assertEquals("GET", flaky.earlier().get(0).exchanges().get(0).method());
    assertEquals(2, trial.one("never").earlier().size());
    List<String> received = service.received;
    assertEquals("POST /keepers", received.get(0));
    assertTrue(received.get(1).startsWith("GET /tried/"), received.get(1));
    assertEquals("DELETE /keepers", received.get(2), "put back before the next try");
    assertEquals("POST /keepers", received.get(3));
    assertFalse(received.get(1).equals(received.get(4)), "fresh values are new at each try");
    assertEquals("GET /taken" + received.get(4).replace("GET /tried", ""), received.get(5));
  }

  private static List<String> deeds(Trial trial) {
    return trial.putBacks().stream().map(RunEvent.PutBack::deed).toList();
  }

  private Trial run(String... selected) {
    return Trial.of(service, List.of(selected));
  }

  // ---- suites

  /** Suites that talk to the service of the test. */
  abstract static class Talking {
    final Service api;

    Talking(Environment env) {
      api = env.service("api");
    }

    void post(String path) {
      api.send(Call.post(path)).must(status("2xx"));
    }

    void get(String path) {
      api.send(Call.get(path)).must(status("2xx"));
    }

    void delete(String path) {
      api.send(Call.delete(path)).must(status("2xx"));
    }
  }

  static class OwnSupplyTest extends Talking {
    @Key
    record HiveId(String value) {}

    record Keeper(String name) {}

    record Session(Keeper keeper) {}

    private final Keeper mine;

    OwnSupplyTest(Environment env, Session session) {
      super(env);
      mine = session.keeper();
    }

    @Supply("a keeper of one's own")
    static Keeper keeper(Environment env) {
      env.service("api").send(Call.post("/keepers")).must(status("2xx"));
      return new Keeper(String.valueOf(NUMBER.incrementAndGet()));
    }

    @Supply
    static Session session(Keeper keeper) {
      return new Session(keeper);
    }

    @TidyUp
    static void remove(Keeper keeper, Environment env) {
      env.service("api").send(Call.delete("/keepers/{name}", keeper.name())).must(status("2xx"));
    }

    @Case
    HiveId register(Keeper keeper) {
      assertEquals(mine, keeper, "one for constructor, parameter and other supplies");
      api.send(Call.post("/hives/of/{name}", keeper.name())
              .undoneBy(reply -> Call.delete("/hives/of/{name}", keeper.name())))
          .must(status("2xx"));
      return new HiveId(keeper.name());
    }

    @Case
    void read(HiveId id) {
      get("/hives/of/" + id.value());
    }

    @Case
    void alone() {
      get("/alone");
    }
  }

  static class SharedSupplyTest extends Talking {
    record Meadow(String name) {}

    record Derived(String name) {}

    record Made(Derived of) {}

    SharedSupplyTest(Environment env) {
      super(env);
    }

    @Supply(value = "the meadow", shared = true)
    static Meadow meadow(Environment env) {
      env.service("api").send(Call.post("/meadow")).must(status("2xx"));
      return new Meadow("one");
    }

    /** Of a case's value, which it therefore keeps alive. */
    @Supply(shared = true)
    Derived derived(First first) {
      post("/derived");
      return new Derived(first.meadow().name());
    }

    record First(Meadow meadow) {}

    @TidyUp
    void removeMeadow(Meadow meadow) {
      delete("/" + meadow.name());
    }

    @TidyUp
    void remove(Derived derived, Meadow meadow) {
      delete("/derived/" + meadow.name());
    }

    @Case
    First begin(Meadow meadow) {
      get("/first");
      return new First(meadow);
    }

    @Case
    void goOn(Derived derived) {
      get("/second");
    }
  }

  static class SharedElsewhereTest extends Talking {
    SharedElsewhereTest(Environment env) {
      super(env);
    }

    @Case
    void free() {
      get("/free");
    }

    @Case
    void elsewhere(SharedSupplyTest.Meadow meadow) {
      get("/elsewhere");
    }
  }

  static class FailingSupplyTest extends Talking {
    record Shared(int id) {}

    record Own(int id) {}

    FailingSupplyTest(Environment env) {
      super(env);
    }

    @Supply(shared = true)
    static Shared shared() throws IOException {
      throw new IOException("no disk");
    }

    @Supply
    static Own own(Environment env) {
      env.service("api")
          .send(Call.post("/things").undoneBy(reply -> Call.delete("/undone")))
          .must(status("2xx"));
      env.service("api").send(Call.post("/status/500"));
      return new Own(1);
    }

    @Case
    void takesShared(Shared shared) {}

    @Case
    void takesOwn(Own own) {}

    @Case
    void free() {
      get("/free");
    }
  }

  static class UsedUpTest extends Talking {
    record Keeper(int id) {}

    record Hive(int id) {}

    record Kept(int id) {}

    UsedUpTest(Environment env) {
      super(env);
    }

    @Supply
    Keeper keeper() {
      post("/keepers");
      return new Keeper(1);
    }

    @TidyUp
    void remove(Keeper keeper) {
      delete("/keepers");
    }

    @TidyUp
    void remove(Hive hive) {
      delete("/never/hive");
    }

    @TidyUp
    void remove(Kept kept) {
      delete("/never/kept");
    }

    @Case
    Hive make(Keeper keeper) {
      api.send(Call.post("/hives").undoneBy(reply -> Call.delete("/never/undo")))
          .must(status("2xx"));
      return new Hive(1);
    }

    @Case
    void removed(@UsesUp Hive hive) {
      delete("/used/up");
    }

    @Case
    @KnownFault("BEE-1")
    Kept makesNothing(Keeper keeper) {
      throw new AssertionError("as known");
    }

    @Case
    void usesUpItsOwn(@UsesUp Keeper keeper) {
      get("/used");
    }
  }

  static class FailedRemoverTest extends Talking {
    record Hive(int id) {}

    FailedRemoverTest(Environment env) {
      super(env);
    }

    @TidyUp
    void tidied(Hive hive) {
      delete("/tidied");
    }

    @Case
    Hive make() {
      post("/hives");
      return new Hive(1);
    }

    @Case
    @KnownFault("BEE-2")
    void remove(@UsesUp Hive hive) {
      api.send(Call.get("/hives")).must(status(204));
    }
  }

  static class ClosingTest extends Talking implements AutoCloseable {
    ClosingTest(Environment env) {
      super(env);
    }

    static final class Value implements AutoCloseable {
      private final Service api;

      Value(Service api) {
        this.api = api;
      }

      @Override
      public void close() {
        api.send(Call.get("/value/closed")).must(status("2xx"));
      }
    }

    @Override
    public void close() {
      get("/suite/closed");
    }

    @Case
    Value make() {
      post("/made");
      return new Value(api);
    }

    @Case
    void read(Value value) {
      get("/read");
    }
  }

  static class LeftBehindTest extends Talking {
    record Stuck(int id) {}

    record Gone(int id) {}

    LeftBehindTest(Environment env) {
      super(env);
    }

    @TidyUp
    void stuck(Stuck stuck) {
      throw new AssertionError("it stays");
    }

    @TidyUp
    void gone(Gone gone) {
      api.send(Call.delete("/status/404"));
    }

    @Case
    Stuck make() {
      api.send(Call.post("/things").undoneBy(reply -> Call.delete("/undone"))).must(status("2xx"));
      return new Stuck(1);
    }

    @Case
    Gone makeGone() {
      post("/things");
      return new Gone(1);
    }
  }

  static class RetriedTest extends Talking {
    static final AtomicInteger TRIED = new AtomicInteger();

    record Keeper(int id) {}

    record Made(String text) {}

    RetriedTest(Environment env) {
      super(env);
    }

    @Supply
    Keeper keeper() {
      post("/keepers");
      return new Keeper(1);
    }

    @TidyUp
    void remove(Keeper keeper) {
      delete("/keepers");
    }

    @Case
    @Retries(2)
    Made flaky(Keeper keeper, Fresh fresh) {
      String text = fresh.text("");
      get("/tried/" + text);
      if (TRIED.incrementAndGet() < 2) {
        throw new AssertionError("not yet");
      }
      return new Made(text);
    }

    @Case
    void takes(Made made) {
      get("/taken/" + made.text());
    }

    @Case
    @Retries(2)
    void never() throws IOException {
      throw new IOException("never");
    }
  }
}
