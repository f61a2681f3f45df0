package org.oddlantern.demo.beeyard;

import io.javalin.config.RoutesConfig;
import io.javalin.http.Context;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Set;

/** Hives are opened, if it does not rain; at their gates bees come and go. */
record Openings(Store store, Access access, Weather weather, Mail mail, Set<Fault> faults) {

  void addTo(RoutesConfig routes) {
    routes.post("/api/hives/{id}/openings", this::open);
    routes.get("/api/hives/{id}/flights", this::flights);
  }

  private void open(Context context) {
    String keeper = access.keeper(context);
    Hive hive = found(context);
    String now;
    try {
      now = weather.at(hive.plot(), context.header("traceparent"));
    } catch (Weather.Unknown e) {
      context.header("Retry-After", "60");
      throw Refusal.unavailable(e.getMessage() + ", so " + hive.label() + " stays closed");
    }
    if (now.equals("rain") && !faults.contains(Fault.RAIN_IGNORED)) {
      throw Refusal.conflict(
          "it rains at " + hive.plot() + ", so " + hive.label() + " stays closed");
    }
    mail.send(
        keeper,
        hive.label() + " is open",
        "The hive " + hive.label() + " at " + hive.plot() + " was opened by " + keeper + ".");
    context.status(201).json(Map.of("hive", hive.id(), "weather", now));
  }

  /** Server-sent events without an end: how many bees are in the air. */
  private void flights(Context context) {
    access.keeper(context);
    int hive = found(context).id();
    context.contentType("text/event-stream");
    try (OutputStream out = context.res().getOutputStream()) {
      for (int bees = 10 * hive; !Thread.currentThread().isInterrupted(); bees += 3) {
        String event = "event: flight\ndata: {\"hive\":" + hive + ",\"bees\":" + bees + "}\n\n";
        out.write(event.getBytes(StandardCharsets.UTF_8));
        context.res().flushBuffer();
        Thread.sleep(20);
      }
    } catch (IOException e) {
      // nobody looks at the gate any more
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  private Hive found(Context context) {
    String id = context.pathParam("id");
    return store
        .hive(id.matches("\\d{1,9}") ? Integer.parseInt(id) : 0)
        .orElseThrow(() -> Refusal.notFound("there is no hive " + id));
  }
}
