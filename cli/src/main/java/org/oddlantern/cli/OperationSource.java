package org.oddlantern.cli;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.description.DescribedSchema;
import org.oddlantern.internal.description.MediaType;
import org.oddlantern.internal.description.Operation;
import org.oddlantern.internal.description.Parameter;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * Writes the call and the case of one operation.
 *
 * @param operation the operation
 * @param name what the call and the case are called
 * @param calls the class of the calls
 * @param file the file of the description
 */
record OperationSource(Operation operation, String name, String calls, String file) {

  /** What must be given to make the call. */
  private record Argument(
      String type, String name, String part, @Nullable String example) {}

  /** The name that an operation suggests. */
  static String suggested(Operation operation) {
    String id = operation.about().id();
    return id.isEmpty()
        ? operation.method().toLowerCase(Locale.ROOT) + " "
            + operation.path().text().replaceAll("\\{([^}]*)}", " by $1")
        : id;
  }

  /** The sentence that it is told by. */
  String title() {
    String summary = operation.about().summary().replaceAll("\\s+", " ").strip();
    return summary.isEmpty() ? operation.line() : summary;
  }

  /** The call, as a member of a class. */
  String call(RecordSources records) {
    List<Argument> arguments = arguments();
    List<String> inPath = new ArrayList<>();
    StringBuilder rest = new StringBuilder();
    for (Argument one : arguments) {
      if (one.part.isEmpty()) {
        inPath.add(one.name);
      } else {
        rest.append("\n        ").append(one.part);
      }
    }
    String method = operation.method();
    boolean usual =
        List.of("GET", "POST", "PUT", "PATCH", "DELETE", "HEAD", "OPTIONS").contains(method);
    String begin = usual
        ? "Call." + method.toLowerCase(Locale.ROOT) + "("
        : "Call.method(" + JavaNames.quoted(method) + ", ";
    return """
          /** %s%s%s. */
          static Call %s(%s) {
            return %s%s%s)%s
                .named(%s);
          }
        """.formatted(
            JavaNames.comment(operation.line()),
            title().equals(operation.line())
                ? ""
                : ": " + JavaNames.comment(title()).replaceFirst("\\.$", ""),
            bodyWords(records),
            name,
            String.join(
                ", ", arguments.stream().map(one -> one.type + " " + one.name).toList()),
            begin,
            JavaNames.quoted(operation.path().text()),
            inPath.isEmpty() ? "" : ", " + String.join(", ", inPath),
            rest,
            JavaNames.quoted(title()));
  }

  /** The case, as a member of a suite; pending where the description gives no example of what is needed. */
  String suiteCase(String title) {
    List<Argument> arguments = arguments();
    List<String> unknown = arguments.stream()
        .filter(one -> one.example == null)
        .map(Argument::name)
        .toList();
    String status = operation.answers().keySet().stream()
        .filter(one -> one.matches("2\\d\\d"))
        .findFirst()
        .orElse("\"2xx\"");
    if (!unknown.isEmpty()) {
      return """
            // %s gives no example of: %s
            @Pending
            @Case(%s)
            void %s() {}
          """.formatted(file, String.join(", ", unknown), JavaNames.quoted(title), name);
    }
    return """
          @Case(%s)
          void %s() {
            api.send(%s.%s(%s)).must(status(%s), asDescribed());
          }
        """.formatted(
            JavaNames.quoted(title),
            name,
            calls,
            name,
            String.join(
                ", ", arguments.stream().map(one -> String.valueOf(one.example)).toList()),
            status);
  }

  private List<Argument> arguments() {
    List<Argument> arguments = new ArrayList<>();
    JavaNames local = new JavaNames();
    for (String variable : operation.path().names()) {
      Parameter parameter = operation.parameters().stream()
          .filter(one -> one.in() == Parameter.In.PATH && one.name().equals(variable))
          .findFirst()
          .orElse(null);
      arguments.add(new Argument(
          "Object",
          local.method(JavaNames.plain(variable)),
          "",
          parameter == null ? null : example(parameter)));
    }
    for (Parameter one : operation.parameters()) {
      boolean sent = one.in() == Parameter.In.QUERY || one.in() == Parameter.In.HEADER;
      if (one.required() && sent) {
        String argument = local.method(JavaNames.plain(one.name()));
        arguments.add(new Argument(
            "Object",
            argument,
            "." + one.in().word() + "(" + JavaNames.quoted(one.name()) + ", " + argument + ")",
            example(one)));
      }
    }
    body(local, arguments);
    return arguments;
  }

  private void body(JavaNames local, List<Argument> arguments) {
    Operation.RequestBody body = operation.body();
    if (body == null) {
      return;
    }
    for (Map.Entry<String, MediaType> one : body.content().types().entrySet()) {
      if (one.getValue().range().isJson()) {
        JsonNode example = one.getValue().example();
        String argument = local.method("body");
        // a record, or a payload that varies one
        arguments.add(new Argument(
            "Object",
            argument,
            ".json(" + argument + ")",
            example == null
                ? null
                : "Payload.json(" + JavaNames.quoted(JsonMapping.standard().write(example)) + ")"));
        return;
      }
    }
    if (body.required()) {
      String argument = local.method("body");
      String type = body.content().types().keySet().stream().findFirst().orElse("text/plain");
      arguments.add(new Argument(
          "byte[]", argument, ".bytes(" + argument + ", " + JavaNames.quoted(type) + ")", null));
    }
  }

  /** What its JSON body is, in a comment; empty if it has none, or one of no kind in particular. */
  private String bodyWords(RecordSources records) {
    Operation.RequestBody body = operation.body();
    if (body == null) {
      return "";
    }
    for (MediaType one : body.content().types().values()) {
      DescribedSchema schema = one.schema();
      if (one.range().isJson() && schema != null) {
        String type = records.type(schema.compiled().view(), recordName(schema));
        return type.matches("\\w+") && !type.equals("Object")
            ? "; the body is a {@link " + type + "}, or a payload"
            : "";
      }
    }
    return "";
  }

  private String recordName(@Nullable DescribedSchema schema) {
    String reference = schema == null ? "" : schema.node().path("$ref").asString("");
    return reference.isEmpty()
        ? name + " body"
        : reference.substring(reference.lastIndexOf('/') + 1).replaceFirst("\\.(json|ya?ml)$", "");
  }

  private static @Nullable String example(Parameter parameter) {
    DescribedSchema schema = parameter.schema();
    if (schema == null) {
      return null;
    }
    for (String key : List.of("example", "default")) {
      JsonNode value = schema.node().path(key);
      if (value.isValueNode() && !value.isNull()) {
        return literal(value);
      }
    }
    JsonNode first = schema.node().path("examples").path(0);
    return first.isValueNode() && !first.isNull() ? literal(first) : null;
  }

  private static String literal(JsonNode value) {
    boolean small = value.isIntegralNumber() && value.canConvertToInt();
    return small || value.isBoolean() ? value.asString() : JavaNames.quoted(value.asString());
  }
}
