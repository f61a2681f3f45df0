package org.oddlantern.http;

import java.util.List;
import org.oddlantern.internal.Needed;
import org.oddlantern.internal.described.KnownDescriptions;
import org.oddlantern.internal.description.ApiDocument;
import org.oddlantern.json.internal.NearestMatch;
import org.oddlantern.schema.Recipes;

/**
 * The description of an API (OpenAPI 3.0 or 3.1), for samples of cases. To hold calls against it nothing
 * but {@link Service#describedBy} or the settings is needed. Immutable and thread-safe.
 *
 * <pre>{@code
 * Description.named("beeyard.yaml").operation("POST /hives").wrong()
 * }</pre>
 */
public final class Description {

  private final ApiDocument document;

  private Description(ApiDocument document) {
    this.document = document;
  }

  /**
   * Reads a description from a file.
   *
   * @param file on the class path of the suites or in the folder of the settings file, JSON or YAML
   * @throws IllegalArgumentException if there is no such file, or it cannot be used; or if it is the path of
   *     a service, which cannot be asked while a run is planned
   */
  public static Description named(String file) {
    Needed.of(file, "named(file): file");
    if (file.startsWith("/")) {
      throw new IllegalArgumentException(
          "samples are made before anything is sent, so the service cannot be" + " asked for "
              + file + "; keep the description in a file");
    }
    return new Description(KnownDescriptions.current().named(file));
  }

  /**
   * An operation.
   *
   * @param line its method and path, as the description writes them: {@code POST /hives}
   * @throws IllegalArgumentException if there is none, with the nearest
   */
  public Operation operation(String line) {
    Needed.of(line, "operation(line): line");
    return document.operations().stream()
        .filter(one -> one.line().equals(line.strip()))
        .findFirst()
        .map(one -> new Operation(document, one))
        .orElseThrow(() -> {
          List<String> all = document.operations().stream()
              .map(org.oddlantern.internal.description.Operation::line)
              .toList();
          return new IllegalArgumentException(document.name() + " describes no operation '" + line
              + "'"
              + NearestMatch.among(line, all)
                  .map(near -> "; did you mean " + near + "?")
                  .orElse(""));
        });
  }

  /** One operation of a description. Immutable and thread-safe. */
  public static final class Operation {

    private final ApiDocument document;
    private final org.oddlantern.internal.description.Operation operation;

    private Operation(
        ApiDocument document, org.oddlantern.internal.description.Operation operation) {
      this.document = document;
      this.operation = operation;
    }

    /**
     * The ways to make a good call of it wrong: each parameter missing or of a value that its schema refuses,
     * each way to break its body ({@code Schema.wrong}), no credentials, a body that is no JSON or of another
     * content type, an {@code Accept} that nobody can meet, a method that is not described. What a service
     * says to any of them is a refusal (4xx), never an error of its own (5xx).
     *
     * @return the ways, for samples; {@link Recipes#leftOut} says which could not be proven
     */
    public Recipes<WrongCall> wrong() {
      return new WrongCalls(document, operation).found();
    }
  }
}
