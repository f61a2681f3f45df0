package org.oddlantern.scenario;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.oddlantern.check.Checks.*;

import com.sun.net.httpserver.HttpServer;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.oddlantern.config.Environment;
import org.oddlantern.http.Call;
import org.oddlantern.http.Service;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.json.Finding;
import org.oddlantern.suite.Alone;
import org.oddlantern.suite.Case;
import org.oddlantern.suite.Changes;
import org.oddlantern.suite.UsesUp;

/** Cases in another order, and who made a case fail that changes nothing itself. */
class ShuffleTest {

  private static final Map<String, String> LABELS = new ConcurrentHashMap<>();
  private static CountDownLatch renamed = new CountDownLatch(0);

  private HttpServer server;

  @BeforeEach
  void start() throws Exception {
    LABELS.clear();
    renamed = new CountDownLatch(0);
    server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
    server.setExecutor(Executors.newCachedThreadPool());
    server.createContext("/", exchange -> {
      String path = exchange.getRequestURI().getPath();
      String sent = new String(exchange.getRequestBody().readAllBytes(), StandardCharsets.UTF_8);
      switch (exchange.getRequestMethod()) {
        case "PATCH" -> LABELS.put(path, sent.replaceAll(".*:\"|\"}", ""));
        case "DELETE" -> LABELS.put(path, "");
        default -> {}
      }
      String label = LABELS.getOrDefault(path, "Mint");
      byte[] body = ("{\"id\":7,\"label\":\"" + label + "\"}").getBytes(StandardCharsets.UTF_8);
      exchange.getResponseHeaders().add("Content-Type", "application/json");
      exchange.sendResponseHeaders(
          label.isEmpty() && !"DELETE".equals(exchange.getRequestMethod()) ? 404 : 200,
          body.length);
      exchange.getResponseBody().write(body);
      exchange.close();
    });
    server.start();
  }

  @AfterEach
  void stop() {
    server.stop(0);
  }

  @Test
  void anyOrderThatTheValuesAllowComesAndTheSeedRepeatsIt() {
    Set<String> orders = new HashSet<>();
    for (int seed = 0; seed < 20; seed++) {
      String order = shuffled("seed" + seed, 1, "AnyOrderTest").outcomes();
      assertTrue(order.indexOf("passed make") < order.indexOf("passed read"), order);
      assertTrue(order.indexOf("passed read") < order.indexOf("passed rename"), order);
      assertTrue(order.indexOf("passed rename") < order.indexOf("passed remove"), order);
      orders.add(order);
    }
    // make, read, rename, remove in this order, with two others anywhere between them: 30 ways
    assertTrue(orders.size() > 5, orders + "");
    assertTrue(orders.stream().anyMatch(order -> order.startsWith("passed alone")), orders + "");
    Trial one = shuffled("seed", 1, "AnyOrderTest");
    assertEquals(one.outcomes(), shuffled("seed", 1, "AnyOrderTest").outcomes());
    assertTrue(((RunEvent.Started) one.events().get(0)).size().shuffled());
    assertEquals(6, shuffled("seed", 4, "AnyOrderTest").cases().size());
    assertNotEquals(
        shuffled("one", 1, "AnyOrderTest").outcomes(),
        shuffled("two", 1, "AnyOrderTest").outcomes());
  }

  @Test
  void whoFailsIsToldWhoChangedWhatBelongsToTheSameValue() {
    renamed = new CountDownLatch(1);
    Trial lanes =
        Trial.inLanes(2, address(), List.of("ForgottenTest#reads", "ForgottenTest#renames"));
    assertEquals("failed", lanes.one("reads").word());
    assertEquals(
        List.of(
            "ShuffleTest$ForgottenTest#renames, which takes HiveId too, sent PATCH /hives/7 before this was answered: should it say @Changes?"),
        hints(lanes.one("reads")));
    renamed = new CountDownLatch(0);
    LABELS.clear();
    // in one lane, when the other has ended
    Trial after = Trial.inLanes(
        1,
        address(),
        List.of(
            "ForgottenTest#renames",
            "ForgottenTest#reads",
            "ForgottenTest#removes",
            "ForgottenTest#seeks"));
    assertTrue(
        hints(after.one("seeks"))
            .contains(
                "ShuffleTest$ForgottenTest#removes, which takes HiveId too, sent DELETE /hives/7 before this was answered: should it say @UsesUp?"),
        () -> hints(after.one("seeks")) + "");
  }

