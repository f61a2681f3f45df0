package org.oddlantern.standin;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.oddlantern.http.internal.Exchange;
import org.oddlantern.http.internal.ExchangeFacts;
import org.oddlantern.internal.described.Deviation;
import org.oddlantern.internal.described.Facts;
import org.oddlantern.internal.described.Holding;
import org.oddlantern.internal.description.ApiDocument;
import org.oddlantern.internal.description.DescribedSchema;
import org.oddlantern.internal.description.MediaType;
import org.oddlantern.internal.description.Operation;
import org.oddlantern.internal.description.Parameter;
import org.oddlantern.json.Finding;
import org.oddlantern.payload.Fresh;
import org.oddlantern.schema.internal.make.Examples;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** What a stand-in answers by a description, and what it finds wrong with what it is asked. */
final class DescribedAnswers {

  private static final Set<Deviation.Rule> OF_REQUESTS = Set.of(
      Deviation.Rule.OPERATION,
      Deviation.Rule.CREDENTIALS,
      Deviation.Rule.PARAMETER,
      Deviation.Rule.SENT_TYPE,
      Deviation.Rule.SENT_BODY);

  private final ApiDocument document;
  private final Holding holding;

  DescribedAnswers(ApiDocument document) {
    this.document = document;
    this.holding = new Holding(document, true);
  }

  /** Rules for every operation; always the same answer to each, so that a case can know it. */
  List<Rule> rules() {
    return document.operations().stream()
        .map(one -> Rule.of(one.line(), answer(one)))
        .toList();
  }

  private static Answer answer(Operation operation) {
    return operation.answers().values().stream()
        .filter(one -> one.status().startsWith("2"))
        .findFirst()
        .map(one -> answer(operation, Integer.parseInt(one.status().replace("XX", "00")), one))
        .orElseGet(() -> Answer.of(200));
  }

  private static Answer answer(
      Operation operation, int status, org.oddlantern.internal.description.Answer described) {
    Fresh fresh = Fresh.seeded("as described", operation.line());
    Answer answer = Answer.of(status);
    for (Parameter header : described.headers()) {
      JsonNode value = header.required() ? made(header.schema(), fresh) : null;
      if (value != null && value.isValueNode()) {
        answer = answer.header(header.name(), value.asString());
      }
    }
    for (Map.Entry<String, MediaType> one : described.content().types().entrySet()) {
      JsonNode example = one.getValue().example();
      JsonNode body = example == null ? made(one.getValue().schema(), fresh) : example;
      if (one.getValue().range().isJson() && body != null) {
        return answer.json(body).header("Content-Type", one.getKey());
      }
      if (one.getValue().range().isPlainText() && body != null && body.isValueNode()) {
        return answer.text(body.asString()).header("Content-Type", one.getKey());
      }
    }
    return answer;
  }

  private static @Nullable JsonNode made(@Nullable DescribedSchema schema, Fresh fresh) {
    return schema == null ? null : Examples.of(schema.compiled().view(), fresh).orElse(null);
  }

  /** What of a request is not as described, whatever was answered to it. */
  List<Finding> findings(Exchange visit, String address) {
    Facts facts = ExchangeFacts.of(visit, address);
    Facts accepted = new Facts(facts.sent(), new Facts.Came(200, List.of(), Facts.Body.NONE));
    return holding.held(accepted).deviations().stream()
        .filter(one -> OF_REQUESTS.contains(one.subject().rule()))
        .map(Deviation::finding)
        .map(one -> one.got(one.got().replace(", and the call was accepted", "")))
        .toList();
  }
}
