package org.oddlantern.internal.description;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** Reads one operation of a description. */
final class OperationReading {

  private final References references;
  private final ContentReading contents;
  private final Map<String, Security.Scheme> schemes;
  private final Security usual;

  /**
   * A reading.
   *
   * @param references follows references
   * @param contents reads what bodies look like
   * @param schemes what can prove who calls
   * @param usual what proves who calls where an operation says nothing
   */
  OperationReading(
      References references,
      ContentReading contents,
      Map<String, Security.Scheme> schemes,
      Security usual) {
    this.references = references;
    this.contents = contents;
    this.schemes = schemes;
    this.usual = usual;
  }

  Operation read(String method, PathTemplate path, Part item, Part part) {
    part.knowing("parameters", "requestBody", "responses", "security", "deprecated", "servers");
    Map<String, Parameter> parameters = new LinkedHashMap<>();
    add(item, parameters);
    add(part, parameters);
    Part body = part.at("requestBody");
    List<String> tags = new ArrayList<>();
    part.node().path("tags").forEach(tag -> tags.add(tag.asString("")));
    return new Operation(
        method.toUpperCase(Locale.ROOT),
        path,
        new Operation.About(
            part.text("operationId"), part.text("summary"), tags, part.flag("deprecated", false)),
        List.copyOf(parameters.values()),
        body.node().isMissingNode() ? null : body(body),
        answers(part),
        part.has("security") ? security(part, schemes) : usual,
        part.pointer());
  }

  /** Those of an operation stand in the stead of those of its path. */
  private void add(Part holder, Map<String, Parameter> parameters) {
    List<String> own = new ArrayList<>();
    for (Part part : holder.items("parameters")) {
      Parameter parameter = contents.parameter(references.followed(part));
      String key = parameter.in() + " " + parameter.name();
      if (own.contains(key)) {
        throw part.problem("the parameter '%s' in %s occurs twice"
            .formatted(parameter.name(), parameter.in().word()));
      }
      own.add(key);
      parameters.put(key, parameter);
    }
  }

  private Operation.RequestBody body(Part start) {
    Part part = references.followed(start).knowing("content", "required");
    if (!part.has("content")) {
      throw part.missing("content");
    }
    return new Operation.RequestBody(
        part.flag("required", false), contents.content(part, true), part.pointer());
  }

  private Map<String, Answer> answers(Part operation) {
    Map<String, Answer> answers = new LinkedHashMap<>();
    operation.members("responses").forEach((written, start) -> {
      String status = Operation.statusKey(written);
      if (!status.matches("default|[1-5](\\d\\d|XX)")) {
        throw start.problem(
            "'" + written + "' is no status; wanted one like 404, a class like 4XX, or default");
      }
      Part part = references.followed(start).knowing("content", "headers");
      answers.put(
          status,
          new Answer(status, contents.content(part, false), headers(part), start.pointer()));
    });
    return answers;
  }

  private List<Parameter> headers(Part answer) {
    List<Parameter> headers = new ArrayList<>();
    answer.members("headers").forEach((name, part) -> {
      // RFC 9110, section 8.3: the content says it
      if (!name.equalsIgnoreCase("Content-Type")) {
        headers.add(contents.header(name, references.followed(part)));
      }
    });
    return headers;
  }

  /** What a list of ways says; {@link Security#NONE} if there is none. */
  static Security security(Part holder, Map<String, Security.Scheme> schemes) {
    List<List<Security.Scheme>> ways = new ArrayList<>();
    for (Part way : holder.items("security")) {
      List<Security.Scheme> all = new ArrayList<>();
      for (Map.Entry<String, JsonNode> one : way.object().node().properties()) {
        Security.@Nullable Scheme scheme = schemes.get(one.getKey());
        if (scheme == null) {
          throw way.at(one.getKey())
              .problem("there is no scheme '" + one.getKey()
                  + "' under components/securitySchemes; it has "
                  + (schemes.isEmpty() ? "none" : String.join(", ", schemes.keySet())));
        }
        all.add(scheme);
      }
      ways.add(all);
    }
    return new Security(ways);
  }
}
