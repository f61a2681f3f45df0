package org.oddlantern.demo.beeyard;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import tools.jackson.databind.JsonNode;

/**
 * What a keeper may say of a hive, checked.
 *
 * @param label its label
 * @param kind how it is built
 * @param queenYear the year of its queen
 * @param plot where it stands
 */
record HiveForm(String label, String kind, int queenYear, String plot) {

  private static final Set<String> FIELDS = Set.of("label", "kind", "queenYear", "plot");
  private static final List<String> KINDS = List.of("long", "stack", "straw");
  private static final int LONGEST_LABEL = 40;

  /** Reads the form; refuses it with one entry for each wrong field. */
  static HiveForm of(JsonNode body) {
    List<Refusal.FieldProblem> problems = new ArrayList<>();
    String label = text(body, "label", problems);
    if (label.length() > LONGEST_LABEL) {
      problems.add(
          new Refusal.FieldProblem("label", "must have at most " + LONGEST_LABEL + " characters"));
    }
    String kind = text(body, "kind", problems);
    if (!kind.isEmpty() && !KINDS.contains(kind)) {
      problems.add(new Refusal.FieldProblem("kind", "must be one of " + String.join(", ", KINDS)));
    }
    int queenYear = queenYear(body, problems);
    String plot = text(body, "plot", problems);
    body.propertyNames().stream()
        .filter(name -> !FIELDS.contains(name))
        .forEach(name -> problems.add(new Refusal.FieldProblem(name, "is not a field of a hive")));
    if (!problems.isEmpty()) {
      throw Refusal.invalid(problems);
    }
    return new HiveForm(label, kind, queenYear, plot);
  }

  private static String text(JsonNode body, String field, List<Refusal.FieldProblem> problems) {
    JsonNode value = body.path(field);
    if (value.isMissingNode() || value.isNull()) {
      problems.add(new Refusal.FieldProblem(field, "is missing"));
    } else if (!value.isString() || value.stringValue().isBlank()) {
      problems.add(new Refusal.FieldProblem(field, "must be a text that is not blank"));
    }
    return value.asString("");
  }

  private static int queenYear(JsonNode body, List<Refusal.FieldProblem> problems) {
    JsonNode value = body.path("queenYear");
    if (value.isMissingNode() || value.isNull()) {
      problems.add(new Refusal.FieldProblem("queenYear", "is missing"));
    } else if (!value.isInt() || value.intValue() < 2000 || value.intValue() > 2100) {
      problems.add(new Refusal.FieldProblem("queenYear", "must be a year from 2000 to 2100"));
    }
    return value.asInt(0);
  }
}
