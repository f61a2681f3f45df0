package org.oddlantern.scenario;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.oddlantern.check.Checks.*;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.atomic.AtomicReference;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;
import org.oddlantern.config.Environment;
import org.oddlantern.config.internal.Settings;
import org.oddlantern.config.internal.SettingsFile;
import org.oddlantern.http.Call;
import org.oddlantern.http.Service;
import org.oddlantern.internal.journal.Journal;
import org.oddlantern.internal.journal.JournalWriter;
import org.oddlantern.internal.plan.Place;
import org.oddlantern.internal.plan.Planner;
import org.oddlantern.internal.plan.Selection;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.Outcome;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.internal.record.RunListener;
import org.oddlantern.internal.run.RunOrder;
import org.oddlantern.internal.run.RunResult;
import org.oddlantern.internal.run.Runner;
import org.oddlantern.suite.Alone;
import org.oddlantern.suite.Case;
import org.oddlantern.suite.Samples;
import org.oddlantern.suite.Supply;
import org.oddlantern.suite.TidyUp;
import org.oddlantern.suite.TimeLimit;
import org.oddlantern.testing.TestService;

/** Runs that are stopped, cases that hang, threads of one's own, and many lanes. */
@Timeout(180)
class SurvivalTest {

  @TempDir
  Path folder;

  private TestService service;

  @BeforeEach
  void start() throws IOException {
    service = new TestService();
    ThreadsTest.ADDRESS.set(service.address());
  }

  @AfterEach
  void stop() {
    service.close();
  }

  @Test
  void aStoppedRunSendsNothingMoreAndPutsEverythingAliveBackNewestFirst() throws Exception {
    List<RunEvent> events = new ArrayList<>();
    Runner runner = runner("StoppedTest", 2);
    RunListener listener = event -> {
      synchronized (events) {
        events.add(event);
      }
    };
    CompletableFuture<RunResult> result =
        CompletableFuture.supplyAsync(() -> runner.run(List.of(listener)));
    StoppedTest.RUNNING.get().await();
    runner.stop();
    runner.stop();
    RunResult ended = result.get();
    assertTrue(ended.stopped());
    assertFalse(ended.isGreen());
    Trial trial = new Trial(ended, events);
    assertEquals(
        "interrupted hangs, interrupted never, interrupted uses, passed make",
        trial.cases().stream()
            .map(one -> one.word() + " " + one.id().replaceAll(".*#", ""))
            .sorted()
            .collect(Collectors.joining(", ")));
    assertEquals(
        List.of(
            "POST /shared",
            "POST /made",
            "POST /hanging",
            "DELETE /hanging",
            "DELETE /made",
            "DELETE /shared"),
        service.received);
    assertEquals(1, trial.one("hangs").exchanges().size(), "its exchanges are there");
    assertEquals(
        "it had not run when the run was stopped", trial.one("never").problem().message());
    assertTrue(((RunEvent.Ended) events.get(events.size() - 1)).stopped());
  }

  @Test
  void whatACaseFindsInThreadsOfItsOwnReachesIt() {
    Trial trial = Trial.of(service, List.of("ThreadsTest"));
    assertEquals(
        "failed forgotten, failed joined, passed tried, failed withoutSettings, passed fine",
        trial.outcomes());
    String message = trial.one("forgotten").problem().message();
    assertTrue(message.startsWith("in another thread: GET "), message);
    assertTrue(message.contains("201"), message);
    assertEquals(1, trial.one("forgotten").exchanges().size());
    assertTrue(trial.one("joined").problem().message().contains("201"));
    assertEquals(1, trial.one("withoutSettings").exchanges().size());
  }

  @Test
  void anInterruptedCaseDoesNotBreakTheJournal() throws Exception {
    Path file = folder.resolve("journal.jsonl");
    try (JournalWriter journal = new JournalWriter(file)) {
      Trial trial = Trial.of(service, List.of("InterruptedTest"), journal);
      assertEquals(List.of(), trial.result().problems());
      assertEquals("errored interrupted, passed after", trial.outcomes());
    }
    List<CaseRecord> read = new ArrayList<>();
    new Journal(file).read(event -> {
      if (event instanceof RunEvent.CaseFinished finished) {
        read.add(finished.record());
      }
    });
    assertEquals(2, read.size());
  }

  @Test
  void whatAnAbandonedCaseMakesLaterIsTakenBackAtTheEnd() throws Exception {
    LateTest.RELEASE.set(new CountDownLatch(1));
    Trial trial = Trial.of(service, List.of("LateTest"));
    assertEquals("errored late, passed after", trial.outcomes());
    assertEquals(List.of("POST /late", "GET /after", "DELETE /late"), service.received);
    assertEquals(0, trial.result().leftBehind());
  }

  @Test
  void hundredsOfLanesComeToTheSameEnd() {
    String one = ordered(Trial.of(service, List.of("RunTest", "ManyTest", "OwnSupplyTest")));
    service.received.clear();
    assertEquals(Set.of("Thread"), ManyTest.THREADS);
    ManyTest.THREADS.clear();
    assertEquals(
        one, ordered(Trial.inLanes(300, service, List.of("RunTest", "ManyTest", "OwnSupplyTest"))));
    assertEquals(manyThreads(), ManyTest.THREADS);
  }

  /** What went wrong, where nothing should. */
  private static String why(CaseRecord record) {
    return record.outcome() == Outcome.ERRORED ? ": " + record.problem() : "";
  }

