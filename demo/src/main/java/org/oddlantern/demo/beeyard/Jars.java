package org.oddlantern.demo.beeyard;

import io.javalin.config.RoutesConfig;
import io.javalin.http.Context;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;

/** How many jars of honey were filled from a hive. */
final class Jars {

  private final Access access;
  private final Set<Fault> faults;
  private final Map<String, Integer> filled = new ConcurrentHashMap<>();

  Jars(Access access, Set<Fault> faults) {
    this.access = access;
    this.faults = faults;
  }

  void addTo(RoutesConfig routes) {
    routes.post("/api/hives/{id}/jars", this::fill);
    routes.get("/api/hives/{id}/jars", this::count);
  }

  private void fill(Context context) {
    access.keeper(context);
    String hive = context.pathParam("id");
    int more = RequestBody.of(context).path("filled").asInt(0);
    if (more < 1) {
      throw Refusal.notJson("'filled' is a number of jars, 1 or more");
    }
    int all = faults.contains(Fault.RACING_JARS)
        ? addedCarelessly(hive, more)
        : filled.merge(hive, more, Integer::sum);
    context.json(Map.of("jars", all));
  }

  /** Reads, and writes a moment later what it has read and added to. */
  private int addedCarelessly(String hive, int more) {
    int all = filled.getOrDefault(hive, 0) + more;
    try {
      Thread.sleep(20);
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
    filled.put(hive, all);
    return all;
  }

  private void count(Context context) {
    access.keeper(context);
    context.json(Map.of("jars", filled.getOrDefault(context.pathParam("id"), 0)));
  }
}
