package org.oddlantern.internal.described;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.description.Answer;
import org.oddlantern.internal.description.ApiDocument;
import org.oddlantern.internal.description.Operation;
import org.oddlantern.json.Finding;
import org.oddlantern.json.internal.NearestMatch;

/** Holds exchanges against a description. Immutable and thread-safe. */
public final class Holding {

  private final ApiDocument document;
  private final boolean strict;
  private final Proposals proposals;

  /**
   * Holds against a description.
   *
   * @param document the description
   * @param strict whether fields that are only for replies must not be sent
   */
  public Holding(ApiDocument document, boolean strict) {
    this.document = document;
    this.strict = strict;
    this.proposals = new Proposals(document);
  }

  /** The description. */
  public ApiDocument document() {
    return document;
  }

  /** Holds an exchange against it. */
  public Held held(Facts facts) {
    Facts.Sent sent = facts.sent();
    Optional<ApiDocument.Place> place =
        document.place(sent.where().rest(), sent.where().path());
    Operation operation = place.map(found -> operation(sent.method(), found)).orElse(null);
    if (operation == null) {
      return new Held(
          null,
          isAccepted(facts.came()) && sent.where().own() && !sent.method().equals("OPTIONS")
              ? List.of(undescribed(facts, place.orElse(null)))
              : List.of(),
          Set.of(),
          "",
          null,
          "",
          null);
    }
    Map<String, String> variables = place.map(ApiDocument.Place::variables).orElse(Map.of());
    SentHolding asked = new SentHolding(document, operation, sent, variables, proposals, strict);
    List<Deviation> deviations = new ArrayList<>();
    List<Deviation> ofSent = asked.deviations();
    if (isAccepted(facts.came())) {
      deviations.addAll(ofSent);
    }
    CameHolding answered =
        new CameHolding(document, operation, facts.came(), sent.method(), proposals);
    deviations.addAll(answered.deviations());
    return new Held(
        operation,
        deviations,
        asked.parameters(),
        asked.type(),
        answered.answer(),
        answered.type(),
        answered.tree());
  }

  /** The same where a schema that it needs is of no use: what is left to say of it. */
  Held unjudged(Facts facts) {
    Facts.Sent sent = facts.sent();
    Operation operation = document
        .place(sent.where().rest(), sent.where().path())
        .map(found -> operation(sent.method(), found))
        .orElse(null);
    Facts.Came came = facts.came();
    Answer answer = operation == null || came == null
        ? null
        : operation.answer(came.status()).orElse(null);
    return new Held(operation, List.of(), Set.of(), "", answer, "", null);
  }

  /** What is not described for HEAD is that of GET, without a body (RFC 9110, section 9.3.2). */
  private @Nullable Operation operation(String method, ApiDocument.Place place) {
    Operation own = document.operation(method, place.path());
    return own == null && method.equals("HEAD") ? document.operation("GET", place.path()) : own;
  }

  static boolean isAccepted(Facts.@Nullable Came came) {
    return came != null && came.status() / 100 == 2;
  }

  private Deviation undescribed(Facts facts, ApiDocument.@Nullable Place place) {
    Facts.Sent sent = facts.sent();
    String line = sent.method() + " " + (place == null ? sent.where().described() : place.path());
    String reason = place == null
        ? "it has no such path"
        : "it has " + String.join(", ", document.methods(place.path())) + " there";
    Finding finding = Finding.of(
            "the operation",
            "an operation that " + document.name() + " describes",
            line + ", which was accepted; " + reason)
        .hint(place == null ? nearest(line) : "");
    return new Deviation(
        new Deviation.Subject(line, Deviation.Rule.OPERATION, ""),
        finding,
        proposals.operation(facts, place == null ? null : place.path()));
  }

  private String nearest(String line) {
    return NearestMatch.among(
            line, document.operations().stream().map(Operation::line).toList())
        .map(near -> "did you mean " + near + "?")
        .orElse("");
  }
}