  @Test
  void whoSaidSoOrHasNothingToDoWithItIsNotBlamed() {
    Trial trial = Trial.inLanes(1, address(), List.of("SaidTest"));
    List<CaseRecord> failed =
        trial.cases().stream().filter(one -> one.word().equals("failed")).toList();
    assertEquals(3, failed.size(), trial.outcomes());
    failed.forEach(one -> assertEquals(List.of(), hints(one), one.id()));
  }

  private Trial shuffled(String seed, int lanes, String suite) {
    LABELS.clear();
    return Trial.shuffled(seed, lanes, address(), List.of(suite));
  }

  private String address() {
    return "http://127.0.0.1:" + server.getAddress().getPort();
  }

  private static List<String> hints(CaseRecord one) {
    return one.exchanges().stream()
        .flatMap(exchange -> exchange.verdicts().stream())
        .flatMap(verdict -> verdict.findings().stream())
        .map(Finding::hints)
        .flatMap(List::stream)
        .filter(hint -> hint.contains("should it say"))
        .collect(Collectors.toList());
  }

  /** What one of the cases makes. */
  record HiveId(int id) {}

  /** What all of them take, and no address has. */
  record Token(String text) {}

  abstract static class Hives {
    final Service api;

    Hives(Environment environment) {
      api = environment.service("api");
    }

    @Case
    HiveId make() {
      return new HiveId(7);
    }

    void rename(HiveId hive, String label) {
      api.send(Call.patch("/hives/{id}", hive.id()).json(Map.of("label", label)))
          .must(status(200));
    }

    void read(HiveId hive) {
      api.send(Call.get("/hives/{id}", hive.id())).must(at("$.label", "Mint"));
    }
  }

  static final class AnyOrderTest extends Hives {
    AnyOrderTest(Environment environment) {
      super(environment);
    }

    @Case
    void read(HiveId hive) {
      super.read(hive);
    }

    @Case
    void rename(@Changes HiveId hive) {
      rename(hive, "Rue");
    }

    @Case
    void remove(@UsesUp HiveId hive) {
      api.send(Call.delete("/hives/{id}", hive.id())).must(status(200));
    }

    @Case
    @Alone
    void alone() {
      api.send(Call.get("/plots")).must(status(200));
    }

    @Case
    void other() {
      api.send(Call.get("/season")).must(status(200));
    }
  }

  static final class ForgottenTest extends Hives {
    ForgottenTest(Environment environment) {
      super(environment);
    }

    @Case
    void renames(HiveId hive) {
      rename(hive, "Rue");
      renamed.countDown();
    }

    @Case
    void reads(HiveId hive) throws Exception {
      assertTrue(renamed.await(20, TimeUnit.SECONDS));
      read(hive);
    }

    @Case
    void removes(HiveId hive) {
      api.send(Call.delete("/hives/{id}", hive.id())).must(status(200));
    }

    @Case
    void seeks(HiveId hive) {
      read(hive);
    }
  }

  static final class SaidTest extends Hives {
    SaidTest(Environment environment) {
      super(environment);
    }

    @Case
    Token token() {
      return new Token("clover");
    }

    @Case
    void renamesWithoutTaking(Token token) {
      rename(new HiveId(8), "Rue");
    }

    @Case
    void sharesTheTokenOnly(Token token) {
      read(new HiveId(8));
    }

    @Case
    void failsAtAnotherAddress(HiveId hive) {
      api.send(Call.get("/plots")).must(at("$.label", "Rue"));
    }

    @Case
    void renamesAndSaysSo(@Changes HiveId hive) {
      rename(hive, "Thyme");
    }

    @Case
    void isAnotherChanger(@Changes HiveId hive) {
      read(hive);
    }
  }
}
