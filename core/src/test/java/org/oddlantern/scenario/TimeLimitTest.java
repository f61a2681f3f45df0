package org.oddlantern.scenario;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTimeoutPreemptively;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.oddlantern.check.Checks.*;

import java.time.Duration;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicReference;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.oddlantern.config.Environment;
import org.oddlantern.http.Call;
import org.oddlantern.http.Service;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.Outcome;
import org.oddlantern.internal.record.ProblemRecord;
import org.oddlantern.suite.Case;
import org.oddlantern.suite.TimeLimit;
import org.oddlantern.testing.TestService;

/** Cases that do not come to an end by themselves. */
class TimeLimitTest {

  private TestService service;

  @BeforeEach
  void start() throws Exception {
    service = new TestService();
    EndlessTest.RELEASED.set(false);
  }

  @AfterEach
  void stop() {
    EndlessTest.RELEASED.set(true);
    service.close();
  }

  @Test
  void aCaseThatHangsIsInterruptedAndTheRunGoesOn() throws Exception {
    Trial trial = assertTimeoutPreemptively(
        Duration.ofMinutes(2), () -> Trial.of(service, List.of("EndlessTest")));
    assertEquals(
        "errored sleeps, blocked takesWhatSleeps, errored spins, passed afterwards, passed within",
        trial.outcomes());
    ProblemRecord slept = problem(trial, "sleeps");
    assertEquals(
        "it took longer than its time limit of 2 s and was interrupted. Where it stood:",
        slept.message());
    assertTrue(slept.at().matches("TimeLimitTest.java:\\d+"), slept.at());
    assertTrue(slept.stack().contains("Thread.sleep"), slept.stack());
    assertTrue(
        slept.stack().lines().reduce((a, b) -> b).orElse("").contains("EndlessTest.sleeps"),
        slept.stack());
    ProblemRecord spun = problem(trial, "spins");
    assertTrue(
        spun.message().contains("of 3 s and was interrupted; it did not let go"), spun.message());
    assertTrue(spun.stack().contains("EndlessTest.spins"), spun.stack());
    assertEquals(
        Outcome.PASSED, trial.one("within").outcome(), "its own limit wins over its class's");
    assertEquals(
        2,
        trial.one("sleeps").exchanges().size() + trial.one("spins").exchanges().size());
  }

  @Test
  void aCaseThatWasLeftAloneSendsNothingMore() throws Exception {
    Trial.of(service, List.of("EndlessTest#spins"));
    int before = service.received.size();
    EndlessTest.RELEASED.set(true);
    assertTrue(EndlessTest.ENDED.await(10, TimeUnit.SECONDS));
    assertEquals(before, service.received.size());
    assertTrue(
        String.valueOf(EndlessTest.THROWN.get())
            .contains("was not sent: the case was ended by its time limit"),
        EndlessTest.THROWN.toString());
  }

  private static ProblemRecord problem(Trial trial, String method) {
    CaseRecord one = trial.one(method);
    assertEquals(Outcome.ERRORED, one.outcome());
    assertTrue(one.problem() != null, method);
    return one.problem();
  }

  @TimeLimit("3s")
  static class EndlessTest {
    static final AtomicBoolean RELEASED = new AtomicBoolean();
    static final CountDownLatch ENDED = new CountDownLatch(1);
    static final AtomicReference<Throwable> THROWN = new AtomicReference<>();

    record Slept(String text) {}

    private final Service api;

    EndlessTest(Environment env) {
      api = env.service("api");
    }

    @Case
    @TimeLimit("2s")
    Slept sleeps() throws InterruptedException {
      api.send(Call.get("/before")).must(status(200));
      Thread.sleep(60_000);
      return new Slept("");
    }

    @Case
    void takesWhatSleeps(Slept slept) {}

    @Case
    void spins() {
      api.send(Call.get("/before")).must(status(200));
      while (!RELEASED.get()) {
        Thread.onSpinWait();
      }
      try {
        api.send(Call.post("/things").json(1));
      } catch (RuntimeException e) {
        THROWN.set(e);
      } finally {
        ENDED.countDown();
      }
    }

    @Case
    void afterwards() {
      api.send(Call.get("/")).must(status(200));
    }

    @Case
    @TimeLimit("1m")
    void within() throws InterruptedException {
      Thread.sleep(3_100);
      api.send(Call.get("/")).must(status(200));
    }
  }
}
