package org.oddlantern.scenario;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.oddlantern.check.Checks.*;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AutoClose;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.oddlantern.config.Environment;
import org.oddlantern.config.internal.Settings;
import org.oddlantern.config.internal.SettingsFile;
import org.oddlantern.http.Call;
import org.oddlantern.http.NextPage;
import org.oddlantern.http.Reply;
import org.oddlantern.http.Service;
import org.oddlantern.internal.journal.Journal;
import org.oddlantern.internal.journal.JournalWriter;
import org.oddlantern.internal.record.ExaminedAnswer;
import org.oddlantern.internal.record.ExaminedRecord;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.internal.record.Watch;
import org.oddlantern.internal.record.WatchedPlace;
import org.oddlantern.internal.run.BlindSpots;
import org.oddlantern.json.Key;
import org.oddlantern.standin.Answer;
import org.oddlantern.standin.StandIn;
import org.oddlantern.suite.Case;
import org.oddlantern.suite.NotAgain;
import org.oddlantern.suite.Samples;
import org.oddlantern.suite.Supply;
import org.oddlantern.suite.Unwatched;
import org.oddlantern.testing.YardService;

/** What cases would notice, seen by doing them again: which can be, what is told of places, what must not happen. */
class BlindSpotsTest {

  @TempDir
  Path folder;

  @AutoClose
  private final YardService yard = new YardService();

  @Test
  void trickyCasesAreExaminedOrToldWhyNot() {
    Trial plain = Trial.inLanes(1, yard.address(), List.of("TrickyTest"));
    int asked = yard.asked();
    Trial trial = run("TrickyTest");
    assertEquals(asked, yard.asked() - asked, "nothing may be sent again");
    assertEquals(plain.outcomes(), trial.outcomes());
    assertEquals(0, Connections.opened.get(), "what is no data is not looked at");
    Map<String, String> reasons = new TreeMap<>();
    examined(trial).forEach((name, one) -> {
      if (!one.isExamined()) {
        reasons.put(name, one.reason());
      }
    });
    String host = yard.address().replace("http://", "");
    assertEquals(
        new TreeMap<>(Map.of(
            "counterInPath",
                "it asked for GET " + yard.address() + "/hives/2, which it had not asked for",
            "ownClient", "it sends something to " + host + " with a client of its own",
            "changesAList", "it changed the Names that it was given, which others may take",
            "replyOfAnother", "it asked nothing through Odd Lantern",
            "realPost", "it prints real post",
            "passesOnce", "it passed only once: IllegalStateException: only once",
            "asksNothing", "it asked nothing through Odd Lantern")),
        reasons);
    assertEquals(List.of(), trial.result().problems());
  }

  /** The same places in one lane and in four, whichever case watches them. */
  @Test
  void lanesTellTheSame() {
    assertEquals(places(run("TrickyTest", 1)), places(run("TrickyTest", 4)));
  }

  @Test
  void aPlaceIsAsWellWatchedAsItsChecksSay() {
    Trial trial = run("WatchingTest");
    Map<String, String> places = places(trial);
    assertEquals("by value", places.get("GET /hives/{id} 200 status"));
    assertEquals("by value", places.get("GET /hives/{id} 200 $.label"));
    assertEquals("by kind", places.get("GET /hives/{id} 200 $.frames"));
    assertEquals("in part", places.get("GET /hives/{id} 200 $.boxes[*].number"));
    assertEquals("not at all", places.get("GET /hives/{id} 200 $.queen.year"));
    assertEquals("by value", places.get("GET /hives/{id} 200 $.seenOn"));
    assertEquals("on purpose", places.get("GET /hives/{id} 200 $.wintered"));
    assertEquals("by value", places.get("POST /hives 201 $.id"));
    assertEquals("by kind", places.get("GET /missing/{id} 404 status"));
    WatchedPlace box = place(trial, "boxes", "$.boxes[*].number");
    assertEquals(
        List.of("that it is missing in one item", "null in one item"),
        box.unnoticed().stream()
            .filter(words -> words.contains("missing") || words.contains("null"))
            .toList());
    WatchedPlace label = place(trial, "posts", "$.label");
    assertEquals("the call sent it", label.known());
    assertEquals("body(including(hive))   // hive is what the call sent", label.line());
    WatchedPlace id = place(trial, "handsOn", "$.id");
    assertEquals("org.oddlantern.scenario.BlindSpotsTest$WatchingTest#takes", id.carried());
  }

