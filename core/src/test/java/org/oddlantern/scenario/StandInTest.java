package org.oddlantern.scenario;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.oddlantern.check.Checks.*;

import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.CyclicBarrier;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AutoClose;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.oddlantern.config.Environment;
import org.oddlantern.http.Call;
import org.oddlantern.http.Reply;
import org.oddlantern.http.Service;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.ExchangeRecord;
import org.oddlantern.internal.record.LookRecord;
import org.oddlantern.json.Secret;
import org.oddlantern.standin.Answer;
import org.oddlantern.standin.Observed;
import org.oddlantern.standin.StandIn;
import org.oddlantern.suite.Alone;
import org.oddlantern.suite.Case;
import org.oddlantern.suite.Occupies;
import org.oddlantern.suite.Samples;
import org.oddlantern.suite.Supply;
import org.oddlantern.testing.RelayService;

/** Whose a request is that a service makes to a stand-in, and what its case tells of it. */
class StandInTest {

  private static RelayService relay;
  private static CyclicBarrier both = new CyclicBarrier(2);

  @AutoClose
  private final RelayService tracing = new RelayService("traceparent");

  @AutoClose
  private final RelayService naming = new RelayService("Odd-Lantern-Case");

  @AutoClose
  private final RelayService forgetting = new RelayService();

  @Test
  void aThousandCasesInEightLanesAreToldApartByTrace() {
    Trial trial = run(tracing, 8, "StandInManyTest");
    assertEquals(1_000, trial.cases().size());
    assertEquals(
        Set.of("passed"), trial.cases().stream().map(CaseRecord::word).collect(Collectors.toSet()));
    for (CaseRecord one : trial.cases()) {
      String number = one.id().replaceAll(".*\\[(.*)]", "$1");
      assertEquals(
          List.of("visit " + number, "call " + number),
          one.exchanges().stream().map(StandInTest::told).toList());
    }
  }

  @Test
  void theHeaderThatNamesTheCaseTellsThemApartToo() {
    assertEquals("passed one, passed two", outcomes(run(naming, 2, "StandInTwoTest")));
    assertEquals("passed one, passed two", outcomes(run(tracing, 2, "StandInTwoTest")));
  }

  @Test
  void whatTellsNeitherOfTwoIsNotGuessed() {
    Trial trial = run(forgetting, 2, "StandInTwoTest");
    assertEquals("failed one, failed two", outcomes(trial));
    String message = trial.one("one").exchanges().toString();
    assertTrue(
        message.contains(
            "that carried neither a trace nor the name of a case while several cases were running"),
        message);
    Trial asking = run(forgetting, 2, "StandInAskingTest");
    assertEquals("errored one, errored two", outcomes(asking));
    message = String.valueOf(asking.one("one").problem().message());
    assertTrue(
        message.contains("mark the cases that use the stand-in @Occupies(\"weather\")"), message);
  }

  @ParameterizedTest
  @ValueSource(strings = {"StandInOccupyingTest", "StandInAloneTest"})
  void whoeverHasTheStandInToItselfNeedsNoTrace(String suite) {
    Trial trial = run(forgetting, 3, suite);
    assertEquals("", failures(trial));
  }

  @Test
  void inOneLaneNothingNeedsToBePassedOn() {
    assertEquals("", failures(run(forgetting, 1, "StandInAskingTest")));
  }

  @Test
  void whatIsUnforeseenFailsItsCaseAndNoOther() {
    Trial trial = run(tracing, 2, "StandInUnforeseenTest");
    assertEquals("failed throwing, failed unforeseen, passed foreseen", outcomes(trial));
    String message = String.valueOf(trial.one("unforeseen").problem().message());
    assertTrue(message.startsWith("the service asked: GET http://127.0.0.1:"), message);
    assertTrue(message.contains("answering(\"GET /other\", Answer.of(200))"), message);
    message = String.valueOf(trial.one("throwing").problem().message());
    assertTrue(message.contains("it threw java.lang.IllegalStateException: no idea"), message);
  }

