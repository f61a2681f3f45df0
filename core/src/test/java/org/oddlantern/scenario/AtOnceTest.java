package org.oddlantern.scenario;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.oddlantern.check.Checks.*;

import java.time.Duration;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicReference;
import org.junit.jupiter.api.AutoClose;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.oddlantern.config.Environment;
import org.oddlantern.evidence.CheckFailed;
import org.oddlantern.evidence.Evidence;
import org.oddlantern.http.Call;
import org.oddlantern.http.Service;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.ExchangeRecord;
import org.oddlantern.standin.Answer;
import org.oddlantern.standin.StandIn;
import org.oddlantern.suite.Case;

/** Several calls at the same moment, and calls that are to wait until the service says so. */
@Timeout(60)
class AtOnceTest {

  @AutoClose
  private final StandIn open = StandIn.open().named("yard");

  @Test
  void theRepliesAreOneEvidenceInTheOrderOfTheirNumbers() {
    open.answering(
        "POST /{n}",
        asked -> Answer.of(200)
            .json(Map.of("n", Integer.parseInt(asked.argument("n")), "body", asked.json())));
    Evidence replies = Service.reachedAt(open.url())
        .sendAtOnce(20, number -> Call.post("/{n}", number).json(List.of(number)));
    assertEquals("20 replies to POST /{n}, sent at once", replies.title());
    replies.must(
        body(size(20)),
        atEach("$[*].status", exactly(200)),
        at("$[19].body.n", 20),
        at("$[7].body.body[0]", 8));
  }

  @Test
  void nothingIsSentBeforeAllAreReady() {
    AtomicInteger slow = new AtomicInteger();
    AtomicInteger early = new AtomicInteger();
    open.answering("POST /{n}", Answer.of(200));
    Service.reachedAt(open.url())
        .beforeSending(request -> {
          if (request.uri().getPath().equals("/8") && slow.incrementAndGet() == 1) {
            pause(300);
            early.set(
                open.askedByAll("POST /{n}").valuesAt("$[*].path", String.class).size());
          }
          return request;
        })
        .sendAtOnce(8, number -> Call.post("/{n}", number).json(number))
        .must(atEach("$[*].status", exactly(200)));
    assertEquals(1, slow.get());
    assertEquals(0, early.get());
  }

  @Test
  void whereNoReplyComesThereIsNoneAndTheOthersAreThere() {
    open.answering(
        "GET /{n}", asked -> asked.argument("n").equals("2") ? Answer.reset() : Answer.of(200));
    Service.reachedAt(open.url())
        .sendAtOnce(3, number -> Call.get("/{n}", number))
        .must(
            at("$[*].status", items(200, null, 200)),
            at("$[1].fault", textMatching(".*got no reply.*")));
    assertThrows(
        IllegalArgumentException.class,
        () -> Service.reachedAt(open.url()).sendAtOnce(1, number -> Call.get("/1")));
  }

  @Test
  void errorStatusesThatNobodyLookedAtAreDue() {
    open.answering(
        "GET /{n}",
        asked -> Answer.of(asked.argument("n").equals("1") ? 200 : 409).json(1));
    Service service = Service.reachedAt(open.url());
    CheckFailed unseen = assertThrows(
        CheckFailed.class,
        () -> service.sendAtOnce(2, number -> Call.get("/{n}", number)).must(body(size(2))));
    assertTrue(unseen.getMessage().contains("no error status unless"), unseen.getMessage());
    service
        .sendAtOnce(2, number -> Call.get("/{n}", number))
        .must(at("$[*].status", items(200, 409).inAnyOrder()));
    Trial trial = run("AtOnceTrialTest");
    assertEquals("passed seen, failed unseen", trial.outcomes());
    CaseRecord one = trial.one("unseen");
    assertEquals(
        List.of("1 of 2 sent at once", "2 of 2 sent at once"),
        one.exchanges().stream()
            .filter(each -> !each.isVisit())
            .map(ExchangeRecord::name)
            .sorted()
            .toList());
    assertTrue(
        String.valueOf(one.problem())
            .contains(
                "2 replies to GET /{n}, sent at once: an error status that no check asked for"),
        String.valueOf(one.problem()));
  }

