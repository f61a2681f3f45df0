package org.oddlantern.cli;

import java.util.HashSet;
import java.util.Locale;
import java.util.Set;
import javax.lang.model.SourceVersion;
import org.oddlantern.json.Json;
import org.oddlantern.json.internal.JsonMapping;

/** Names and texts as Java writes them, each name once. Not thread-safe. */
final class JavaNames {

  private final Set<String> taken = new HashSet<>();

  /** A name for a class that nobody has. */
  String type(String words) {
    String name = joined(words);
    return free(
        name.isEmpty() || !Character.isJavaIdentifierStart(name.charAt(0)) ? "Api" + name : name);
  }

  /** A name for a method that nobody has. */
  String method(String words) {
    String name = type(words);
    // a class may have the name of another's method
    String lower = name.substring(0, 1).toLowerCase(Locale.ROOT) + name.substring(1);
    return free(lower);
  }

  private String free(String name) {
    String own = SourceVersion.isKeyword(name) ? name + "It" : name;
    for (int i = 2; !taken.add(own); i++) {
      own = name + i;
    }
    return own;
  }

  /** Whether a name on the wire can be one in Java as it is. */
  static boolean isName(String name) {
    return SourceVersion.isIdentifier(name)
        && !SourceVersion.isKeyword(name)
        && name.chars().allMatch(c -> c < 128)
        && !Set.of(
                "hashCode",
                "toString",
                "getClass",
                "notify",
                "notifyAll",
                "wait",
                "clone",
                "finalize")
            .contains(name);
  }

  /** A name for a parameter or a place: letters and digits alone. */
  static String plain(String words) {
    String name = joined(words);
    String lower = name.isEmpty() || !Character.isJavaIdentifierStart(name.charAt(0))
        ? "value" + name
        : name.substring(0, 1).toLowerCase(Locale.ROOT) + name.substring(1);
    return SourceVersion.isKeyword(lower) ? lower + "Value" : lower;
  }

  private static String joined(String words) {
    StringBuilder name = new StringBuilder();
    for (String word : words.split("[^A-Za-z0-9]+", -1)) {
      if (!word.isEmpty()) {
        name.append(word.substring(0, 1).toUpperCase(Locale.ROOT)).append(word.substring(1));
      }
    }
    return name.toString();
  }

  /** A text, which Java writes as JSON does. */
  static String quoted(String text) {
    return JsonMapping.standard().write(Json.of(text)).replace("\u007f", "\\u007f");
  }

  /** A text in a comment, which it must not end. */
  static String comment(String text) {
    return text.replace("*/", "* /")
        .replace('\\', '/')
        .replaceAll("[\\r\\n\\t ]+", " ")
        .strip();
  }
}
