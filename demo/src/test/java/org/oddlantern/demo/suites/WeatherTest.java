package org.oddlantern.demo.suites;

import static org.oddlantern.check.Checks.*;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import org.oddlantern.config.Environment;
import org.oddlantern.demo.beeyard.Beeyard;
import org.oddlantern.demo.beeyard.Fault;
import org.oddlantern.demo.beeyard.Neighbours;
import org.oddlantern.http.Call;
import org.oddlantern.http.Service;
import org.oddlantern.json.Secret;
import org.oddlantern.standin.Answer;
import org.oddlantern.standin.StandIn;
import org.oddlantern.suite.Case;
import org.oddlantern.suite.Samples;
import org.oddlantern.suite.Supply;

/** Before a hive is opened the beeyard asks for the weather: what it asks, and what it does with the answer. */
public class WeatherTest {

  private static final String FORECAST = "GET /forecast/{plot}";

  /** A beeyard whose neighbours are ours. */
  record Yard(Beeyard beeyard, StandIn weather, Mailbox mailbox) implements AutoCloseable {
    @Override
    public void close() {
      beeyard.close();
      mailbox.close();
    }
  }

  private final Service beeyard;
  private final Yard yard;

  WeatherTest(Environment env, Yard yard) {
    this.yard = yard;
    Service service = env.service("beeyard").movedTo(yard.beeyard().address());
    Secret token = service
        .send(Call.post("/sign-in").json(Map.of("keeper", "wren", "password", "honey-and-thyme")))
        .valueAt("$.token", Secret.class);
    this.beeyard = service.bearer(token);
  }

  @Supply(value = "a beeyard with a weather service and a mail server", shared = true)
  static Yard yard() {
    StandIn weather = StandIn.open()
        .named("weather")
        .answering(FORECAST, asked -> Answer.of(200).json(Map.of("rain", false)));
    Mailbox mailbox = new Mailbox();
    Neighbours neighbours = new Neighbours(weather.url(), mailbox.port());
    return new Yard(Beeyard.start(0, Fault.asked(), neighbours, line -> {}), weather, mailbox);
  }

  @Case("a hive is opened when it is dry where it stands")
  void dry() {
    beeyard
        .send(Call.post("/hives/{id}/openings", 1))
        .must(status(201), body(Map.of("hive", 1, "weather", "dry")));
    yard.weather()
        .asked(FORECAST)
        .must(
            size(1),
            at("$[0].arguments.plot", "north slope"),
            at("$[0].headers.Accept", "application/json"));
  }

  @Case("in the rain it stays closed")
  void rain() {
    yard.weather().meanwhile(FORECAST, Answer.of(200).json(Map.of("rain", true)));
    beeyard
        .send(Call.post("/hives/{id}/openings", 1))
        .must(status(409), at("$.detail", "it rains at north slope, so Foxglove stays closed"));
  }

  @Samples
  static List<Trouble> troubles() {
    return List.of(
        new Trouble("it is down", Answer.of(503), "answered 503"),
        new Trouble("it hangs up", Answer.reset(), "did not answer"),
        new Trouble("it never answers", Answer.silent(), "did not answer"),
        new Trouble(
            "it answers too late",
            Answer.of(200).json(Map.of("rain", false)).after(Duration.ofSeconds(2)),
            "did not answer"),
        new Trouble(
            "its answer breaks off",
            Answer.of(200).json(Map.of("rain", false)).cutOff(6),
            "did not answer"),
        new Trouble("it does not speak HTTP", Answer.malformed(), "did not answer"),
        new Trouble(
            "its answer is nonsense",
            Answer.of(200).json(Map.of("rain", "maybe")),
            "answered nonsense"),
        new Trouble("its answer is a page", Answer.of(200).text("<html>"), "answered nonsense"));
  }

  /** A way in which the weather service can fail. */
  record Trouble(String how, Answer answer, String told) {
    @Override
    public String toString() {
      return how;
    }
  }

  @Case("without the weather nothing is opened, and it is said when to come again: {how}")
  void unknown(Trouble trouble) {
    yard.weather().meanwhile(FORECAST, trouble.answer());
    beeyard
        .send(Call.post("/hives/{id}/openings", 2))
        .must(
            status(503),
            header("Retry-After", "60"),
            at(
                "$.detail",
                "the weather service " + trouble.told() + ", so Meadowsweet stays closed"));
  }

  @Case("the keeper is written to when a hive is open")
  void mail() {
    step("the hive is opened");
    beeyard.send(Call.post("/hives/{id}/openings", 3)).must(status(201));
    step("the letter arrives");
    eventually(
        Duration.ofSeconds(5),
        () -> yard.mailbox()
            .of("wren")
            .must(at("$[?@.subject == 'Old Straw is open'].text", size(1))));
  }
}
