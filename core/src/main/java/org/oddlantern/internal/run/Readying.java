package org.oddlantern.internal.run;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import org.oddlantern.config.SettingsProblem;
import org.oddlantern.config.internal.EnvironmentSettings;
import org.oddlantern.config.internal.Readiness;
import org.oddlantern.config.internal.ServiceSettings;
import org.oddlantern.config.internal.SettingsSources;
import org.oddlantern.http.Call;
import org.oddlantern.http.NoReply;
import org.oddlantern.http.NotSent;
import org.oddlantern.http.Reply;
import org.oddlantern.http.Service;
import org.oddlantern.http.internal.MadeFor;
import org.oddlantern.http.internal.Surroundings;
import org.oddlantern.internal.CurrentCase;
import org.oddlantern.internal.GrowingPause;
import org.oddlantern.internal.Resources;

/** Waits before the first case until the services that have a {@code ready} answer without an error. */
final class Readying {

  private final RunOrder order;
  private final Environments environments;

  Readying(RunOrder order, Environments environments) {
    this.order = order;
    this.environments = environments;
  }

  /** Why the cases cannot run; empty if all services are ready. */
  String waited(List<Object> known, Surroundings surroundings) {
    List<Object> parts = new ArrayList<>(known);
    parts.add(new Resources(order.loader(), order.settings().folder()));
    parts.add(new MadeFor(surroundings));
    try (CurrentCase.Binding binding = CurrentCase.bind(parts)) {
      return waitedForAll();
    }
  }

  private String waitedForAll() {
    for (EnvironmentSettings environment : environments.all()) {
      for (ServiceSettings service : environment.services().values()) {
        String problem = problem(service);
        if (!problem.isEmpty()) {
          return "the service '" + service.name() + "' " + problem;
        }
      }
    }
    return "";
  }

  private String problem(ServiceSettings settings) {
    SettingsSources sources = order.settings().sources(order.variables());
    try {
      Readiness readiness = settings.readiness(sources).orElse(null);
      return readiness == null ? "" : waited(settings.service(sources), readiness);
    } catch (SettingsProblem e) {
      return "has settings that cannot be used: " + e.getMessage();
    }
  }

  private static String waited(Service service, Readiness readiness) {
    long end = System.nanoTime() + readiness.within().toNanos();
    GrowingPause pause = new GrowingPause(Duration.ofMillis(50), Duration.ofSeconds(1));
    while (true) {
      String last = asked(service, readiness, end);
      if (last.isEmpty()) {
        return "";
      }
      Duration left = Duration.ofNanos(end - System.nanoTime());
      if (pause.length().compareTo(left) >= 0 || !pause.slept(left)) {
        return "was not ready within " + readiness.within().toMillis() + " ms: " + last;
      }
    }
  }

  private static String asked(Service service, Readiness readiness, long end) {
    try {
      Duration left = Duration.ofNanos(Math.max(1_000_000, end - System.nanoTime()));
      Reply reply = service.timeout(left).send(Call.get(readiness.path()));
      return reply.status() < 400 ? "" : reply.title();
    } catch (NoReply | NotSent e) {
      return String.valueOf(e.getMessage());
    }
  }
}
