package org.oddlantern.run;

import java.time.Duration;
import java.util.Map;
import org.oddlantern.config.Readiness;
import org.oddlantern.config.ServiceSettings;
import org.oddlantern.config.SettingsProblem;
import org.oddlantern.config.SettingsSources;
import org.oddlantern.http.Call;
import org.oddlantern.http.NoReply;
import org.oddlantern.http.NotSent;
import org.oddlantern.http.Reply;
import org.oddlantern.http.Service;
import org.oddlantern.http.internal.Surroundings;

/** Waits before the first case until the services that have a {@code ready} answer without an error. */
final class Readying {

  private static final Duration FIRST_PAUSE = Duration.ofMillis(50);
  private static final Duration LONGEST_PAUSE = Duration.ofSeconds(1);

  private final RunOrder order;

  Readying(RunOrder order) {
    this.order = order;
  }

  /** Why the cases cannot run; empty if all services are ready. */
  String waited(Surroundings surroundings) {
    for (Map.Entry<String, ServiceSettings> entry :
        order.environment().services().entrySet()) {
      String problem = problem(entry.getValue(), surroundings);
      if (!problem.isEmpty()) {
        return "the service '" + entry.getKey() + "', " + problem;
      }
    }
    return "";
  }

  private String problem(ServiceSettings settings, Surroundings surroundings) {
    SettingsSources sources = order.settings().sources(order.variables());
    try {
      Readiness readiness = settings.readiness(sources).orElse(null);
      return readiness == null
          ? ""
          : waited(settings.service(sources).boundTo(surroundings), readiness);
    } catch (SettingsProblem e) {
      return "whose settings cannot be used: " + e.getMessage();
    }
  }

  private static String waited(Service service, Readiness readiness) {
    long end = System.nanoTime() + readiness.within().toNanos();
    Duration pause = FIRST_PAUSE;
    for (String last = asked(service, readiness, end); ; last = asked(service, readiness, end)) {
      if (last.isEmpty()) {
        return "";
      }
      if (System.nanoTime() + pause.toNanos() >= end || !slept(pause)) {
        return "which was not ready within " + readiness.within().toMillis() + " ms: " + last;
      }
      pause = pause.compareTo(LONGEST_PAUSE) < 0 ? pause.multipliedBy(2) : pause;
    }
  }

  private static String asked(Service service, Readiness readiness, long end) {
    try {
      Duration left = Duration.ofNanos(Math.max(1_000_000, end - System.nanoTime()));
      Reply reply = service.deadline(left).send(Call.get(readiness.path()));
      return reply.status() < 400 ? "" : reply.title();
    } catch (NoReply | NotSent e) {
      return String.valueOf(e.getMessage());
    }
  }

  private static boolean slept(Duration pause) {
    try {
      Thread.sleep(pause.toMillis());
      return true;
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      return false;
    }
  }
}