  @Test
  void whatNobodyForesawAndNobodyOwnsIsAProblemOfTheRun() {
    Trial trial = run(forgetting, 2, "StandInNobodyTest");
    assertEquals("passed one, passed two", outcomes(trial));
    List<String> problems = trial.result().problems();
    assertEquals(2, problems.size(), problems.toString());
    assertTrue(
        problems.get(0).startsWith("weather was asked by a service: POST http://127.0.0.1:")
            && problems.get(0).endsWith("/other; it is unknown for which case"),
        problems.get(0));
    assertEquals(List.of(), run(tracing, 2, "StandInTwoTest").result().problems());
  }

  @Test
  void badNeighboursAreToldAsWhatTheyWere() {
    Trial trial = run(tracing, 1, "StandInNeighbourTest");
    assertEquals("", failures(trial));
    assertEquals(
        List.of(
            "503 Service Unavailable",
            "200 OK (after 20 ms)",
            "200 OK (cut off after 2 bytes)",
            "with a reset, as instructed",
            "with what is not HTTP, as instructed",
            "with silence, as instructed"),
        trial.cases().stream()
            .flatMap(one -> one.exchanges().stream())
            .filter(ExchangeRecord::isVisit)
            .map(ExchangeRecord::answer)
            .toList());
    assertEquals(
        "ab",
        trial.one("bad").exchanges().stream()
            .filter(visit -> visit.answer().contains("cut off"))
            .findFirst()
            .orElseThrow()
            .replyBody()
            .text());
  }

  @Test
  void anAnswerThatIsComputedForEverIsToldWithItsPlace() {
    Trial trial = run(tracing, 1, "StandInEndlessTest");
    assertEquals("", failures(trial));
    assertEquals(
        List.of("with nothing yet: it is still computed, at StandInTest.java:"),
        trial.one("endless").exchanges().stream()
            .filter(ExchangeRecord::isVisit)
            .map(visit -> visit.answer().replaceAll("\\d+$", ""))
            .toList());
  }

  @Test
  void whatIsSeenMeanwhileStaysWhenTriesAreForgotten() {
    Trial trial = run(tracing, 1, "StandInTryingTest");
    assertEquals("", failures(trial));
    CaseRecord one = trial.one("trying");
    assertEquals(3, one.exchanges().stream().filter(ExchangeRecord::isVisit).count());
    assertEquals(1, one.exchanges().stream().filter(each -> !each.isVisit()).count());
    List<LookRecord> looks = one.queries();
    assertEquals(1, looks.size());
    assertEquals("what weather was asked, GET /{n}", looks.get(0).line());
    assertTrue(looks.get(0).verdicts().get(1).check().startsWith("within 5 s: held at try 3"));
  }

  @Test
  void secretsOfOthersAreMaskedOnThisSideToo() {
    Trial trial = run(tracing, 1, "StandInSecretTest");
    assertEquals("", failures(trial));
    assertTrue(
        !trial.events().toString().contains("tansy-and-rue"), trial.events().toString());
  }

  @Test
  void whatIsObservedIsProvenAndTold() {
    Trial trial = run(tracing, 1, "StandInObservedTest");
    assertEquals("passed seen, failed unseen, unproven looked", trial.outcomes());
    LookRecord look = trial.one("unseen").queries().get(0);
    assertEquals("the mailbox of wren", look.line());
    assertEquals("1 item", look.amount());
  }

  /** In the order of names, since lanes end as they like. */
  private static String outcomes(Trial trial) {
    return Arrays.stream(trial.outcomes().split(", ")).sorted().collect(Collectors.joining(", "));
  }

  private static String failures(Trial trial) {
    return trial.cases().stream()
        .filter(one -> !one.word().equals("passed"))
        .map(one -> one.id() + " " + one.word() + " " + one.problem())
        .collect(Collectors.joining("\n"));
  }

  private static String told(ExchangeRecord one) {
    return (one.isVisit() ? "visit " : "call ") + one.replyBody().text();
  }

  private static Trial run(RelayService service, int lanes, String suite) {
    relay = service;
    both = new CyclicBarrier(lanes == 1 ? 1 : 2);
    return Trial.inLanes(lanes, service.address(), List.of(suite));
  }

  private static StandIn opened() {
    StandIn standIn =
        StandIn.open().named("weather").answering("GET /{n}", Answer.of(200).json("all"));
    relay.asking(standIn.url());
    return standIn;
  }

  private static void meet() throws Exception {
    both.await(20, TimeUnit.SECONDS);
  }

  /** The stand-in of a run. */
  record Weather(StandIn standIn) {}

