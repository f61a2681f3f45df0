package org.oddlantern.internal.description;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * The path of a server's address, which stands before the paths of operations (OpenAPI 3.1, Server Object).
 *
 * @param pattern what it matches
 */
record ServerPath(Pattern pattern) {

  private static final Pattern VARIABLE = Pattern.compile("\\{([^{}]*)}");
  private static final Pattern BEFORE_PATH = Pattern.compile("^([^/?#]*:)?//[^/?#]*");

  static ServerPath of(Part server) {
    String url = server.neededText("url");
    Map<String, Part> variables = server.members("variables");
    StringBuilder pattern = new StringBuilder();
    String path = BEFORE_PATH.matcher(url).replaceFirst("").replaceFirst("/$", "");
    Matcher variable = VARIABLE.matcher(path);
    int from = 0;
    while (variable.find()) {
      pattern.append(Pattern.quote(path.substring(from, variable.start())));
      pattern.append(values(server, variables.get(variable.group(1)), variable.group(1)));
      from = variable.end();
    }
    pattern.append(Pattern.quote(path.substring(from)));
    return new ServerPath(Pattern.compile(pattern.toString()));
  }

  private static String values(Part server, @Nullable Part variable, String name) {
    if (variable == null) {
      throw server.at("url").problem("'variables' does not say what '" + name + "' is");
    }
    List<String> values = new ArrayList<>();
    for (JsonNode value : variable.node().path("enum")) {
      values.add(Pattern.quote(value.asString("")));
    }
    // another value than the usual one may be in use, which may go over several steps
    return values.isEmpty() ? ".*?" : "(?:" + String.join("|", values) + ")";
  }

  /** The rest of a path behind it, as often as there are ways to read it; none if it does not begin so. */
  List<String> rests(String path) {
    List<String> rests = new ArrayList<>();
    for (int end = 0; end <= path.length(); end++) {
      boolean step = end == path.length() || path.charAt(end) == '/';
      if (step && pattern.matcher(path.substring(0, end)).matches()) {
        rests.add(path.substring(end));
      }
    }
    return rests;
  }
}
