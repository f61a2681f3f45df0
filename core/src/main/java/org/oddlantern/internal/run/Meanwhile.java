package org.oddlantern.internal.run;

import java.lang.reflect.Type;
import java.net.URI;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.Verdict;
import org.oddlantern.http.internal.Exchange;
import org.oddlantern.internal.plan.Planned;
import org.oddlantern.internal.plan.PlannedCase;
import org.oddlantern.json.Finding;
import org.oddlantern.json.internal.Words;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * Which cases changed what lies at an address, without having said that they change the value it belongs to.
 * A case that fails at such an address may do so for that reason only, and in some orders only. Thread-safe.
 */
final class Meanwhile {

  /** RFC 9110, section 9.2.1. */
  private static final Set<String> SAFE = Set.of("GET", "HEAD", "OPTIONS", "TRACE");

  private static final int MOST_BELOW = 200;

  private final List<Planned> nodes;
  private final Handed handed;
  private final Map<Integer, CaseLog> underWay = new ConcurrentHashMap<>();
  private final NavigableMap<String, List<Changed>> changed = new TreeMap<>();

  Meanwhile(List<Planned> nodes, Handed handed) {
    this.nodes = nodes;
    this.handed = handed;
  }

  /** A case has begun. */
  void begun(PlannedCase one, CaseLog log) {
    if (!one.values().isEmpty()) {
      underWay.put(one.order(), log);
    }
  }

  /** A case has ended; whoever failed is told first. */
  void ended(PlannedCase one, CaseLog log) {
    if (underWay.containsKey(one.order())) {
      List<Changed> all = changes(one.order(), log);
      synchronized (changed) {
        all.forEach(each ->
            changed.computeIfAbsent(each.path, path -> new ArrayList<>()).add(each));
      }
      underWay.remove(one.order()); // last, so that it is always found in one of both
    }
  }

  /** Adds to what a case found wrong who may have made it so. */
  void explain(PlannedCase one, CaseLog log) {
    if (one.values().isEmpty()) {
      return;
    }
    for (LogEntry entry : log.entries()) {
      Verdict wrong = entry.verdicts.stream()
          .filter(verdict ->
              !verdict.holds() && !verdict.warning() && !verdict.told().isEmpty())
          .findFirst()
          .orElse(null);
      if (wrong != null && entry.asked instanceof Exchange exchange && !entry.isVisit()) {
        String hint = hint(one, exchange);
        if (!hint.isEmpty()) {
          log.replace(entry, wrong, hinted(wrong, hint));
        }
      }
    }
  }

  private String hint(PlannedCase one, Exchange failed) {
    Instant end = failed.sentAt().plus(failed.took());
    return near(path(failed.request().uri()))
        .filter(each -> each.order != one.order() && each.sentAt.isBefore(end))
        .map(each -> hint(one, each))
        .filter(hint -> !hint.isEmpty())
        .findFirst()
        .orElse("");
  }

  private String hint(PlannedCase one, Changed change) {
    PlannedCase other = (PlannedCase) nodes.get(change.order);
    if (one.values().contains(change.order) || other.values().contains(one.order())) {
      return ""; // one makes what the other takes, so their order is no accident
    }
    boolean removed = change.method.equals("DELETE");
    for (int value : one.values()) {
      boolean said = other.changes().contains(value) || other.usesUp().contains(value);
      if (!said && other.values().contains(value) && belongs(handed.value(value), change.path)) {
        return "%s, which takes %s too, sent %s %s before this was answered: should it say @%s?"
            .formatted(
                other.definition().name(),
                type(nodes.get(value)),
                change.method,
                change.path,
                removed ? "UsesUp" : "Changes");
      }
    }
    return "";
  }

  /** What was changed at an address, above it and below it, the latest first. */
  private Stream<Changed> near(String path) {
    List<Changed> near = new ArrayList<>();
    underWay.forEach((order, log) -> changes(order, log).stream()
        .filter(
            each -> (path + "/").startsWith(each.path + "/") || each.path.startsWith(path + "/"))
        .forEach(near::add));
    synchronized (changed) {
      for (int end = path.length(); end > 0; end = path.lastIndexOf('/', end - 1)) {
        near.addAll(changed.getOrDefault(path.substring(0, end), List.of()));
      }
      changed.subMap(path + "/", path + "0").values().stream()
          .flatMap(List::stream)
          .limit(MOST_BELOW)
          .forEach(near::add);
    }
    return near.stream().sorted((a, b) -> b.sentAt.compareTo(a.sentAt));
  }

  private static List<Changed> changes(int order, CaseLog log) {
    List<Changed> changes = new ArrayList<>();
    for (LogEntry entry : log.entries()) {
      if (entry.asked instanceof Exchange exchange
          && !entry.isVisit()
          && !SAFE.contains(exchange.request().method())
          && exchange.reply() != null
          && exchange.reply().status() < 300) {
        changes.add(new Changed(
            order, exchange.request().method(), path(exchange.request().uri()), exchange.sentAt()));
      }
    }
    return changes;
  }

  /** Whether something of a value is a step of the path: the number of the hive that was changed. */
  private static boolean belongs(@Nullable Object value, String path) {
    JsonNode told = Performance.told(value);
    return told != null && belongs(told, path + "/");
  }

  private static boolean belongs(JsonNode told, String path) {
    if (told.isContainer()) {
      for (JsonNode part : told) {
        if (belongs(part, path)) {
          return true;
        }
      }
      return false;
    }
    String text = told.asString("");
    return !text.isEmpty() && path.contains("/" + text + "/");
  }

  private static String type(Planned maker) {
    Type made = maker.bound().maker().handsOn();
    return made == null ? "it" : Words.of(made);
  }

  private static String path(URI uri) {
    String path = uri.getRawPath();
    return path == null ? "" : path.replaceAll("/+$", "");
  }

  private static Verdict hinted(Verdict wrong, String hint) {
    List<Finding> findings = new ArrayList<>(wrong.findings());
    findings.set(0, findings.get(0).hint(hint));
    return new Verdict(wrong.check(), wrong.warning(), wrong.sent(), findings);
  }

  /**
   * A call that changed something.
   *
   * @param order the case that sent it
   * @param method its method
   * @param path the path of its address
   * @param sentAt when
   */
  private record Changed(int order, String method, String path, Instant sentAt) {}
}
