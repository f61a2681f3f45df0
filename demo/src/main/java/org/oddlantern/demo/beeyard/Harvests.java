package org.oddlantern.demo.beeyard;

import io.javalin.config.RoutesConfig;
import io.javalin.http.Context;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicInteger;

/** Harvests: handed in at once, weighed a little later. */
final class Harvests {

  private static final Duration WEIGHING = Duration.ofMillis(250);

  private final Access access;
  private final Set<Fault> faults;
  private final AtomicInteger last = new AtomicInteger();
  private final Map<String, Instant> handedIn = new ConcurrentHashMap<>();

  Harvests(Access access, Set<Fault> faults) {
    this.access = access;
    this.faults = faults;
  }

  void addTo(RoutesConfig routes) {
    routes.post("/api/harvests", this::handIn);
    routes.get("/api/harvests/{id}", this::read);
  }

  private void handIn(Context context) {
    access.keeper(context);
    String id = String.valueOf(last.incrementAndGet());
    handedIn.put(id, Instant.now());
    context.status(202).json(Map.of("id", Integer.parseInt(id), "state", "waiting"));
  }

  private void read(Context context) {
    access.keeper(context);
    Instant since = handedIn.get(context.pathParam("id"));
    if (since == null) {
      throw Refusal.notFound("there is no harvest " + context.pathParam("id"));
    }
    boolean weighed =
        !faults.contains(Fault.NEVER_WEIGHED) && Instant.now().isAfter(since.plus(WEIGHING));
    context.json(Map.of("state", weighed ? "done" : "waiting"));
  }
}
