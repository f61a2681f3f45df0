package org.oddlantern.internal.described;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Consumer;
import org.oddlantern.internal.description.Answer;
import org.oddlantern.internal.description.DescribedSchema;
import org.oddlantern.internal.description.DescriptionProblem;
import org.oddlantern.internal.description.MediaType;
import org.oddlantern.internal.description.Operation;
import org.oddlantern.internal.description.Parameter;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/** How much of an operation was seen. Filled by one thread, then thread-safe. */
public final class OperationCoverage {

  private final Operation operation;
  private final Set<String> cases = new LinkedHashSet<>();
  private final Map<Integer, Integer> statuses = new TreeMap<>();
  private final Set<Integer> undescribed = new LinkedHashSet<>();
  private final Set<String> answers = new LinkedHashSet<>();
  private final Set<String> parameters = new LinkedHashSet<>();
  private final Set<String> sentTypes = new LinkedHashSet<>();
  private final Set<String> cameTypes = new LinkedHashSet<>();
  private final Map<String, DescribedPlaces> places = new LinkedHashMap<>();
  private final Consumer<String> problems;
  private int calls;

  OperationCoverage(Operation operation, Consumer<String> problems) {
    this.operation = operation;
    this.problems = problems;
  }

  void add(Held held, int status, String caseId) {
    calls++;
    cases.add(caseId);
    parameters.addAll(held.parameters());
    sentTypes.add(held.sentType());
    Answer answer = held.answer();
    if (status > 0) {
      statuses.merge(status, 1, Integer::sum);
      if (answer == null) {
        undescribed.add(status);
      }
    }
    if (answer != null) {
      answers.add(answer.status());
      String type = held.cameType();
      cameTypes.add(answer.status() + " " + type);
      JsonNode tree = held.cameTree();
      MediaType media = answer.content().types().get(type);
      DescribedSchema schema = media == null ? null : media.schema();
      if (tree != null && schema != null) {
        places(answer.status(), type, schema).see(tree);
      }
    }
  }

  private synchronized DescribedPlaces places(String status, String type, DescribedSchema schema) {
    return places.computeIfAbsent(status + " " + type, any -> grown(schema));
  }

  private DescribedPlaces grown(DescribedSchema schema) {
    try {
      return DescribedPlaces.of(schema.compiled().view());
    } catch (DescriptionProblem e) {
      problems.accept(String.valueOf(e.getMessage()));
      return DescribedPlaces.none();
    }
  }

  /** The operation. */
  public Operation operation() {
    return operation;
  }

  /** How often it was called. */
  public int calls() {
    return calls;
  }

  /** Whether it was called. */
  public boolean isCalled() {
    return calls > 0;
  }

  /** The cases that called it. */
  public List<String> cases() {
    return List.copyOf(cases);
  }

  /** Every status that is described, or came. */
  public List<Status> statuses() {
    List<Status> all = new ArrayList<>();
    operation
        .answers()
        .keySet()
        .forEach(written ->
            all.add(new Status(written, true, answers.contains(written), came(written))));
    undescribed.forEach(status ->
        all.add(new Status(String.valueOf(status), false, true, statuses.getOrDefault(status, 0))));
    return all;
  }

  private int came(String written) {
    return statuses.entrySet().stream()
        .filter(one -> operation
            .answer(one.getKey())
            .map(answer -> answer.status().equals(written))
            .orElse(false))
        .mapToInt(Map.Entry::getValue)
        .sum();
  }

  /** Every parameter that is described. */
  public List<Part> parameters() {
    return operation.parameters().stream()
        .map(one -> new Part(words(one), parameters.contains(words(one))))
        .toList();
  }

  private static String words(Parameter parameter) {
    return parameter.in().word() + " " + parameter.name();
  }

  /** Every media type that is described, of what is sent and of what comes. */
  public List<Part> types() {
    List<Part> types = new ArrayList<>();
    Operation.RequestBody body = operation.body();
    if (body != null) {
      body.content()
          .types()
          .keySet()
          .forEach(type -> types.add(new Part("sent " + type, sentTypes.contains(type))));
    }
    operation
        .answers()
        .values()
        .forEach(answer -> answer.content().types().keySet().forEach(type -> {
          String words = answer.status() + " " + type;
          types.add(new Part(words, cameTypes.contains(words)));
        }));
    return types;
  }

  /** Every place that the schemas of its replies name, by status. */
  public Map<String, List<Place>> places() {
    Map<String, List<Place>> all = new LinkedHashMap<>();
    operation
        .answers()
        .values()
        .forEach(answer -> answer.content().types().forEach((type, media) -> {
          DescribedSchema schema = media.schema();
          if (schema != null) {
            List<Place> those = places(answer.status(), type, schema).all();
            if (!those.isEmpty()) {
              all.computeIfAbsent(answer.status(), any -> new ArrayList<>()).addAll(those);
            }
          }
        }));
    return all;
  }

  /** Whether a place of a reply must be there, and so must all around it. */
  public boolean requires(int status, String place) {
    Optional<Answer> answer = operation.answer(status);
    if (answer.isEmpty()) {
      return false;
    }
    if (place.equals("status")) {
      return true;
    }
    if (place.startsWith("header ")) {
      String header = place.substring("header ".length());
      return answer.get().headers().stream()
          .anyMatch(one -> one.required() && one.name().equalsIgnoreCase(header));
    }
    return answer.get().content().types().entrySet().stream()
        .filter(one -> one.getValue().schema() != null)
        .anyMatch(one -> {
          DescribedSchema schema = one.getValue().schema();
          return schema != null
              && places(answer.get().status(), one.getKey(), schema).all().stream()
                  .anyMatch(each -> each.required() && each.path().equals(place));
        });
  }

  /**
   * A status.
   *
   * @param written as it is described, or came: {@code 201}, {@code 4XX}, {@code default}
   * @param described whether it is described
   * @param seen whether it came
   * @param count how often
   */
  public record Status(String written, boolean described, boolean seen, int count) {}

  /**
   * A parameter, or a media type.
   *
   * @param words what it is
   * @param seen whether it was used
   */
  public record Part(String words, boolean seen) {}

  /**
   * A place of a reply.
   *
   * @param path where, as a JSONPath
   * @param required whether it must be there
   * @param seen whether it ever came
   * @param values the values it may have, if they are few and named
   * @param unseen those of them that never came
   */
  public record Place(
      String path, boolean required, boolean seen, List<String> values, List<String> unseen) {

    /** Keeps its own lists. */
    public Place {
      values = List.copyOf(values);
      unseen = List.copyOf(unseen);
    }
  }
}