  private static Set<String> manyThreads() {
    return Set.of(Runtime.version().feature() >= 21 ? "VirtualThread" : "Thread");
  }

  private static String ordered(Trial trial) {
    return trial.cases().stream()
        .map(record -> record.order() + " " + record.word() + " " + record.id() + why(record))
        .sorted()
        .collect(Collectors.joining("\n"));
  }

  private Runner runner(String suite, int lanes) {
    ClassLoader loader = SurvivalTest.class.getClassLoader();
    Settings settings = SettingsFile.onClassPath(loader).movedTo(Map.of("api", service.address()));
    StoppedTest.RUNNING.set(new CountDownLatch(1));
    return new Runner(
        new RunOrder(
            "trial",
            new Planner(loader, List.of(new Place(Trial.here())))
                .plan(new Selection(List.of(suite))),
            settings,
            settings.environment(null),
            Map.of(),
            loader,
            "seed",
            lanes),
        Clock.systemUTC());
  }

  static class StoppedTest {
    static final AtomicReference<CountDownLatch> RUNNING =
        new AtomicReference<>(new CountDownLatch(1));

    record Shared(int id) {}

    record Made(int id) {}

    private final Service api;

    StoppedTest(Environment env) {
      api = env.service("api");
    }

    @Supply(shared = true)
    Shared shared() {
      api.send(Call.post("/shared")).must(status(201));
      return new Shared(1);
    }

    @TidyUp
    void remove(Shared shared) {
      api.send(Call.delete("/shared")).must(status(204));
    }

    @TidyUp
    void remove(Made made, Shared shared) {
      api.send(Call.delete("/made")).must(status(204));
    }

    @Case
    Made make(Shared shared) {
      api.send(Call.post("/made")).must(status(201));
      return new Made(1);
    }

    @Case
    void hangs(Made made) throws InterruptedException {
      api.send(Call.post("/hanging").undoneBy(reply -> Call.delete("/hanging"))).must(status(201));
      RUNNING.get().countDown();
      Thread.sleep(60_000);
    }

    @Case
    @Alone
    void never() {}

    @Case
    @Alone
    void uses(Made made) {}
  }

  static class ThreadsTest {
    static final AtomicReference<String> ADDRESS = new AtomicReference<>("");

    private final Service api;

    ThreadsTest(Environment env) {
      api = env.service("api");
    }

    @Case
    void forgotten() throws InterruptedException {
      Thread thread = new Thread(() -> api.send(Call.get("/x")).must(status(201)));
      thread.setUncaughtExceptionHandler((one, thrown) -> {});
      thread.start();
      thread.join();
    }

    @Case
    void joined() throws Exception {
      CompletableFuture.runAsync(() -> api.send(Call.get("/x")).must(status(201)))
          .get();
    }

    @Case
    void tried() throws InterruptedException {
      List<Integer> tries = new ArrayList<>();
      Thread thread = new Thread(() -> eventually(Duration.ofSeconds(5), () -> {
        tries.add(1);
        api.send(Call.get("/x")).must(holds("the second try", tries.size() > 1));
      }));
      thread.start();
      thread.join();
    }

    @Case
    void withoutSettings() throws InterruptedException {
      Thread thread = new Thread(
          () -> Service.reachedAt(ADDRESS.get()).send(Call.get("/status/503")).text());
      thread.start();
      thread.join();
    }

    @Case
    void fine() throws Exception {
      CompletableFuture.runAsync(() -> api.send(Call.get("/x")).must(status(200)))
          .get();
    }
  }

  static class InterruptedTest {
    private final Service api;

    InterruptedTest(Environment env) {
      api = env.service("api");
    }

    @Case
    @TimeLimit("200ms")
    void interrupted() {
      while (!Thread.currentThread().isInterrupted()) {
        Thread.onSpinWait();
      }
      api.send(Call.post("/things").undoneBy(reply -> Call.delete("/things"))).must(status(201));
    }

    @Case
    void after() {
      api.send(Call.post("/things").undoneBy(reply -> Call.delete("/things"))).must(status(201));
    }
  }

  static class LateTest {
    static final AtomicReference<CountDownLatch> RELEASE =
        new AtomicReference<>(new CountDownLatch(1));

    private final Service api;

    LateTest(Environment env) {
      api = env.service("api");
    }

    @Case
    @TimeLimit("2s")
    void late() {
      api.send(Call.post("/late").undoneBy(reply -> {
        awaitRelease();
        return Call.delete("/late");
      }));
    }

    /** Does not let go: a stand-in for a call whose answer comes late. */
    private static void awaitRelease() {
      boolean released = false;
      while (!released) {
        try {
          RELEASE.get().await();
          released = true;
        } catch (InterruptedException e) {
          // goes on waiting
        }
      }
    }

    @Case
    void after() throws InterruptedException {
      RELEASE.get().countDown();
      Thread.sleep(300);
      api.send(Call.get("/after")).must(status(200));
    }
  }

  static class ManyTest {
    static final Set<String> THREADS = ConcurrentHashMap.newKeySet();

    record Count(int value) {}

    @Samples
    static List<Count> numbers() {
      return IntStream.range(0, 400).mapToObj(Count::new).toList();
    }

    @Case
    void many(Count number, Environment env) {
      THREADS.add(Thread.currentThread().getClass().getSimpleName());
      env.service("api")
          .send(Call.get("/number/{n}", number.value()))
          .must(holds("is not 7", number.value() != 7));
    }
  }
}
