package org.oddlantern.bench;

import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Executors;
import java.util.stream.DoubleStream;
import org.oddlantern.config.internal.Settings;
import org.oddlantern.config.internal.SettingsFile;
import org.oddlantern.internal.journal.Journal;
import org.oddlantern.internal.plan.Place;
import org.oddlantern.internal.plan.Planner;
import org.oddlantern.internal.plan.Selection;
import org.oddlantern.internal.record.ExaminedRecord;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.internal.run.BlindSpots;
import org.oddlantern.internal.run.RunOrder;
import org.oddlantern.internal.run.Runner;

/**
 * What it costs to see what nobody would notice: of the demo, by the journals of a run without and of one
 * with it, and of 1,000 cases over 20 operations of a service that answers in 5 ms.
 */
public final class BlindBench {

  private BlindBench() {}

  /**
   * Starts here.
   *
   * @param arguments the journals of the demo, without and with blind spots; maybe none
   * @throws Exception if the work cannot be done
   */
  public static void main(String[] arguments) throws Exception {
    if (arguments.length == 2) {
      List<RunEvent> without = events(arguments[0]);
      tell("the demo", micros(without), events(arguments[1]));
    }
    HttpServer server = server();
    try {
      long without = micros(run(server, BlindSpots.NONE, 1));
      tell("1,000 cases", without, run(server, BlindSpots.ONCE, 1));
      long inLanes = micros(run(server, BlindSpots.NONE, 4));
      tell("1,000 cases in 4 lanes", inLanes, run(server, BlindSpots.ONCE, 4));
    } finally {
      server.stop(0);
    }
  }

  private static void tell(String what, long without, List<RunEvent> events) {
    List<ExaminedRecord> records = events.stream()
        .filter(RunEvent.CaseExamined.class::isInstance)
        .map(event -> ((RunEvent.CaseExamined) event).record())
        .filter(ExaminedRecord::isExamined)
        .toList();
    long examining = records.stream().mapToLong(ExaminedRecord::tookMicros).sum();
    int tried = records.stream().mapToInt(ExaminedRecord::tried).sum();
    double change = records.stream()
        .filter(one -> one.tried() > 0)
        .mapToDouble(one -> (one.tookMicros() - one.againMicros()) / 1_000.0 / one.tried())
        .sorted()
        .skip(records.stream().filter(one -> one.tried() > 0).count() / 2)
        .findFirst()
        .orElse(0);
    double[] ratios = records.stream()
        .filter(one -> one.tried() > 0 && one.againMicros() > 0)
        .flatMapToDouble(one -> DoubleStream.of(
            (double) (one.tookMicros() - one.againMicros()) / one.tried() / one.againMicros()))
        .sorted()
        .toArray();
    System.out.printf(
        Locale.ROOT,
        "%s: examined in %.2f times the time of the run (%.2f s for %.2f s), the whole in %.2f times; %,d changes, a change %.2f ms in the median, %.2f times the case done again unchanged%n",
        what,
        (double) examining / without,
        examining / 1e6,
        without / 1e6,
        (double) micros(events) / without,
        tried,
        change,
        ratios.length == 0 ? 0 : ratios[ratios.length / 2]);
  }

  private static long micros(List<RunEvent> events) {
    return events.stream()
        .filter(RunEvent.Ended.class::isInstance)
        .mapToLong(event -> ((RunEvent.Ended) event).tookMicros())
        .sum();
  }

  private static List<RunEvent> events(String journal) throws IOException {
    List<RunEvent> events = new ArrayList<>();
    new Journal(Path.of(journal)).readPlaced((event, place) -> events.add(event));
    return events;
  }

  private static List<RunEvent> run(HttpServer server, BlindSpots wanted, int lanes)
      throws Exception {
    ClassLoader loader = BlindBench.class.getClassLoader();
    Path here = Path.of(
        BlindBench.class.getProtectionDomain().getCodeSource().getLocation().toURI());
    Settings settings = SettingsFile.onClassPath(loader)
        .movedTo(Map.of("hives", "http://127.0.0.1:" + server.getAddress().getPort()));
    RunOrder order = new RunOrder(
        "bench",
        new Planner(loader, List.of(new Place(here)))
            .plan(new Selection(List.of("ManyOperationsTest"))),
        settings,
        settings.environment(null),
        Map.of(),
        loader,
        "seed",
        lanes,
        wanted,
        false);
    List<RunEvent> events = new ArrayList<>();
    new Runner(order, Clock.systemUTC()).run(List.of(events::add));
    return events;
  }

  private static HttpServer server() throws IOException {
    HttpServer server =
        HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
    byte[] body = """
        {"id": 4, "label": "Foxglove", "kind": "stack", "queenYear": 2025, "plot": "orchard",
         "keeper": "wren", "registeredOn": "2026-05-01", "wintered": true,
         "queen": {"breed": "carnica", "marked": true},
         "boxes": [{"number": 1, "frames": 10}, {"number": 2, "frames": 9}, {"number": 3, "frames": 8}]}
        """.getBytes(StandardCharsets.UTF_8);
    server.createContext("/", exchange -> {
      try {
        Thread.sleep(5);
      } catch (InterruptedException e) {
        Thread.currentThread().interrupt();
      }
      exchange.getRequestBody().readAllBytes();
      exchange.getResponseHeaders().add("Content-Type", "application/json");
      exchange.sendResponseHeaders(200, body.length);
      exchange.getResponseBody().write(body);
      exchange.close();
    });
    server.setExecutor(Executors.newCachedThreadPool());
    server.start();
    return server;
  }
}
