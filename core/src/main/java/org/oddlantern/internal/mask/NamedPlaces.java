package org.oddlantern.internal.mask;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.oddlantern.json.Location;
import org.oddlantern.json.NotJson;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.path.TreePath;
import org.oddlantern.shaded.tools.jackson.core.JacksonException;
import org.oddlantern.shaded.tools.jackson.core.JsonParser;
import org.oddlantern.shaded.tools.jackson.core.JsonToken;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * The places of bodies and addresses whose values are hidden, whatever they are: {@code $.name} at any
 * depth, other paths exactly; a name counts in forms and queries too.
 */
final class NamedPlaces {

  private final Set<String> names = new HashSet<>();
  private final List<TreePath> paths = new ArrayList<>();
  private final boolean anyParameter;
  private final Pattern inBrokenJson;
  private final Pattern inForm;

  NamedPlaces(List<String> entries, Set<String> headers) {
    for (String entry : entries) {
      if (entry.startsWith("$")) {
        TreePath path = TreePath.of(entry);
        if (path.isSingular()
            && path.steps().size() == 1
            && path.steps().get(0) instanceof String name) {
          names.add(name);
        } else {
          paths.add(path);
        }
      }
    }
    Set<String> parameters = new HashSet<>(names);
    parameters.addAll(headers);
    anyParameter = !parameters.isEmpty();
    inBrokenJson = Pattern.compile(
        "\"(?:" + alternatives(names) + ")\"\\s*:\\s*(\"(?:[^\"\\\\]|\\\\.)*+\"?|[^\\s,}\\]]+)");
    inForm = Pattern.compile(
        "(?<![^?&])(?:" + alternatives(parameters) + ")=([^&#]*)", Pattern.CASE_INSENSITIVE);
  }

  private static String alternatives(Set<String> names) {
    return names.isEmpty()
        ? "(?!)"
        : String.join("|", names.stream().map(Pattern::quote).toList());
  }

  boolean isEmpty() {
    return names.isEmpty() && paths.isEmpty();
  }

  /** What stands at the places of a JSON body. */
  List<Hidden> inJson(String body) {
    if (isEmpty() || (paths.isEmpty() && names.stream().noneMatch(body::contains))) {
      return List.of();
    }
    List<Hidden> hidden = new ArrayList<>();
    try (JsonParser parser = JsonMapping.standard().parser(body)) {
      Set<String> exact = exact(body);
      parser.nextToken();
      walk(parser, body, Location.ROOT, exact, hidden);
      return hidden;
    } catch (JacksonException | NotJson e) {
      return matches(inBrokenJson, body);
    }
  }

  /** What stands after the names in a piece of JSON, however broken. */
  List<Hidden> inText(String text) {
    return names.isEmpty() || names.stream().noneMatch(text::contains)
        ? List.of()
        : matches(inBrokenJson, text);
  }

  /** What stands at the places of a form or of the query of an address. */
  List<Hidden> inForm(String text) {
    if (!anyParameter) {
      return List.of();
    }
    return matches(inForm, text);
  }

  /** Whether a finding tells of such a place. */
  boolean isNamed(String where) {
    return paths.stream().anyMatch(path -> path.toString().equals(where))
        || names.stream()
            .anyMatch(name -> where.endsWith("." + name) || where.endsWith("['" + name + "']"));
  }

  private Set<String> exact(String body) {
    Set<String> places = new HashSet<>();
    if (!paths.isEmpty()) {
      JsonNode root = JsonMapping.standard().parse(body);
      paths.forEach(
          path -> path.find(root).forEach(found -> places.add(found.where().normalized())));
    }
    return places;
  }

  private void walk(
      JsonParser parser, String body, Location where, Set<String> exact, List<Hidden> hidden) {
    JsonToken token = parser.currentToken();
    if (token == JsonToken.START_OBJECT) {
      while (parser.nextToken() == JsonToken.PROPERTY_NAME) {
        String name = parser.currentName();
        parser.nextToken();
        step(parser, body, where.child(name), names.contains(name), exact, hidden);
      }
    } else if (token == JsonToken.START_ARRAY) {
      for (int i = 0; parser.nextToken() != JsonToken.END_ARRAY; i++) {
        step(parser, body, where.child(i), false, exact, hidden);
      }
    }
  }

  private void step(
      JsonParser parser,
      String body,
      Location where,
      boolean named,
      Set<String> exact,
      List<Hidden> hidden) {
    if (!named && (exact.isEmpty() || !exact.contains(where.normalized()))) {
      walk(parser, body, where, exact, hidden);
      return;
    }
    int start = (int) parser.currentTokenLocation().getCharOffset();
    JsonToken token = parser.currentToken();
    if (token == JsonToken.VALUE_NULL) {
      return;
    }
    if (token != null && token.isStructStart()) {
      learnAll(parser, hidden);
      int end = (int) parser.currentTokenLocation().getCharOffset() + 1;
      hidden.add(new Hidden(start, end, ""));
      return;
    }
    hidden.add(new Hidden(start, end(body, start), parser.getString()));
  }

  /** Every value of a container is a secret; hidden as a whole, so only learned one by one. */
  private static void learnAll(JsonParser parser, List<Hidden> hidden) {
    for (int depth = 1; depth > 0; ) {
      JsonToken token = parser.nextToken();
      if (token == null) {
        return;
      }
      depth += token.isStructStart() ? 1 : token.isStructEnd() ? -1 : 0;
      if (token.isScalarValue()) {
        hidden.add(new Hidden(0, 0, parser.getString()));
      }
    }
  }

  /** Where the scalar ends that begins there. */
  private static int end(String body, int start) {
    int at = start + 1;
    if (body.charAt(start) == '"') {
      while (body.charAt(at) != '"') {
        at += body.charAt(at) == '\\' ? 2 : 1;
      }
      return at + 1;
    }
    while (at < body.length() && ",]} \t\r\n".indexOf(body.charAt(at)) < 0) {
      at++;
    }
    return at;
  }

  private static List<Hidden> matches(Pattern pattern, String text) {
    List<Hidden> hidden = new ArrayList<>();
    Matcher matcher = pattern.matcher(text);
    while (matcher.find()) {
      String value = matcher.group(1);
      String plain = value.startsWith("\"") ? value.substring(1).replaceAll("\"$", "") : value;
      hidden.add(new Hidden(matcher.start(1), matcher.end(1), plain));
    }
    return hidden;
  }

  /**
   * A piece of a text to hide.
   *
   * @param start where it begins
   * @param end after its end; the same as the start if there is nothing to hide there
   * @param value the secret itself, to be hidden elsewhere too; may be empty
   */
  record Hidden(int start, int end, String value) {}
}
