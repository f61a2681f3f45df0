package org.example.apiary;

import static org.oddlantern.check.Checks.*;

import com.fasterxml.jackson.annotation.JsonProperty;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.math.BigDecimal;
import java.util.Map;
import org.example.apiary.HiveController.Sheet;
import org.oddlantern.check.Steps;
import org.oddlantern.http.Call;
import org.oddlantern.http.Service;
import org.oddlantern.json.Key;
import org.oddlantern.suite.Case;
import org.oddlantern.suite.Supply;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;

/** The service runs in the JVM of the tests, on a port that is free; its beans are at hand. */
public class HiveTest {

  public record Running(ConfigurableApplicationContext context) implements AutoCloseable {

    @Supply(value = "the apiary, started", shared = true)
    static Running start() {
      return new Running(SpringApplication.run(Apiary.class, "--server.port=0"));
    }

    String address() {
      return "http://localhost:" + context.getEnvironment().getProperty("local.server.port");
    }

    @Override
    public void close() {
      context.close();
    }
  }

  @Key
  public record HiveId(long value) {}

  public record Wanted(@JsonProperty("queen_name") String queen, @JsonProperty("kg") BigDecimal weight) {}

  private final ConfigurableApplicationContext context;
  private final Service apiary;

  HiveTest(Running running) {
    this.context = running.context();
    this.apiary = Service.reachedAt(running.address());
  }

  @Case("a hive is kept as it was sent")
  HiveId keep() {
    return apiary
        .send(Call.post("/hives").json(new Wanted("Ada", new BigDecimal("32.50"))))
        .must(status(201), body(including(Map.of("queen_name", "Ada", "kg", 32.5))))
        .valueAt("$.id", HiveId.class);
  }

  @Case("it can be shown, and lies in the database")
  void shown(HiveId id) {
    apiary.send(Call.get("/hives/{id}", id)).must(status(200), at("$.queen_name", "Ada"), at("$.kg", missing()));
    if (context.getBean(Hives.class).findById(id.value()).isEmpty()) {
      throw new AssertionError("there is no such row");
    }
  }

  @Case("the service's own mapper writes and reads")
  void byItsOwnMapper() {
    Service same = apiary.mapper(context.getBean(ObjectMapper.class));
    Sheet sheet = same.send(Call.post("/hives").json(new Sheet(null, "Eva", BigDecimal.ONE)))
        .must(status(201), at("$.queen_name", "Eva"))
        .bodyAs(Sheet.class);
    Steps.step("read as the service's own type");
    same.send(Call.post("/hives").json(Map.of("queen_name", sheet.queenName(), "kg", new HiveId(7)))).must(at("$.kg", 7));
  }
}
