package org.oddlantern.internal.described;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.description.Answer;
import org.oddlantern.internal.description.ApiDocument;
import org.oddlantern.internal.description.DescribedSchema;
import org.oddlantern.internal.description.MediaType;
import org.oddlantern.internal.description.Operation;
import org.oddlantern.internal.description.Parameter;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;
import org.oddlantern.schema.internal.Misfit;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** Holds what came back against an operation. For one exchange. */
final class CameHolding {

  private final ApiDocument document;
  private final Operation operation;
  private final Facts.@Nullable Came came;
  private final String method;
  private final Proposals proposals;
  private final List<Deviation> found = new ArrayList<>();
  private @Nullable Answer answer;
  private String type = "";
  private @Nullable JsonNode tree;

  CameHolding(
      ApiDocument document,
      Operation operation,
      Facts.@Nullable Came came,
      String method,
      Proposals proposals) {
    this.document = document;
    this.operation = operation;
    this.came = came;
    this.method = method;
    this.proposals = proposals;
  }

  /** What is said of its status; null if nothing. */
  @Nullable
  Answer answer() {
    return answer;
  }

  /** The media type that came, as it is described. */
  String type() {
    return type;
  }

  /** The body that came; null if it is no value. */
  @Nullable
  JsonNode tree() {
    return tree;
  }

  List<Deviation> deviations() {
    Facts.Came came = this.came;
    if (came == null) {
      return found;
    }
    Answer described = operation.answer(came.status()).orElse(null);
    answer = described;
    if (described == null) {
      status(came);
      return found;
    }
    for (Parameter header : described.headers()) {
      hold(header, came);
    }
    if (!method.equals("HEAD") && !came.body().isNone()) {
      body(described, came);
    }
    return found;
  }

  private void status(Facts.Came came) {
    found.add(new Deviation(
        subject(Deviation.Rule.STATUS, String.valueOf(came.status())),
        Finding.of(
            "the status",
            statuses() + ", says " + document.name() + "#" + operation.pointer() + "/responses",
            String.valueOf(came.status())),
        proposals.status(operation, came)));
  }

  private String statuses() {
    List<String> all = new ArrayList<>(operation.answers().keySet());
    return all.isEmpty() ? "no status at all" : String.join(" or ", all);
  }

  private void hold(Parameter header, Facts.Came came) {
    List<String> values = Facts.all(came.headers(), header.name());
    String words = "the header " + header.name();
    String about = came.status() + " " + header.name();
    if (values.isEmpty()) {
      if (header.required()) {
        found.add(new Deviation(
            subject(Deviation.Rule.HEADER, about + " missing"),
            Finding.nothing(
                words,
                "it, since it is required, says " + document.name() + "#" + header.pointer(),
                "it is missing"),
            proposals.optional(header.pointer())));
      }
      return;
    }
    DescribedSchema schema = header.schema();
    if (schema == null) {
      return;
    }
    JsonNode value = new WrittenValue(
            header.name(), header.writing(), schema.compiled().view())
        .in(String.join(",", values), String::trim);
    if (value != null) {
      for (Misfit misfit : schema.compiled().misfits(Location.ROOT, value)) {
        if (isKnown(misfit.value())) {
          found.add(new Deviation(
              subject(Deviation.Rule.HEADER, about(misfit)),
              misfit.finding().at(words),
              proposals.of(misfit)));
        }
      }
    }
  }

  private void body(Answer described, Facts.Came came) {
    String contentType = Facts.contentType(came.headers());
    Map.Entry<String, MediaType> entry = described.content().of(contentType);
    if (entry == null) {
      String wanted =
          described.content().isEmpty() ? "no body" : described.content().words();
      found.add(new Deviation(
          subject(Deviation.Rule.TYPE, described.status() + " " + contentType),
          Finding.of(
              "the header Content-Type",
              wanted + " for " + described.status() + ", says " + document.name() + "#"
                  + described.pointer(),
              contentType.isEmpty() ? "a body without a content type" : contentType),
          proposals.type(described.pointer(), contentType, came.body())));
      return;
    }
    type = entry.getKey();
    judge(entry.getValue(), contentType, came);
  }

  private void judge(MediaType described, String contentType, Facts.Came came) {
    BodyReading read = BodyReading.of(came.body(), contentType, described);
    if (!read.problem().isEmpty()) {
      found.add(new Deviation(
          subject(Deviation.Rule.BODY, came.status() + " not JSON"),
          Finding.of("the body", "JSON, as its content type says", read.problem()),
          Proposal.NONE));
      return;
    }
    JsonNode value = read.tree();
    tree = value;
    DescribedSchema schema = described.schema();
    if (value == null || schema == null) {
      return;
    }
    for (Misfit misfit : schema.compiled().misfits(Location.ROOT, value)) {
      if (isKnown(misfit.value())) {
        found.add(new Deviation(
            subject(Deviation.Rule.BODY, about(misfit)), misfit.finding(), proposals.of(misfit)));
      }
    }
  }

  /** A place of a schema, and what stands there: another unknown field is another deviation. */
  static String about(Misfit misfit) {
    String keyword = misfit.keyword();
    boolean ofValue = keyword.equals("enum") || keyword.equals("const");
    boolean ofName = keyword.equals("additionalProperties") || keyword.equals("required");
    String more = ofValue
        ? " " + misfit.value()
        : ofName ? " " + misfit.finding().wanted().replaceAll(", says .*", "") : "";
    return misfit.schema().document() + "#" + misfit.schema().pointer() + "/" + keyword + more;
  }

  /** Whether a value is all there: what is masked fits everything. */
  static boolean isKnown(JsonNode value) {
    return value.isContainer() || !value.asString("").contains(Facts.MASK);
  }

  private Deviation.Subject subject(Deviation.Rule rule, String about) {
    return new Deviation.Subject(operation.line(), rule, about);
  }
}
