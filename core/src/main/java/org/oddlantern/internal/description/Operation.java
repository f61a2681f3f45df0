package org.oddlantern.internal.description;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * An operation of a description: a method at a path.
 *
 * @param method the method, in capitals
 * @param path the path
 * @param about what is said of it in general
 * @param parameters its parameters
 * @param body the body of its requests; null if it has none
 * @param answers the replies, by status as it is written
 * @param security what proves who calls
 * @param pointer where it stands
 */
public record Operation(
    String method,
    PathTemplate path,
    About about,
    List<Parameter> parameters,
    @Nullable RequestBody body,
    Map<String, Answer> answers,
    Security security,
    String pointer) {

  /** Keeps its own lists. */
  public Operation {
    parameters = List.copyOf(parameters);
    answers = Collections.unmodifiableMap(new LinkedHashMap<>(answers));
  }

  /**
   * The operation in one line.
   *
   * @return {@code GET /hives/{id}}
   */
  public String line() {
    return method + " " + path;
  }

  /** What is said of replies of a status: itself, else its class, else the rest. */
  public Optional<Answer> answer(int status) {
    for (String key : List.of(String.valueOf(status), status / 100 + "XX", "default")) {
      Answer answer = answers.get(key);
      if (answer != null) {
        return Optional.of(answer);
      }
    }
    return Optional.empty();
  }

  /**
   * What is said of an operation in general.
   *
   * @param id its name for programs; may be empty
   * @param summary a sentence on it; may be empty
   * @param tags its groups
   * @param deprecated whether it should not be called any more
   */
  public record About(String id, String summary, List<String> tags, boolean deprecated) {

    /** Keeps its own list. */
    public About {
      tags = List.copyOf(tags);
    }
  }

  /**
   * The body of a request.
   *
   * @param required whether there must be one
   * @param content its types
   * @param pointer where it stands
   */
  public record RequestBody(boolean required, Content content, String pointer) {}

  /** The key under which replies of a status are told. */
  static String statusKey(String written) {
    String upper = written.toUpperCase(Locale.ROOT);
    return upper.equals("DEFAULT") ? "default" : upper;
  }
}