  @Test
  void tooManyRequestsIsNeverSentAgainSilentlyAndEventuallyWaitsAsAsked() {
    Answer busy = Answer.of(429).header("Retry-After", "1");
    AtomicReference<ZonedDateTime> soon = new AtomicReference<>();
    open.answering("GET /plain", busy)
        .answering("GET /seconds", Answer.inTurn(busy, Answer.of(200)))
        .answering("GET /date", asked -> dated(soon))
        .answering("GET /long", Answer.of(429).header("Retry-After", "3600"))
        .answering(
            "GET /odd",
            Answer.inTurn(Answer.of(429).header("Retry-After", "later"), Answer.of(200)));
    Trial trial = run("PoliteTrialTest");
    assertEquals(
        "failed plain, passed seconds, passed date, failed tooLong, passed odd", trial.outcomes());
    for (String path : List.of("plain 1", "seconds 2", "date 2", "long 1", "odd 2")) {
      String[] words = path.split(" ");
      open.askedByAll("GET /" + words[0]).must(size(Integer.parseInt(words[1])));
    }
    String why = trial.one("tooLong").exchanges().toString();
    assertTrue(
        why.contains("the service asked to wait 1 h (Retry-After), which is more than was left"),
        why);
    ExchangeRecord last = trial.one("seconds").exchanges().get(0);
    assertTrue(
        last.verdicts().toString().contains("held at try 2"), last.verdicts().toString());
  }

  /** First a date, and what is wanted once that has come. */
  private static Answer dated(AtomicReference<ZonedDateTime> soon) {
    ZonedDateTime now = ZonedDateTime.now(ZoneOffset.UTC);
    soon.compareAndSet(null, now.plusSeconds(2).truncatedTo(ChronoUnit.SECONDS));
    return now.isBefore(soon.get())
        ? Answer.of(503)
            .header("Retry-After", DateTimeFormatter.RFC_1123_DATE_TIME.format(soon.get()))
        : Answer.of(200);
  }

  private Trial run(String suite) {
    return Trial.inLanes(1, open.url(), List.of(suite));
  }

  private static void pause(int millis) {
    try {
      Thread.sleep(millis);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  /** Calls at once in a run. */
  static final class AtOnceTrialTest {
    private final Service api;

    AtOnceTrialTest(Environment environment) {
      api = environment.service("api");
    }

    @Case("seen")
    void seen() {
      api.sendAtOnce(2, number -> Call.get("/{n}", number))
          .must(at("$[*].status", items(200, 409)));
    }

    @Case("unseen")
    void unseen() {
      api.sendAtOnce(2, number -> Call.get("/{n}", number)).must(body(size(2)));
    }
  }

  /** Calls that are to come again later. */
  static final class PoliteTrialTest {
    private static final Duration LIMIT = Duration.ofSeconds(10);
    private final Service api;

    PoliteTrialTest(Environment environment) {
      api = environment.service("api");
    }

    @Case("plain")
    void plain() {
      api.send(Call.get("/plain")).must(status(200));
    }

    @Case("seconds")
    void seconds() {
      eventually(LIMIT, () -> api.send(Call.get("/seconds")).must(status(200)));
    }

    @Case("date")
    void date() {
      eventually(LIMIT, () -> api.send(Call.get("/date")).must(status(200)));
    }

    @Case("too long")
    void tooLong() {
      eventually(LIMIT, () -> api.send(Call.get("/long")).must(status(200)));
    }

    @Case("odd")
    void odd() {
      eventually(LIMIT, () -> api.send(Call.get("/odd")).must(status(200)));
    }
  }
}
