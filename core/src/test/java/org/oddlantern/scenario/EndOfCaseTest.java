package org.oddlantern.scenario;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.oddlantern.check.Checks.*;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AutoClose;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.oddlantern.config.Environment;
import org.oddlantern.evidence.CheckFailed;
import org.oddlantern.http.Call;
import org.oddlantern.http.GraphQl;
import org.oddlantern.http.Service;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.json.Key;
import org.oddlantern.suite.Case;
import org.oddlantern.suite.KnownFault;
import org.oddlantern.suite.Supply;
import org.oddlantern.suite.TimeLimit;
import org.oddlantern.testing.TestService;

/** What is asked at the end of a case, what proves one, and whose a call is that comes after it. */
@Timeout(180)
class EndOfCaseTest {

  @AutoClose
  private final TestService service = new TestService();

  @Test
  void aStandingCheckIsAskedWithinLimitAndLaneWhateverItDoes() {
    long start = System.nanoTime();
    Trial trial = Trial.of(service, List.of("StandingTrialTest"));
    assertEquals(
        "errored sleeps, passed sendsACall, failed overflows, passed asksElsewhere, passed provenByIt,"
            + " failed notReplacedByAWarning, failed notReplacedByAnotherQuestion, passed replacedByTheSame,"
            + " passed noTypeOfNoBody, failed emptyBodyHasAType",
        trial.outcomes());
    assertTrue(System.nanoTime() - start < Duration.ofSeconds(18).toNanos());
    assertTrue(message(trial, "sleeps").contains("longer than its time limit of 300 ms"));
    assertTrue(message(trial, "overflows").contains("endless does not hold"));
    assertEquals(List.of(), trial.one("provenByIt").marks());
  }

  @Test
  void looksCountIfTheyHoldAndChecksIfTheyAreMade() {
    Trial trial = Trial.of(service, List.of("LooksTrialTest"));
    assertEquals(
        "failed warnedOfAnother, passed warnedOfIt, failed caught, failed caughtReading, failed caughtElsewhere,"
            + " unproven waitedOnly, unproven triedOnly, unproven knownWithoutCheck, passed fixedAfterAll,"
            + " failed graphQlBeside, passed graphQlWhole, failed graphQlWarned, errored noSuchHeader",
        trial.outcomes());
    assertTrue(message(trial, "caught").startsWith("a failure that the case caught: GET "));
    assertEquals(
        "[fixed]",
        trial.one("fixedAfterAll").marks().stream()
            .map(mark -> mark.word())
            .toList()
            .toString());
    String header = message(trial, "noSuchHeader");
    assertTrue(header.contains(", has no header 'X-Total'; there are "), header);
    assertFalse(trial.one("knownWithoutCheck").marks().toString().contains("FIXED"));
  }

  @Test
  void aCallBelongsToTheCaseThatAsksOnceItsOwnHasEnded() {
    Trial trial = Trial.of(service, List.of("WhoseTrialTest"));
    assertEquals(
        "passed startsThePool, failed usesThePool, errored pooledWithoutAService, passed usesTheSupplied,"
            + " failed leavesTheSuppliedUnseen",
        trial.outcomes());
    assertTrue(
        message(trial, "pooledWithoutAService")
            .contains("belongs to it; a thread that outlives a case"),
        message(trial, "pooledWithoutAService"));
    assertEquals(1, trial.one("usesTheSupplied").exchanges().size());
    assertTrue(message(trial, "usesThePool").contains("/status/500"));
  }

  @Test
  void whatComesAfterItsCaseIsAProblemOfTheRun() {
    Trial trial = Trial.of(service, List.of("LateTrialTest"));
    assertEquals("passed leavesACallUnderWay, passed leavesACheck, passed waits", trial.outcomes());
    assertFalse(trial.result().isGreen());
    String problems = String.join("\n", trial.result().problems());
    assertEquals(2, trial.result().problems().size(), problems);
    assertTrue(
        problems.contains("/slow/300 was under way when the case " + LateTrialTest.class.getName()
            + "#leavesACallUnderWay had ended, in the thread 'late call'"),
        problems);
    assertTrue(problems.contains("a check failed after the case "), problems);
    assertTrue(problems.contains("status(201)"), problems);
  }

  @Test
  void noThreadOfACaseThatWasEndedByItsLimitSendsAnyMore() throws InterruptedException {
    Trial trial = Trial.of(service, List.of("GateTrialTest"));
    assertEquals("errored sendsOnAndOn", trial.outcomes());
    Thread.sleep(1_000); // what was under way arrives
    int before = service.received.size();
    Thread.sleep(200);
    assertEquals(before, service.received.size());
    assertEquals(List.of(), trial.result().problems());
  }

