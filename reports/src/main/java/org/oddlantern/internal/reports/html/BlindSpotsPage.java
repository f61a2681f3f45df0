package org.oddlantern.internal.reports.html;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.oddlantern.evidence.Header;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.ExchangeRecord;
import org.oddlantern.internal.record.LookRecord;
import org.oddlantern.internal.record.Watch;
import org.oddlantern.internal.record.WatchedPlace;
import org.oddlantern.internal.reports.ExaminedRun;
import org.oddlantern.internal.reports.RunData;
import org.oddlantern.internal.reports.WatchedOperation;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.shaded.tools.jackson.databind.node.ArrayNode;
import org.oddlantern.shaded.tools.jackson.databind.node.ObjectNode;

/** Lays out what nobody would notice: each answer as it came, each place with how it is watched. */
final class BlindSpotsPage {

  private static final int MOST_LINES = 300;

  private final RunData run;
  private final Bodies bodies;
  private final Function<String, String> address;

  /**
   * A page.
   *
   * @param run the run
   * @param bodies fetches bodies
   * @param address where a case is told; empty if it is not
   */
  BlindSpotsPage(RunData run, Bodies bodies, Function<String, String> address) {
    this.run = run;
    this.bodies = bodies;
    this.address = address;
  }

  BlindSpotsView view() {
    ExaminedRun examined = run.examined();
    List<BlindSpotsView.OperationView> operations = new ArrayList<>();
    Map<WatchedOperation, String> anchors = new LinkedHashMap<>();
    for (WatchedOperation one : examined.operations()) {
      anchors.put(one, "operation-" + (anchors.size() + 1));
      operations.add(operation(one, anchors.getOrDefault(one, "")));
    }
    return new BlindSpotsView(
        run.started().name(),
        examined.plainSentence(),
        examined.sentence(),
        examined.known().stream()
            .map(one -> new BlindSpotsView.KnownView(
                one.operation().line(),
                anchors.getOrDefault(one.operation(), ""),
                one.seen().place().place(),
                one.seen().place().known(),
                ExaminedRun.sentence(one.seen().place()),
                one.seen().place().line()))
            .toList(),
        examined.oftenUnwatched().stream()
            .map(one -> new BlindSpotsView.OftenView(one.sentence(), one.line()))
            .toList(),
        operations,
        examined.notExamined().stream()
            .map(one -> new BlindSpotsView.LeftOutView(link(one.id()), one.reason()))
            .toList());
  }

  private BlindSpotsView.OperationView operation(WatchedOperation one, String anchor) {
    return new BlindSpotsView.OperationView(
        anchor,
        run.examined().hasServices() ? one.operation().service() : "",
        one.line(),
        one.watched() + " of " + one.count() + " watched",
        one.watched() < one.count(),
        rows(one),
        link(one.closest()),
        run.examined().lines(one));
  }

  private BlindSpotsView.CaseLink link(String id) {
    return id.isEmpty()
        ? BlindSpotsView.CaseLink.NONE
        : new BlindSpotsView.CaseLink(run.titleOf(id), address.apply(id));
  }

  private List<BlindSpotsView.RowView> rows(WatchedOperation one) {
    Map<String, WatchedOperation.Seen> open = new LinkedHashMap<>();
    one.places().forEach(seen -> open.put(seen.place().place(), seen));
    List<BlindSpotsView.RowView> rows = new ArrayList<>();
    CaseRecord sample = run.byId(one.sample());
    String body = sample == null ? "" : answer(run.whole(sample), one, open, rows);
    Optional<JsonNode> tree = VerbatimJson.tree(body);
    if (tree.isPresent()) {
      LaidOut laidOut = LaidOutJson.of(shortened(tree.get()), MOST_LINES, true);
      for (LaidOutLine line : laidOut.lines()) {
        WatchedOperation.Seen seen = open.remove(line.where().replaceAll("\\[\\d+]", "[*]"));
        rows.add(seen == null ? BlindSpotsView.RowView.plain(line.text()) : row(line.text(), seen));
      }
    }
    // what this one answer does not have, others did
    open.values().forEach(seen -> rows.add(row(seen.place().place(), seen)));
    return rows;
  }

  /** The rows of status and headers; gives the body. */
  private String answer(
      CaseRecord sample,
      WatchedOperation one,
      Map<String, WatchedOperation.Seen> open,
      List<BlindSpotsView.RowView> rows) {
    if (!one.operation().isCall()) {
      List<LookRecord> looks = sample.queries();
      return one.number() < looks.size() ? looks.get(one.number()).answer() : "";
    }
    List<ExchangeRecord> exchanges = sample.exchanges();
    if (one.number() >= exchanges.size()) {
      return "";
    }
    ExchangeRecord exchange = exchanges.get(one.number());
    taken("status", "status: " + exchange.status(), open, rows);
    for (Header header : exchange.replyHeaders()) {
      open.keySet().stream()
          .filter(place -> place.equalsIgnoreCase("header " + header.name()))
          .findFirst()
          .ifPresent(place -> taken(place, header.name() + ": " + header.value(), open, rows));
    }
    return exchange.replyBody().bytes() == 0 ? "" : bodies.text(exchange.replyBody());
  }

  private void taken(
      String place,
      String text,
      Map<String, WatchedOperation.Seen> open,
      List<BlindSpotsView.RowView> rows) {
    WatchedOperation.Seen seen = open.remove(place);
    if (seen != null) {
      rows.add(row(text, seen));
    }
  }

  private BlindSpotsView.RowView row(String text, WatchedOperation.Seen seen) {
    WatchedPlace place = seen.place();
    boolean watched = place.watch().isWatched();
    return new BlindSpotsView.RowView(
        text,
        BlindSpotsView.sign(place.watch()),
        place.watch().word().replace(' ', '-'),
        ExaminedRun.words(place)
            + (place.carried().isEmpty()
                ? ""
                : ", since " + run.titleOf(place.carried()) + " takes it"),
        watched || place.watch() == Watch.IN_PART ? link(seen.id()) : BlindSpotsView.CaseLink.NONE);
  }

  /** Of a list its first item, which stands for all. */
  private static JsonNode shortened(JsonNode tree) {
    if (tree instanceof ObjectNode object) {
      ObjectNode copy = object.objectNode();
      object.properties().forEach(field -> copy.set(field.getKey(), shortened(field.getValue())));
      return copy;
    }
    if (tree instanceof ArrayNode list && !list.isEmpty()) {
      ArrayNode copy = list.arrayNode();
      copy.add(shortened(list.get(0)));
      return copy;
    }
    return tree;
  }
}
