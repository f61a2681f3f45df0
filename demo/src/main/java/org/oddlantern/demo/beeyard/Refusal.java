package org.oddlantern.demo.beeyard;

import io.javalin.http.Context;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** An answer that refuses, as problem details (RFC 9457). */
final class Refusal extends RuntimeException {

  private static final long serialVersionUID = 1L;

  private final int status;
  private final transient List<FieldProblem> problems;

  private Refusal(int status, String detail, List<FieldProblem> problems) {
    super(detail);
    this.status = status;
    this.problems = problems;
  }

  static Refusal notSignedIn(String detail) {
    return new Refusal(401, detail, List.of());
  }

  static Refusal forbidden(String detail) {
    return new Refusal(403, detail, List.of());
  }

  static Refusal notFound(String detail) {
    return new Refusal(404, detail, List.of());
  }

  static Refusal unavailable(String detail) {
    return new Refusal(503, detail, List.of());
  }

  static Refusal conflict(String detail) {
    return new Refusal(409, detail, List.of());
  }

  static Refusal notJson(String detail) {
    return new Refusal(400, detail, List.of());
  }

  static Refusal invalid(List<FieldProblem> problems) {
    return new Refusal(422, "the hive cannot be stored like this", problems);
  }

  void answer(Context context) {
    Map<String, Object> body = new LinkedHashMap<>();
    body.put("status", status);
    body.put("detail", String.valueOf(getMessage()));
    if (!problems.isEmpty()) {
      body.put("problems", problems);
    }
    if (status == 401) {
      context.header("WWW-Authenticate", "Bearer");
    }
    context.status(status).json(body).contentType("application/problem+json");
  }

  void answerUnlessTold(Context context) {
    String type = context.res().getContentType();
    if (type == null || !type.startsWith("application/")) {
      answer(context);
    }
  }

  /**
   * What is wrong with a field.
   *
   * @param field its name
   * @param problem what is wrong
   */
  record FieldProblem(String field, String problem) {}
}