  @Test
  void aCallOfATryWaitsNoLongerThanWhatIsLeft() {
    long start = System.nanoTime();
    Trial trial = Trial.of(service, List.of("LeftTrialTest"));
    assertEquals("errored waits, failed hangsAtLast, passed comesToIt", trial.outcomes());
    CaseRecord hangs = trial.one("hangsAtLast");
    assertEquals(1, hangs.exchanges().size(), "the try that the limit cut off says nothing");
    assertTrue(hangs.exchanges().get(0).url().endsWith("/a"), hangs.exchanges().toString());
    assertTrue(message(trial, "hangsAtLast").contains("wanted  \"/b\""));
    assertTrue(System.nanoTime() - start < Duration.ofSeconds(18).toNanos());
  }

  @Test
  void aListenerThatBreaksStopsNobody() {
    Trial trial = Trial.of(service, List.of("LeftTrialTest#comesToIt"), event -> {
      throw new StackOverflowError();
    });
    assertEquals("passed comesToIt", trial.outcomes());
    assertTrue(trial.result().problems().get(0).contains("could not go on: StackOverflowError"));
  }

  private static String message(Trial trial, String method) {
    CaseRecord one = trial.one(method);
    return one.problem() == null ? "" : one.problem().message();
  }

  static class StandingTrialTest {
    private final Service api;

    StandingTrialTest(Environment env) {
      api = env.service("api");
    }

    @Case
    @TimeLimit("300ms")
    void sleeps() {
      api.always(holds("slow", evidence -> slept(20_000))).send(Call.get("/a")).must(status(200));
    }

    @Case
    void sendsACall() {
      Service[] self = new Service[1];
      self[0] = api.always(
          holds("there is another", evidence -> self[0].send(Call.get("/b")).status() == 200));
      self[0].send(Call.get("/a")).must(status(200));
    }

    @Case
    void overflows() {
      api.always(holds("endless", StandingTrialTest::endless))
          .send(Call.get("/a"))
          .must(status(200));
    }

    @Case
    void asksElsewhere() {
      api.always(holds(
              "elsewhere",
              evidence -> CompletableFuture.supplyAsync(() -> {
                    evidence.must(at("$.path", "/a"));
                    return api.send(Call.get("/b")).status() == 200;
                  })
                  .join()))
          .send(Call.get("/a"))
          .must(status(200));
    }

    @Case
    void provenByIt() {
      api.always(contentType("application/json")).send(Call.get("/a"));
    }

    @Case
    void notReplacedByAWarning() {
      api.always(header("X-Plot", "orchard"))
          .send(Call.get("/a"))
          .must(status(200))
          .warnUnless(header("X-Plot", missing()));
    }

    @Case
    void notReplacedByAnotherQuestion() {
      api.always(atEach("$.items", between(1, 9)))
          .send(Call.post("/echo").json(Map.of("items", List.of(0))))
          .must(status(200), at("$.items", size(1)));
    }

    @Case
    void replacedByTheSame() {
      api.always(status(200), at("$.path", "/b"), header("X-Plot", "orchard"))
          .send(Call.get("/status/404"))
          .must(status(404), at("$.path", missing()), header("X-Plot", missing()));
    }

    @Case
    void noTypeOfNoBody() {
      api.always(contentType("application/json")).send(Call.delete("/things/1")).must(status(204));
    }

    @Case
    void emptyBodyHasAType() {
      api.always(contentType("application/json")).send(Call.post("/echo")).must(status(200));
    }

    private static boolean endless(Object any) {
      return any.hashCode() == 0 || endless(List.of(any));
    }
  }

  static class LooksTrialTest {
    private final Service api;

    LooksTrialTest(Environment env) {
      api = env.service("api");
    }

    @Case
    void warnedOfAnother() {
      api.send(Call.get("/status/500")).warnUnless(status(200), at("$.status", 500));
    }

    @Case
    void warnedOfIt() {
      api.send(Call.get("/status/500")).warnUnless(status(500));
    }

    @Case
    void caught() {
      try {
        api.send(Call.get("/a")).must(at("$.path", "/b"));
      } catch (CheckFailed e) {
        // nobody should
      }
    }

    @Case
    void caughtReading() {
      try {
        api.send(Call.get("/a")).must(status(200)).valueAt("$.id", int.class);
      } catch (CheckFailed e) {
        // nobody should
      }
    }

    @Case
    void caughtElsewhere() {
      CompletableFuture.runAsync(() -> api.send(Call.get("/a")).must(at("$.path", "/b")))
          .exceptionally(thrown -> null)
          .join();
    }

    @Case
    void waitedOnly() {
      waitFor(Duration.ofSeconds(2), () -> api.send(Call.get("/a")).text());
    }

    @Case
    void triedOnly() {
      eventually(Duration.ofSeconds(2), () -> api.send(Call.get("/a")));
    }

    @Case
    @KnownFault("HIVE-1")
    void knownWithoutCheck() {
      api.send(Call.get("/a"));
    }

