package org.oddlantern.http;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Supplier;
import org.oddlantern.evidence.Check;
import org.oddlantern.evidence.Verdict;
import org.oddlantern.http.internal.CaseRecorder;
import org.oddlantern.http.internal.Exchange;
import org.oddlantern.http.internal.UnseenStatus;
import org.oddlantern.http.internal.WireReply;
import org.oddlantern.json.Finding;
import org.oddlantern.json.NotJson;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.Words;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * What a case has looked at in one reply, and what is due at its end: an error status or GraphQL errors
 * that nobody looked at, and the checks that the service makes on every reply unless the case made one
 * of the same subject.
 */
final class Attention implements Supplier<List<Verdict>> {

  private final Exchange exchange;
  private final WireReply wire;
  private final JsonMapping mapping;
  private final List<Check> standing;
  private final boolean graphQl;
  private final Set<String> subjects;
  private volatile boolean statusSeen;
  private volatile boolean errorsSeen;

  Attention(
      Exchange exchange,
      WireReply wire,
      JsonMapping mapping,
      List<Check> standing,
      boolean graphQl) {
    this.exchange = exchange;
    this.wire = wire;
    this.mapping = mapping;
    this.standing = standing;
    this.subjects = standing.isEmpty() ? Set.of() : ConcurrentHashMap.newKeySet();
    this.graphQl = graphQl;
  }

  void statusSeen() {
    statusSeen = true;
  }

  void errorsSeen() {
    errorsSeen = true;
  }

  /** For looks of which it is not yet known whether they count. */
  Attention aside() {
    return new Attention(exchange, wire, mapping, List.of(), graphQl);
  }

  void take(Attention other) {
    statusSeen |= other.statusSeen;
    errorsSeen |= other.errorsSeen;
  }

  /** The case makes a check of its own; the service's of the same subject is left out. */
  void checked(Check check) {
    if (!standing.isEmpty()) {
      subjects.add(check.subject());
    }
  }

  /** Whether the error status is one that nobody looked at. */
  boolean isUnseenError() {
    return wire.status() >= 400 && !statusSeen;
  }

  boolean hasStanding() {
    return !standing.isEmpty();
  }

  @Override
  public List<Verdict> get() {
    if (standing.isEmpty() && !isUnseenError() && (!graphQl || errorsSeen)) {
      return List.of();
    }
    List<Verdict> due = new ArrayList<>();
    if (!standing.isEmpty()) {
      Reply reply = new Reply(exchange, wire, mapping, this, CaseRecorder.NONE, false);
      standing.stream()
          .filter(check -> !subjects.contains(check.subject()) && isAskedOf(check))
          .forEach(check -> due.add(reply.standing(check)));
    }
    if (isUnseenError()) {
      statusSeen = true;
      due.add(0, UnseenStatus.verdict(wire));
    } else if (graphQl && !errorsSeen) {
      addErrors(due);
    }
    return due;
  }

  /** What has no body by RFC 9110, section 6.4.1, has no type of one; an empty body may have. */
  private boolean isAskedOf(Check check) {
    int status = wire.status();
    boolean bodiless = status < 200 || status == 204 || status == 205 || status == 304;
    return !bodiless || !check.subject().equals("header content-type");
  }

  private void addErrors(List<Verdict> due) {
    JsonNode errors;
    try {
      errors = mapping.parse(wire.body()).path("errors");
    } catch (NotJson e) {
      return; // whatever it is, it carries no GraphQL errors; checks of the body say what is wrong
    }
    if (!errors.isMissingNode() && !errors.isNull()) {
      due.add(
          0,
          new Verdict(
              "no GraphQL errors unless the case asks for them",
              false,
              List.of(Finding.of(
                      "$.errors", "nothing, since no check asked for errors", Words.of(errors))
                  .hint("if they are what you want, say so: at(\"$.errors[0].message\", ...)"))));
    }
  }
}
