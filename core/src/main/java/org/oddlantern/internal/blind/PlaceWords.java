package org.oddlantern.internal.blind;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.Verdict;
import org.oddlantern.http.internal.WireReply;
import org.oddlantern.internal.Masked;
import org.oddlantern.internal.mask.Masker;
import org.oddlantern.internal.record.OperationRecord;
import org.oddlantern.internal.record.Watch;
import org.oddlantern.internal.record.WatchedPlace;
import org.oddlantern.json.Finding;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * Tells how a place is watched, without what was secret in it.
 *
 * @param operation the operation
 * @param knowledge what the case knew
 * @param body the JSON that came; null if there is none
 * @param answer the answer
 * @param masker knows what is secret
 */
record PlaceWords(
    OperationRecord operation,
    Knowledge knowledge,
    @Nullable JsonNode body,
    Object answer,
    Masker masker) {

  WatchedPlace told(Spot spot, Tally tally) {
    Watch watch = tally.watch();
    JsonNode value = spot.value();
    Knowledge.Known known =
        value == null || watch == Watch.BY_VALUE ? null : knowledge.of(spot.place(), value);
    boolean wanted = known != null || !watch.isWatched();
    return new WatchedPlace(
        masker.text(spot.place()),
        watch,
        tally.unnoticed(),
        masker.id(tally.carriedTo()),
        known == null ? "" : known.why(),
        wanted ? masker.text(line(spot, value, known)) : "");
  }

  private String line(Spot spot, @Nullable JsonNode value, Knowledge.@Nullable Known known) {
    if (value == null) {
      return CodeLine.other(
          spot.place(),
          operation.status(),
          answer instanceof WireReply reply
              ? reply.headers().first("Content-Type").orElse("")
              : "");
    }
    return isSecret(spot.place(), value)
        ? CodeLine.ofSecret(spot.place())
        : CodeLine.of(spot.place(), value, known, body);
  }

  private boolean isSecret(String place, JsonNode value) {
    if (value.isContainer()) {
      return false;
    }
    if (value.asString().isEmpty()) {
      return false;
    }
    Finding finding = Finding.of(place, "anything", value.asString());
    return masker
        .verdict(new Verdict("looked at", false, List.of(finding)))
        .findings()
        .get(0)
        .got()
        .contains(Masked.TEXT);
  }
}
