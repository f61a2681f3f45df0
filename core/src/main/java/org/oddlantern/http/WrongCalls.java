package org.oddlantern.http;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.UnaryOperator;
import org.oddlantern.internal.described.TypedText;
import org.oddlantern.internal.description.ApiDocument;
import org.oddlantern.internal.description.DescribedSchema;
import org.oddlantern.internal.description.MediaType;
import org.oddlantern.internal.description.Operation;
import org.oddlantern.internal.description.Parameter;
import org.oddlantern.json.Json;
import org.oddlantern.json.internal.Trees;
import org.oddlantern.schema.Recipes;
import org.oddlantern.schema.internal.CompiledSchema;
import org.oddlantern.schema.internal.make.Change;
import org.oddlantern.schema.internal.make.ChangedPayload;
import org.oddlantern.schema.internal.make.Changes;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** Finds the ways to make a good call of an operation wrong. */
final class WrongCalls {

  private static final String NOBODY_HAS = "application/x-nobody-has-this";

  private final ApiDocument document;
  private final Operation operation;
  private final List<WrongCall> found = new ArrayList<>();
  private final List<String> leftOut = new ArrayList<>();

  WrongCalls(ApiDocument document, Operation operation) {
    this.document = document;
    this.operation = operation;
  }

  Recipes<WrongCall> found() {
    operation.parameters().forEach(this::parameter);
    body();
    if (!operation.security().isOpen()) {
      add("nobody has signed in", "credentials", "no credentials", Call::anonymously);
    }
    boolean answers = operation.answers().values().stream()
        .anyMatch(one -> one.status().startsWith("2") && !one.content().isEmpty());
    if (answers) {
      add(
          "nothing it has is accepted",
          "header Accept",
          "unmeetable Accept",
          call -> call.header("Accept", NOBODY_HAS));
    }
    Set<String> known = document.methods(operation.path());
    List.of("PATCH", "PUT", "POST").stream()
        .filter(method -> !known.contains(method))
        .findFirst()
        .ifPresent(method -> add(
            "the method is " + method,
            "method",
            "another method",
            call -> call.as(method, call.headers())));
    return Recipes.of(found, leftOut);
  }

  private void add(String what, String place, String rule, UnaryOperator<Call> change) {
    found.add(new WrongCall(what, place, rule, change));
  }

  private void parameter(Parameter parameter) {
    String place = parameter.in().word() + " " + parameter.name();
    boolean inPath = parameter.in() == Parameter.In.PATH;
    if (parameter.required() && !inPath) {
      add(parameter.name() + " is missing", place, "missing", call -> without(call, parameter));
    }
    DescribedSchema schema = parameter.schema();
    if (schema == null || parameter.json() || parameter.in() == Parameter.In.COOKIE) {
      return;
    }
    for (Change one : Changes.wrong(schema.compiled()).all()) {
      String value = one.way().isRoot() ? wrong(one.wrongValue(), schema) : "";
      if (!value.isEmpty() && !(inPath && value.isBlank())) {
        add(
            one.what().replaceFirst("^the value", parameter.name()),
            place,
            one.rule(),
            call -> with(call, parameter, value));
      }
    }
  }

  /** A value as text; empty if it is good as that, or cannot be written so. */
  private static String wrong(JsonNode value, DescribedSchema schema) {
    boolean written = value.isValueNode() && !value.isNull();
    String text = written ? value.asString() : "";
    return !text.isEmpty()
            && !schema.compiled().accepts(TypedText.of(text, schema.compiled().view()))
        ? text
        : "";
  }

  private static Call without(Call call, Parameter parameter) {
    return switch (parameter.in()) {
      case QUERY -> call.at(call.address().without(parameter.name()));
      case HEADER -> call.withoutHeader(parameter.name());
      default -> call;
    };
  }

  private Call with(Call call, Parameter parameter, String value) {
    return switch (parameter.in()) {
      case QUERY -> call.at(call.address().replacing(parameter.name(), value));
      case HEADER ->
        call.as(
            call.method(), call.headers().without(parameter.name()).with(parameter.name(), value));
      case PATH ->
        call.at(
            call.address().withArgument(operation.path().names().indexOf(parameter.name()), value));
      default -> call;
    };
  }

  private void body() {
    Operation.RequestBody body = operation.body();
    if (body == null) {
      return;
    }
    if (body.required()) {
      add("there is no body", "body", "missing", call -> call.with(new Body.None()));
    }
    for (Map.Entry<String, MediaType> one : body.content().types().entrySet()) {
      if (one.getValue().range().isJson()) {
        json(one.getKey(), one.getValue());
        return;
      }
    }
  }

  private void json(String type, MediaType media) {
    add("the body is no JSON", "body", "no JSON", call -> call.with(new Body.Text("{\"", type)));
    add(
        "the body is of another content type",
        "header Content-Type",
        "another content type",
        call -> call.with(new Body.Text("a;b", NOBODY_HAS)));
    DescribedSchema schema = media.schema();
    if (schema == null) {
      return;
    }
    try {
      Changes changes = Changes.wrong(schema.compiled());
      leftOut.addAll(changes.leftOut());
      for (Change one : changes.all()) {
        add(one.what(), one.place(), one.rule(), call -> broken(call, one, schema.compiled()));
      }
    } catch (IllegalArgumentException e) {
      leftOut.add(String.valueOf(e.getMessage()));
    }
  }

  private static Call broken(Call call, Change change, CompiledSchema schema) {
    if (!(call.body() instanceof Body.Json json)) {
      throw new IllegalArgumentException(
          change.what() + ": the good call has no JSON body that was made of a value");
    }
    Object value = json.value();
    if (value == null) {
      throw new IllegalArgumentException(change.what() + ": the body of the good call is null");
    }
    return call.with(new Body.Json(
        new ChangedPayload(value, good -> Json.of(change.in(Trees.of(good), schema)))));
  }
}