  /** Has a service and a stand-in that it asks. */
  abstract static class Asking {
    final Service api;

    Asking(Environment environment) {
      api = environment.service("api");
    }

    @Supply(value = "a stand-in", shared = true)
    static Weather weather() {
      return new Weather(opened());
    }
  }

  /** What is different in each of many cases. */
  record Number(int value) {
    @Override
    public String toString() {
      return String.valueOf(value);
    }
  }

  /** A thousand cases, each with an answer of its own to the same request. */
  static final class StandInManyTest extends Asking {
    StandInManyTest(Environment environment) {
      super(environment);
    }

    @Samples
    static List<Number> numbers() {
      return IntStream.range(0, 1_000).mapToObj(Number::new).toList();
    }

    @Case("its own answer")
    void own(Weather weather, Number number) {
      weather.standIn().meanwhile("GET /same", Answer.of(200).json(number.value()));
      api.send(Call.get("/same")).must(status(200), body(number.value()));
      weather.standIn().asked("GET /same").must(size(1));
    }
  }

  /** Two cases at the same time, each with an answer of its own. */
  static final class StandInTwoTest extends Asking {
    StandInTwoTest(Environment environment) {
      super(environment);
    }

    @Case("one")
    void one(Weather weather) throws Exception {
      own(weather, 1);
    }

    @Case("two")
    void two(Weather weather) throws Exception {
      own(weather, 2);
    }

    private void own(Weather weather, int number) throws Exception {
      weather.standIn().meanwhile("GET /same", Answer.of(200).json(number));
      meet();
      Reply reply = api.send(Call.get("/same"));
      // the other is still under way while this one is asked
      meet();
      reply.must(status(200), body(number));
    }
  }

  /** Two cases at the same time that look at what was asked. */
  static final class StandInAskingTest extends Asking {
    StandInAskingTest(Environment environment) {
      super(environment);
    }

    @Case("one")
    void one(Weather weather) throws Exception {
      asked(weather, "/one");
    }

    @Case("two")
    void two(Weather weather) throws Exception {
      asked(weather, "/two");
    }

    private void asked(Weather weather, String path) throws Exception {
      meet();
      api.send(Call.get(path)).must(status(200));
      meet();
      weather.standIn().asked("GET /{n}").must(size(1), at("$[0].path", path));
      meet();
    }
  }

  /** Cases that have the stand-in to themselves, beside one that has nothing to do with it. */
  static final class StandInOccupyingTest extends Asking {
    StandInOccupyingTest(Environment environment) {
      super(environment);
    }

    @Case("one")
    @Occupies("weather")
    void one(Weather weather) {
      weather.standIn().meanwhile("GET /a", Answer.of(200).json(1));
      api.send(Call.get("/a")).must(status(200), body(1));
      weather.standIn().asked("GET /a").must(size(1));
    }

    @Case("two")
    @Occupies("weather")
    void two(Weather weather) {
      weather.standIn().meanwhile("GET /a", Answer.of(200).json(2));
      api.send(Call.get("/a")).must(status(200), body(2));
      weather.standIn().asked("GET /a").must(size(1));
    }

    @Case("beside")
    void beside() throws Exception {
      Thread.sleep(200);
      Observed.of("nothing", List.of()).must(empty());
    }
  }

  /** The same, each quite alone. */
  static final class StandInAloneTest extends Asking {
    StandInAloneTest(Environment environment) {
      super(environment);
    }

    @Case("one")
    @Alone
    void one(Weather weather) {
      weather.standIn().meanwhile("GET /a", Answer.of(200).json(1));
      api.send(Call.get("/a")).must(status(200), body(1));
      weather.standIn().asked("GET /a").must(size(1));
    }

    @Case("two")
    void two(Weather weather) throws Exception {
      Thread.sleep(20);
      weather.standIn().asked("GET /a").must(empty());
    }
  }

  /** Something else is asked than was foreseen. */
  static final class StandInUnforeseenTest {
    private final Service api;

    StandInUnforeseenTest(Environment environment) {
      api = environment.service("api");
    }

    @Supply(value = "a stand-in", shared = true)
    static Weather weather() {
      StandIn standIn = StandIn.open().named("weather").answering("GET /known", Answer.of(200));
      relay.asking(standIn.url());
      return new Weather(standIn);
    }

