package org.oddlantern.internal.described;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.description.ApiDocument;
import org.oddlantern.internal.description.DescribedSchema;
import org.oddlantern.internal.description.MediaType;
import org.oddlantern.internal.description.Operation;
import org.oddlantern.internal.description.Parameter;
import org.oddlantern.internal.description.Security;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;
import org.oddlantern.json.NotJson;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.schema.internal.Misfit;
import org.oddlantern.schema.internal.SchemaView;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** Holds what was sent against an operation. For one exchange. */
final class SentHolding {

  private static final Set<String> NOT_DESCRIBED =
      Set.of("accept", "content-type", "authorization");

  private final ApiDocument document;
  private final Operation operation;
  private final Facts.Sent sent;
  private final Proposals proposals;
  private final boolean strict;
  private final Map<String, String> variables;
  private final Map<String, List<String>> query;
  private final Map<String, List<String>> cookies;
  private final Set<String> used = new LinkedHashSet<>();
  private final List<Deviation> found = new ArrayList<>();
  private String type = "";

  SentHolding(
      ApiDocument document,
      Operation operation,
      Facts.Sent sent,
      Map<String, String> variables,
      Proposals proposals,
      boolean strict) {
    this.document = document;
    this.operation = operation;
    this.sent = sent;
    this.variables = variables;
    this.proposals = proposals;
    this.strict = strict;
    this.query = Where.parameters(sent.where().query());
    this.cookies = cookies(sent);
  }

  private static Map<String, List<String>> cookies(Facts.Sent sent) {
    Map<String, List<String>> cookies = new HashMap<>();
    for (String header : Facts.all(sent.headers(), "Cookie")) {
      cookies.putAll(Where.parameters(header.replaceAll(";\\s*", "&")));
    }
    return cookies;
  }

  /** The parameters that were sent. */
  Set<String> parameters() {
    return used;
  }

  /** The media type sent, as it is described. */
  String type() {
    return type;
  }

  /** What was sent though the description forbids it. */
  List<Deviation> deviations() {
    credentials();
    for (Parameter parameter : operation.parameters()) {
      if (parameter.in() != Parameter.In.HEADER
          || !NOT_DESCRIBED.contains(parameter.name().toLowerCase(Locale.ROOT))) {
        hold(parameter);
      }
    }
    body();
    return found;
  }

  private void credentials() {
    Security security = operation.security();
    if (security.isOpen() || !security.canBeSeen()) {
      return;
    }
    boolean proven = security.ways().stream().flatMap(List::stream).anyMatch(this::isProven);
    if (!proven) {
      List<String> names = security.ways().stream()
          .flatMap(List::stream)
          .map(Security.Scheme::title)
          .distinct()
          .toList();
      found.add(new Deviation(
          subject(Deviation.Rule.CREDENTIALS, ""),
          Finding.of(
              "the credentials",
              "what proves who calls (" + String.join(" or ", names) + "), says " + document.name()
                  + "#" + operation.pointer(),
              "none at all, and the call was accepted"),
          Proposal.NONE));
    }
  }

  private boolean isProven(Security.Scheme scheme) {
    return switch (scheme.in()) {
      case "query" -> query.containsKey(scheme.name());
      case "cookie" -> cookies.containsKey(scheme.name());
      default -> Facts.first(sent.headers(), scheme.name()).isPresent();
    };
  }

  private void hold(Parameter parameter) {
    String words = "the " + parameter.in().word() + " parameter " + parameter.name();
    String raw = raw(parameter);
    JsonNode value = raw == null ? values(parameter) : value(parameter, raw);
    String about = parameter.in().word() + " " + parameter.name();
    if (value == null && raw == null) {
      if (parameter.required()) {
        found.add(new Deviation(
            subject(Deviation.Rule.PARAMETER, about + " missing"),
            Finding.nothing(
                words,
                "it, since it is required, says " + document.name() + "#" + parameter.pointer(),
                "it was not sent, and the call was accepted"),
            proposals.optional(parameter.pointer())));
      }
      return;
    }
    used.add(about);
    if (value == null) {
      found.add(new Deviation(
          subject(Deviation.Rule.PARAMETER, about + " writing"),
          Finding.of(
              words,
              "written in the style " + parameter.writing().style().word() + ", says "
                  + document.name() + "#" + parameter.pointer(),
              raw + ", and the call was accepted"),
          Proposal.NONE));
      return;
    }
    DescribedSchema schema = parameter.schema();
    if (schema != null) {
      for (Misfit misfit : schema.compiled().misfits(Location.ROOT, value)) {
        add(Deviation.Rule.PARAMETER, misfit, words);
      }
    }
  }