    @Case
    @KnownFault("HIVE-2")
    void fixedAfterAll() {
      api.send(Call.get("/a")).must(status(200));
    }

    @Case
    void graphQlBeside() {
      graphQl().must(status(200), body(including(Map.of("data", Map.of("id", 1)))));
    }

    @Case
    void graphQlWhole() {
      graphQl().must(status(200), body(keysIncluding("data", "errors")));
    }

    @Case
    void graphQlWarned() {
      graphQl().must(status(200)).warnUnless(at("$.errors", size(2)));
    }

    @Case
    void noSuchHeader() {
      var reply = api.send(Call.get("/a")).must(status(200));
      reply.must(holds("some", reply.header("X-Total").orElseThrow().equals("1")));
    }

    private org.oddlantern.http.Reply graphQl() {
      return api.send(Call.post("/graphql").graphQl(GraphQl.text("{ hive { id } }")));
    }
  }

  static class WhoseTrialTest {
    private static final ExecutorService POOL = Executors.newSingleThreadExecutor(work -> {
      Thread thread = new Thread(work, "a pool");
      thread.setDaemon(true);
      return thread;
    });

    @Key
    record Id(int value) {}

    record Found(Service service) {}

    private final Environment env;

    WhoseTrialTest(Environment env) {
      this.env = env;
    }

    @Supply(value = "a service that is found", shared = true)
    static Found found(Environment env) {
      return new Found(env.service("api"));
    }

    @Case
    void startsThePool() throws Exception {
      Service api = env.service("api");
      POOL.submit(() -> api.send(Call.get("/a")).must(status(200))).get();
    }

    @Case
    void usesThePool() throws Exception {
      Service api = env.service("api");
      POOL.submit(() -> api.send(Call.get("/status/500"))).get();
    }

    @Case
    void pooledWithoutAService() throws Exception {
      Service api = env.service("api");
      api.send(Call.get("/a")).must(status(200));
      Service anybodys = Service.reachedAt("http://127.0.0.1:1");
      POOL.submit(() -> anybodys.send(Call.get("/a"))).get();
    }

    @Case
    void usesTheSupplied(Found found) {
      found.service().send(Call.get("/a")).must(status(200));
    }

    @Case
    void leavesTheSuppliedUnseen(Found found) {
      found.service().send(Call.get("/status/404"));
    }
  }

  static class LateTrialTest {
    private final Service api;

    LateTrialTest(Environment env) {
      api = env.service("api");
    }

    @Case
    void leavesACallUnderWay() throws Exception {
      api.send(Call.get("/a")).must(status(200));
      new Thread(() -> api.send(Call.get("/slow/300")), "late call").start();
      Thread.sleep(100);
    }

    @Case
    void leavesACheck() {
      var reply = api.send(Call.get("/a")).must(status(200));
      new Thread(
              () -> {
                slept(100);
                reply.must(status(200));
                try {
                  reply.must(status(201));
                } catch (CheckFailed e) {
                  // nobody hears of it otherwise
                }
              },
              "late check")
          .start();
    }

    @Case
    void waits() {
      slept(600);
      api.send(Call.get("/a")).must(status(200));
    }
  }

  static class GateTrialTest {
    private final Service api;

    GateTrialTest(Environment env) {
      api = env.service("api");
    }

    @Case
    @TimeLimit("300ms")
    void sendsOnAndOn() {
      for (int i = 0; i < 3; i++) {
        new Thread(this::sendEver).start();
      }
      while (slept(60_000)) {
        // it does not let go
      }
    }

    private void sendEver() {
      int refused = 0;
      while (refused < 10) {
        try {
          api.send(Call.get("/a"));
        } catch (RuntimeException e) {
          refused++;
        }
        slept(5);
      }
    }
  }

  static class LeftTrialTest {
    private final Service api;

    LeftTrialTest(Environment env) {
      api = env.service("api");
    }

    @Case
    void waits() {
      eventually(Duration.ofMillis(400), () -> api.send(Call.get("/slow/20000")).must(status(200)));
    }

    @Case
    void hangsAtLast() {
      AtomicInteger tries = new AtomicInteger();
      eventually(
          Duration.ofSeconds(1),
          () -> api.send(Call.get(tries.incrementAndGet() < 3 ? "/a" : "/slow/20000"))
              .must(at("$.path", "/b")));
    }

    @Case
    void comesToIt() {
      AtomicInteger tries = new AtomicInteger();
      int code = waitFor(Duration.ofSeconds(18), () -> {
        var reply = api.send(Call.get("/status/{code}", tries.incrementAndGet() < 3 ? 503 : 200));
        return reply.valueAt("$.status", int.class);
      });
      api.send(Call.get("/a")).must(holds("200 came at last", code == 200));
    }
  }

  private static boolean slept(long millis) {
    try {
      Thread.sleep(millis);
    } catch (InterruptedException e) {
      return true;
    }
    return true;
  }
}
