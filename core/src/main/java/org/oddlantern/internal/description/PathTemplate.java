package org.oddlantern.internal.description;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * The path of an operation, with variables: {@code /hives/{id}/jars} (OpenAPI 3.1, Path Templating).
 *
 * @param text as it is written
 * @param names the names of its variables in order
 * @param pattern what it matches
 */
public record PathTemplate(String text, List<String> names, Pattern pattern) {

  private static final Pattern VARIABLE = Pattern.compile("\\{([^{}/]*)}");

  /** Keeps its own list. */
  public PathTemplate {
    names = List.copyOf(names);
  }

  static PathTemplate of(String text) {
    List<String> names = new ArrayList<>();
    StringBuilder pattern = new StringBuilder();
    Matcher variable = VARIABLE.matcher(text);
    int from = 0;
    while (variable.find()) {
      pattern.append(Pattern.quote(text.substring(from, variable.start()))).append("([^/]+)");
      names.add(variable.group(1));
      from = variable.end();
    }
    pattern.append(Pattern.quote(text.substring(from)));
    return new PathTemplate(text, names, Pattern.compile(pattern.toString()));
  }

  /** The same path whatever its variables are named: two such cannot be told apart. */
  String shape() {
    return VARIABLE.matcher(text).replaceAll("{}");
  }

  int fixedLength() {
    return shape().length() - 2 * names.size();
  }

  /** The step that has variables in it, in the stead of what is written there. */
  static final String ANY = "{}";

  /** How it is found among others: the parts between slashes, {@link #ANY} for those with variables. */
  List<String> steps() {
    List<String> steps = new ArrayList<>();
    for (String step : text.split("/", -1)) {
      steps.add(step.indexOf('{') >= 0 && VARIABLE.matcher(step).find() ? ANY : step);
    }
    return steps;
  }

  /**
   * The texts of its variables in a path, as they are written there; null if it does not match.
   *
   * @param path a path, percent-encoded
   */
  public @Nullable Map<String, String> variables(String path) {
    Matcher matcher = pattern.matcher(path);
    if (!matcher.matches()) {
      return null;
    }
    Map<String, String> variables = new LinkedHashMap<>();
    for (int i = 0; i < names.size(); i++) {
      variables.put(names.get(i), matcher.group(i + 1));
    }
    return variables;
  }

  @Override
  public String toString() {
    return text;
  }
}