    @Case("unforeseen")
    void unforeseen(Weather weather) {
      api.send(Call.get("/other")).must(status(501));
    }

    @Case("foreseen")
    void foreseen(Weather weather) {
      api.send(Call.get("/known")).must(status(200));
    }

    @Case("throwing")
    void throwing(Weather weather) {
      weather.standIn().meanwhile("GET /known", asked -> {
        throw new IllegalStateException("no idea");
      });
      api.send(Call.get("/known")).must(status(500));
    }
  }

  /** Two cases at the same time whose service asks what nobody foresaw, and swallows the answer. */
  static final class StandInNobodyTest extends Asking {
    StandInNobodyTest(Environment environment) {
      super(environment);
    }

    @Case("one")
    void one(Weather weather) throws Exception {
      swallowed();
    }

    @Case("two")
    void two(Weather weather) throws Exception {
      swallowed();
    }

    private void swallowed() throws Exception {
      meet();
      api.send(Call.post("/other")).must(status(501));
      meet();
    }
  }

  /** Bad neighbours. */
  static final class StandInNeighbourTest extends Asking {
    StandInNeighbourTest(Environment environment) {
      super(environment);
    }

    @Case("in turn")
    void turns(Weather weather) {
      weather
          .standIn()
          .meanwhile(
              "GET /a",
              Answer.inTurn(
                  Answer.of(503), Answer.of(200).text("late").after(Duration.ofMillis(20))));
      api.send(Call.get("/a")).must(status(503));
      api.send(Call.get("/a")).must(status(200));
    }

    @Case("cut off, reset, malformed, silent")
    void bad(Weather weather) {
      weather.standIn().meanwhile("POST /cut", Answer.of(200).text("abc").cutOff(2));
      weather.standIn().meanwhile("POST /reset", Answer.reset());
      weather.standIn().meanwhile("POST /malformed", Answer.malformed());
      weather.standIn().meanwhile("POST /silent", Answer.silent());
      for (String one : List.of("/cut", "/reset", "/malformed", "/silent")) {
        api.send(Call.post(one)).must(status(502));
      }
    }
  }

  /** An answer that never comes. */
  static final class StandInEndlessTest extends Asking {
    StandInEndlessTest(Environment environment) {
      super(environment);
    }

    @Case("endless")
    void endless(Weather weather) throws Exception {
      weather.standIn().meanwhile("GET /a", asked -> {
        try {
          Thread.sleep(3_600_000);
        } catch (InterruptedException e) {
          throw new IllegalStateException(e);
        }
        return Answer.of(200);
      });
      api.send(Call.get("/a")).must(status(502));
      Thread.sleep(2_000); // the service has given up before the stand-in is told of
    }
  }

  /** Tries that are forgotten, and what the service did meanwhile. */
  static final class StandInTryingTest extends Asking {
    StandInTryingTest(Environment environment) {
      super(environment);
    }

    @Case("trying")
    void trying(Weather weather) {
      eventually(Duration.ofSeconds(5), () -> {
        api.send(Call.get("/a")).must(status(200));
        weather.standIn().asked("GET /{n}").must(size(3));
      });
    }
  }

  /** A secret that a service passes on. */
  static final class StandInSecretTest extends Asking {
    StandInSecretTest(Environment environment) {
      super(environment);
    }

    @Case("a secret")
    void secret(Weather weather) {
      String token = "tansy-and-rue";
      weather.standIn().meanwhile("POST /a", Answer.of(200).json(Map.of("token", token)));
      api.bearer(Secret.of(token))
          .send(Call.post("/a").json(Map.of("key", token)))
          .must(status(200));
      weather.standIn().asked("POST /a").must(at("$[0].body.key", token));
    }
  }

  /** Something that is no reply at all. */
  static final class StandInObservedTest extends Asking {
    StandInObservedTest(Environment environment) {
      super(environment);
    }

    @Case("seen")
    void seen() {
      Observed.of("the mailbox of wren", List.of(Map.of("subject", "swarm")))
          .must(size(1), at("$[0].subject", "swarm"));
    }

    @Case("unseen")
    void unseen() {
      Observed.of("the mailbox of wren", List.of(Map.of("subject", "swarm"))).must(empty());
    }

    @Case("looked")
    void looked() {
      Observed.of("the mailbox of wren", List.of());
    }
  }
}