  /** Else whatever is changed in it would seem to be noticed. */
  @Test
  void whoMindsHowJsonIsWrittenIsNotSaidToWatchItAll() {
    Trial trial = run("WritingTest");
    assertEquals("passed minds, passed doesNotMind", trial.outcomes());
    assertEquals(
        Map.of("POST /echo-minds 200 status", "by kind", "POST /echo-minds 200 $", "by value"),
        places(trial).entrySet().stream()
            .filter(place -> place.getKey().matches("POST /echo-minds.*(status|\\$.*)"))
            .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue)));
    assertEquals("not at all", places(trial).get("POST /echo-other 200 $.b"));
  }

  @Test
  void whatNobodyCanBeLeftToIsToldToBeSo() {
    Trial trial = run("MisnamedTest");
    assertEquals(
        List.of(
            "@Unwatched of org.oddlantern.scenario.BlindSpotsTest$MisnamedTest#misnamed names '$.lable', which is no place of any reply; did you mean '$.label'?"),
        trial.result().problems());
  }

  /** Unless there are cases that did not run: their operations may be meant. */
  @Test
  void whatSettingsLeaveUnwatchedMustBeThereToo() {
    Settings plain = SettingsFile.onClassPath(getClass().getClassLoader())
        .movedTo(Map.of("api", yard.address()));
    Settings settings = new Settings(
        plain.origin(),
        plain.folder(),
        plain.use(),
        plain.environments(),
        plain.mask(),
        plain.schemas(),
        plain.history(),
        false,
        List.of("GET /hives/{id} $.wintered", "GET /hives/{id} $.fremes", "GET /nowhere $.x"));
    Trial trial = Trial.seeking(BlindSpots.ONCE, 1, settings, List.of("WatchingTest#boxes"));
    assertEquals("on purpose", places(trial).get("GET /hives/{id} 200 $.wintered"));
    assertEquals(
        List.of(
            "'unwatched' in the settings names 'GET /hives/{id} $.fremes', which is no place of any reply; did you mean 'GET /hives/{id} $.frames'?"),
        trial.result().problems());
  }

  /** Whatever a service answers, its case is examined, and all that is told of it can be written and read. */
  @Test
  void whateverComesIsExamined() throws Exception {
    Trial trial = run("AnyReplyTest");
    assertEquals(AnyReplyTest.bodies().size(), examined(trial).size());
    for (RunEvent event : trial.events()) {
      if (event instanceof RunEvent.CaseExamined one) {
        assertEquals("", one.record().reason());
        List<WatchedPlace> places = one.record().answers().get(0).places();
        assertTrue(
            places.stream()
                .filter(place -> !place.place().equals("status"))
                .allMatch(place -> place.watch() == Watch.NOT_AT_ALL),
            () -> one.record().toString());
      }
    }
    Path file = folder.resolve("journal.jsonl");
    try (JournalWriter journal = new JournalWriter(file)) {
      for (RunEvent event : trial.events()) {
        journal.hear(event);
      }
    }
    List<RunEvent> read = new ArrayList<>();
    new Journal(file).readPlaced((event, place) -> read.add(event));
    assertEquals(
        examined(trial), examined(new Trial(trial.result(), read)), "the journal tells the same");
  }

  /** The runaway must not take the run with it, and the case that follows is as it was. */
  @Test
  void whatRunsAwayIsNoticed() {
    Trial trial = Trial.seeking(BlindSpots.ALL, 1, yard.address(), List.of("RunawayTest"));
    assertEquals("passed hangs, passed deep, passed greedy, passed after", trial.outcomes());
    for (String name : List.of("hangs", "deep", "greedy")) {
      assertTrue(place(trial, name, "$.frames").watch().isWatched(), name);
    }
    assertEquals(List.of(), trial.result().problems());
  }

  private Trial run(String suite) {
    return run(suite, 1);
  }

  private Trial run(String suite, int lanes) {
    TrickyTest.counter.set(0);
    TrickyTest.first = true;
    return Trial.seeking(BlindSpots.ONCE, lanes, yard.address(), List.of(suite));
  }

  private static Map<String, ExaminedRecord> examined(Trial trial) {
    return trial.events().stream()
        .filter(RunEvent.CaseExamined.class::isInstance)
        .map(event -> ((RunEvent.CaseExamined) event).record())
        .collect(Collectors.toMap(one -> one.id().replaceAll(".*#", ""), one -> one));
  }

  /** How each place of each operation is watched, where it is watched best. */
  static Map<String, String> places(Trial trial) {
    Map<String, WatchedPlace> best = new TreeMap<>();
    for (ExaminedRecord one : examined(trial).values()) {
      for (ExaminedAnswer answer : one.answers()) {
        answer
            .places()
            .forEach(place -> best.merge(
                answer.operation().line() + " " + answer.operation().status() + " " + place.place(),
                place,
                WatchedPlace::better));
      }
    }
    Map<String, String> words = new TreeMap<>();
    best.forEach((place, told) -> words.put(place, told.watch().word()));
    return words;
  }

  private static WatchedPlace place(Trial trial, String name, String place) {
    return examined(trial).get(name).answers().stream()
        .flatMap(answer -> answer.places().stream())
        .filter(one -> one.place().equals(place))
        .findFirst()
        .orElseThrow();
  }

  record Body(int number, String text) {}

  record Pool(Connections connections) {}

  /** A bean by its looks. */
  static final class Connections {
    static final AtomicInteger opened = new AtomicInteger();
    final Thread owner = Thread.currentThread();

    public String getConnection() {
      return "connection " + opened.incrementAndGet();
    }
  }

  record Names(List<String> all) {}

  @Key
  record Seen(int id) {}

  record Nonce(String value) {}

  record Held(Reply reply) {}

  record SignedIn(Service service) {}

  record Frames(int count) {}

  static final class TrickyTest {

    static final AtomicInteger counter = new AtomicInteger();
    static final ExecutorService POOL = Executors.newFixedThreadPool(2, task -> {
      Thread thread = new Thread(task, "pool");
      thread.setDaemon(true);
      return thread;
    });
    static boolean first = true;

    private final Service api;

    TrickyTest(Environment environment) {
      this.api = environment.service("api");
    }

    @Supply("names")
    static Names names() {
      return new Names(new ArrayList<>(List.of("wren")));
    }

    @Supply("a keeper who is signed in")
    static SignedIn signedIn(Environment environment) {
      Service service = environment.service("api");
      service.send(Call.get("/session")).must(status(200));
      return new SignedIn(service);
    }

    @Supply("a pool of connections")
    static Pool pooled() {
      return new Pool(new Connections());
    }

    @Samples
    static List<Frames> frames() {
      return List.of(new Frames(10), new Frames(11));
    }

    @Case("a nonce in a header, the clock in a body")
    void nonce() {
      api.send(Call.post("/hives")
              .header("Nonce", UUID.randomUUID())
              .json(Map.of("at", Instant.now().toString(), "label", "Mint")))
          .must(status(201), at("$.label", "Mint"));
    }

    @Case("a counter in a path")
    void counterInPath() {
      api.send(Call.get("/hives/{id}", counter.incrementAndGet())).must(status(200));
    }

    @Case("a client of its own")
    void ownClient() throws Exception {
      api.send(Call.get("/hives/1")).must(status(200));
      HttpClient.newHttpClient()
          .send(
              HttpRequest.newBuilder(URI.create(api.send(Call.get("/own")).address() + ""))
                  .build(),
              HttpResponse.BodyHandlers.discarding());
    }

    @Case("threads of a pool that outlives it")
    void pool() throws Exception {
      POOL.submit(() -> api.send(Call.get("/hives/{id}", 7)).must(status(200), at("$.frames", 10)))
          .get();
    }

    @Case("a service that was handed on, with its cookies")
    void handedOn(SignedIn keeper) {
      keeper.service().send(Call.get("/hives/{id}", 8)).must(status(200));
    }

    @Case("a wait by hand")
    void waitsByHand() throws Exception {
      String state = "";
      for (int tries = 0; tries < 5 && !state.equals("done"); tries++) {
        Thread.sleep(5);
        state = api.send(Call.get("/job/hand")).must(status(200)).valueAt("$.state", String.class);
      }
      if (!state.equals("done")) {
        throw new AssertionError(state);
      }
    }

    @Case("several tries")
    void tries() {
      eventually(
          Duration.ofSeconds(20),
          () -> api.send(Call.get("/job/tries")).must(status(200), at("$.state", "done")));
    }

    @Case("a reply is handed on in a record")
    Held holds() {
      return new Held(api.send(Call.get("/hives/{id}", 9)).must(status(200)));
    }

    @Case("the reply of another")
    void replyOfAnother(Held held) {
      held.reply().must(status(200), at("$.label", "Foxglove"));
    }

    @Case("a random value is handed on")
    Nonce handsOnNonce() {
      api.send(Call.get("/hives/{id}", 10)).must(status(200));
      return new Nonce(UUID.randomUUID().toString());
    }

    @Case("it is taken")
    void takesNonce(Nonce nonce) {
      api.send(Call.post("/hives").json(nonce)).must(status(201), at("$.value", nonce.value()));
    }

    @Case("a list that it was given is changed")
    void changesAList(Names names) {
      names.all().add("lark");
      api.send(Call.post("/hives").json(names)).must(status(201));
    }

    @Case("what it was given does something when it is looked at")
    void takesPool(Pool pool) {
      api.send(Call.get("/hives/{id}", 15)).must(status(200));
    }

    @Case("how long it took")
    void took() {
      Reply reply = api.send(Call.get("/hives/{id}", 11)).must(status(200));
      if (reply.took().isZero()) {
        throw new AssertionError("no time");
      }
    }

    @Case("pages")
    void pages() {
      api.pages(Call.get("/pages"), NextPage.byAddress("$.next"))
          .itemsAt("$.items[*]")
          .must(body(size(3)));
    }

    @Case("cookies")
    void cookies() {
      api.send(Call.get("/session")).must(status(200), cookie("session", "a1b2"));
      api.send(Call.get("/hives/{id}", 12)).must(status(200));
    }

    @Case("redirects")
    void redirects() {
      api.followingRedirects(2).send(Call.get("/moved")).must(status(200), at("$.id", 1));
    }

    @Case("over samples: {count}")
    void samples(Frames frames) {
      api.send(Call.post("/frames").json(frames)).must(status(201), at("$.count", frames.count()));
    }

    @Case("a stand-in of its own")
    void standsIn() {
      StandIn own = StandIn.open().answering("GET /plots", Answer.of(200));
      own.meanwhile("GET /plots", Answer.of(503));
      api.send(Call.get("/hives/{id}", own.port())).must(status(200));
      own.asked("GET /plots").must(size(0));
      own.close();
    }

    @Case("calls at once")
    void atOnce() {
      api.sendAtOnce(3, number -> Call.get("/hives/{id}", 30 + number))
          .must(at("$[*].status", items(200, 200, 200)));
    }

    @Case("passes once")
    void passesOnce() {
      api.send(Call.get("/hives/{id}", 13)).must(status(200));
      if (!first) {
        throw new IllegalStateException("only once");
      }
      first = false;
    }

    @Case("real post")
    @NotAgain("it prints real post")
    void realPost() {
      api.send(Call.get("/hives/{id}", 14)).must(status(200));
    }

    @Case("asks nothing")
    void asksNothing() {}
  }

  static final class WatchingTest {

    private final Service api;

    WatchingTest(Environment environment) {
      this.api = environment.service("api");
    }

    @Case("reads")
    @Unwatched("$.wintered")
    void reads() {
      api.send(Call.get("/hives/{id}", 1))
          .must(status(200), at("$.label", "Foxglove"), at("$.frames", wholeNumber()))
          .warnUnless(at("$.seenOn", "2026-05-31"));
    }

    @Case("boxes")
    void boxes() {
      api.send(Call.get("/hives/{id}", 1)).must(status(200), at("$.boxes[0].number", 1));
    }

    @Case("posts")
    void posts() {
      api.send(Call.post("/hives").json(Map.of("label", "Mint"))).must(status(201));
    }

    @Case("hands on")
    Seen handsOn() {
      return api.send(Call.post("/hives").json(Map.of("label", "Mint")))
          .must(status(201))
          .valueAt("$.id", Seen.class);
    }

    @Case("takes")
    void takes(Seen seen) {
      api.send(Call.get("/hives/{id}", seen.id())).must(status(200));
    }

    @Case("refused")
    void refused() {
      api.send(Call.get("/missing/{id}", 5)).must(status("4xx"));
    }
  }

  /** What comes is looked at by its status alone. */
  static final class AnyReplyTest {

    private final Service api;

    AnyReplyTest(Environment environment) {
      this.api = environment.service("api");
    }

    @Samples
    static List<Body> bodies() {
      List<String> texts = new ArrayList<>(
          List.of(
              "",
              "null",
              "true",
              "0",
              "-0.0",
              "1e400",
              "123456789012345678901234567890",
              "\"\"",
              "[]",
              "{}",
              "[null]",
              "[[],[[]],{}]",
              "{\"\":{\"'\":[{\"a b\":\"\\u0000\"}]}}",
              "{\"a\":1,\"a\":2}",
              "{\"a\":",
              "\ud83d\ude00",
              "{\"\ud83d\ude00\":\"\u00e9\"}",
              "<a b='1'>x</a>",
              "<a><b/><b>y</b></a>",
              "<!DOCTYPE html><p>x",
              "<a",
              "<a>&amp;</a>",
              "a,b\n1,2",
              "data: {}\n\n",
              "\u0000\u0001",
              "{\"d\":\"2024-02-29\",\"t\":\"2026-05-31T23:59:59Z\",\"h\":\"deadbeef0\",\"e\":\"w@x.example\"}"));
      texts.add("[".repeat(300) + "]".repeat(300));
      texts.add("[" + "{\"x\":[1,2,3]},".repeat(5_000) + "1]");
      texts.add("{"
          + IntStream.range(0, 2_000)
              .mapToObj(i -> "\"f" + i + "\":" + i)
              .collect(Collectors.joining(","))
          + "}");
      return IntStream.range(0, texts.size())
          .mapToObj(number -> new Body(number, texts.get(number)))
          .toList();
    }

    @Case("body {number}")
    void comes(Body body) {
      api.send(Call.post("/echo-" + body.number()).text(body.text())).must(status(200));
    }
  }

  static final class WritingTest {

    private static final String ODD = "{ \"a\" : 1e2, \"b\": \"\\u00e9\" }";

    private final Service api;

    WritingTest(Environment environment) {
      this.api = environment.service("api");
    }

    @Case("minds how it is written")
    void minds() {
      Reply reply = api.send(Call.post("/echo-minds").text(ODD));
      reply.must(holds("as it was sent", reply.text().contains("1e2")));
    }

    @Case("does not mind")
    void doesNotMind() {
      api.send(Call.post("/echo-other").text(ODD)).must(at("$.a", 100));
    }
  }

  static final class MisnamedTest {

    private final Service api;

    MisnamedTest(Environment environment) {
      this.api = environment.service("api");
    }

    @Case("misnamed")
    @Unwatched({"$.lable", "$.boxes"})
    void misnamed() {
      api.send(Call.get("/hives/{id}", 1)).must(status(200), at("$.id", 1));
    }
  }

  static final class RunawayTest {

    private final Service api;

    RunawayTest(Environment environment) {
      this.api = environment.service("api");
    }

    private boolean isUsual(String name) {
      Reply reply = api.send(Call.get("/hives/{id}", name)).must(status(200));
      return reply.json().as(Map.class).get("frames") instanceof Integer frames && frames == 10;
    }

    @Case("hangs")
    void hangs() {
      long end = System.nanoTime() + Duration.ofSeconds(4).toNanos();
      while (!isUsual("hangs") && System.nanoTime() < end) {
        while (System.nanoTime()
            < end) { // it lets nobody interrupt it, but not for ever: tests go on
          Thread.onSpinWait();
        }
      }
    }

    @Case("deep")
    void deep() {
      if (!isUsual("deep")) {
        deep(1);
      }
    }

    private int deep(int depth) {
      return 1 + deep(depth + 1);
    }

    @Case("greedy")
    void greedy() {
      if (!isUsual("greedy")) {
        List<long[]> all = new ArrayList<>();
        while (true) {
          all.add(new long[10_000_000]);
        }
      }
    }

    @Case("after")
    void after() {
      api.send(Call.get("/hives/{id}", 1)).must(status(200), at("$.id", 1));
    }
  }
}