  private static @Nullable SchemaView view(Parameter parameter) {
    DescribedSchema schema = parameter.schema();
    return schema == null ? null : schema.compiled().view();
  }

  /** The text of a parameter that is one text; null if it is not there, or stands in the query. */
  private @Nullable String raw(Parameter parameter) {
    return switch (parameter.in()) {
      case PATH -> variables.get(parameter.name());
      case HEADER -> {
        List<String> all = Facts.all(sent.headers(), parameter.name());
        yield all.isEmpty() ? null : String.join(",", all);
      }
      default -> null;
    };
  }

  private @Nullable JsonNode value(Parameter parameter, String raw) {
    UnaryOperator<String> decoding = parameter.in() == Parameter.In.PATH
        ? text -> Where.decoded(text.replace("+", "%2B"))
        : String::trim;
    return parameter.json()
        ? json(decoding.apply(raw))
        : new WrittenValue(parameter.name(), parameter.writing(), view(parameter))
            .in(raw, decoding);
  }

  private @Nullable JsonNode values(Parameter parameter) {
    Map<String, List<String>> from = parameter.in() == Parameter.In.COOKIE ? cookies : query;
    if (parameter.json()) {
      List<String> raws = from.get(parameter.name());
      return raws == null ? null : json(Where.decoded(raws.get(0)));
    }
    return new WrittenValue(parameter.name(), parameter.writing(), view(parameter)).in(from);
  }

  private static @Nullable JsonNode json(String text) {
    try {
      return JsonMapping.standard().parse(text);
    } catch (NotJson e) {
      return null;
    }
  }

  private void body() {
    Operation.RequestBody body = operation.body();
    if (body == null) {
      return;
    }
    if (sent.body().isNone()) {
      if (body.required()) {
        found.add(new Deviation(
            subject(Deviation.Rule.SENT_BODY, "missing"),
            Finding.nothing(
                "the body that was sent",
                "one, since it is required, says " + document.name() + "#" + body.pointer(),
                "none was sent, and the call was accepted"),
            proposals.optional(body.pointer())));
      }
      return;
    }
    String contentType = Facts.contentType(sent.headers());
    Map.Entry<String, MediaType> described = body.content().of(contentType);
    if (described == null) {
      undescribedType(body, contentType);
      return;
    }
    type = described.getKey();
    judge(described.getValue(), contentType, body.pointer());
  }

  private void undescribedType(Operation.RequestBody body, String contentType) {
    if (!body.content().isEmpty() && !contentType.isEmpty()) {
      found.add(new Deviation(
          subject(Deviation.Rule.SENT_TYPE, contentType),
          Finding.of(
              "the header Content-Type of the call",
              body.content().words() + ", says " + document.name() + "#" + body.pointer(),
              contentType + ", and the call was accepted"),
          proposals.type(body.pointer(), contentType, null)));
    }
  }

  private void judge(MediaType described, String contentType, String pointer) {
    for (Facts.Field field : sent.body().fields()) {
      MediaType.Encoding encoding = described.encoding().get(field.name());
      if (encoding != null && !encoding.takes(field.contentType())) {
        undescribedPart(field, encoding, pointer);
      }
    }
    BodyReading read = BodyReading.of(sent.body(), contentType, described);
    JsonNode tree = read.tree();
    DescribedSchema schema = described.schema();
    if (tree == null || schema == null) {
      return;
    }
    for (Misfit misfit : schema.compiled().misfits(Location.ROOT, tree)) {
      if (strict || !misfit.keyword().equals("readOnly")) {
        add(
            Deviation.Rule.SENT_BODY,
            misfit,
            "what was sent, " + misfit.finding().where());
      }
    }
  }

  private void undescribedPart(Facts.Field field, MediaType.Encoding encoding, String pointer) {
    found.add(new Deviation(
        subject(Deviation.Rule.SENT_TYPE, "part " + field.name() + " " + field.contentType()),
        Finding.of(
            "the Content-Type of the part " + field.name(),
            encoding.contentType() + ", says " + document.name() + "#" + pointer,
            (field.contentType().isEmpty() ? "none, which is text/plain" : field.contentType())
                + ", and the call was accepted"),
        Proposal.NONE));
  }

  private void add(Deviation.Rule rule, Misfit misfit, String where) {
    if (CameHolding.isKnown(misfit.value())) {
      Finding finding = misfit.finding();
      found.add(new Deviation(
          subject(rule, CameHolding.about(misfit)),
          finding.at(where).got(finding.got() + ", and the call was accepted"),
          proposals.of(misfit)));
    }
  }

  private Deviation.Subject subject(Deviation.Rule rule, String about) {
    return new Deviation.Subject(operation.line(), rule, about);
  }
}
