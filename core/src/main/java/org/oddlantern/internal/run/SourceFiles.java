package org.oddlantern.internal.run;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.record.SourceRecord;

/**
 * Looks for the sources of suites where builds have them: below some folders, and below the modules in
 * these. Each is looked for once. Thread-safe.
 */
final class SourceFiles {

  private static final List<String> FOLDERS =
      List.of("src/test/java", "src/main/java", "src/it/java", "src/integrationTest/java");

  /** Texts, characters and comments, whose braces open and close nothing. */
  private static final Pattern NO_CODE =
      Pattern.compile("\"(\\\\.|[^\"\\\\])*\"|'(\\\\.|[^'\\\\])*'|//.*");

  private static final int ABOVE = 12;
  private static final int LONGEST = 60;
  private static final int AROUND = 4;

  private final List<Path> roots;
  private final Map<String, Optional<List<String>>> known = new ConcurrentHashMap<>();
  private final Map<String, Optional<SourceRecord>> methods = new ConcurrentHashMap<>();

  private SourceFiles(List<Path> roots) {
    this.roots = roots;
  }

  /** The folder of the settings, if there is one, and the working directory. */
  static SourceFiles of(@Nullable Path settings) {
    Path here = Path.of("").toAbsolutePath();
    return new SourceFiles(
        settings == null ? List.of(here) : List.of(settings.toAbsolutePath(), here));
  }

  /**
   * The code around a line of a suite.
   *
   * @param suite the suite
   * @param place where its method stands, as {@code File.java:12}
   * @param at the line to look at, in the same form
   * @return the method if the line is in it, else what is around the line; null if it was not found
   */
  @Nullable
  SourceRecord around(Class<?> suite, String place, String at) {
    int marked = line(at);
    String name = file(suite);
    if (marked == 0 || !at.startsWith(name + ":")) {
      return null;
    }
    return lines(suite)
        .map(lines -> marked > lines.size() ? null : cut(name, lines, line(place), marked))
        .orElse(null);
  }

  /**
   * The code of a case, nothing in it marked.
   *
   * @param suite the suite
   * @param place where its method stands, as {@code File.java:12}
   * @return the method, or its beginning; null if it was not found
   */
  @Nullable
  SourceRecord of(Class<?> suite, String place) {
    return methods
        .computeIfAbsent(suite.getName() + " " + place, key -> method(suite, place))
        .orElse(null);
  }

  private Optional<SourceRecord> method(Class<?> suite, String place) {
    String name = file(suite);
    int method = line(place);
    return method == 0 || !place.startsWith(name + ":")
        ? Optional.empty()
        : lines(suite)
            .filter(lines -> method <= lines.size())
            .map(lines -> whole(name, lines, method));
  }

  private static String file(Class<?> suite) {
    String top = top(suite);
    return top.substring(top.lastIndexOf('.') + 1) + ".java";
  }

  private static String top(Class<?> suite) {
    String name = suite.getName();
    int inner = name.indexOf('$');
    return inner < 0 ? name : name.substring(0, inner);
  }

  private Optional<List<String>> lines(Class<?> suite) {
    return known.computeIfAbsent(top(suite).replace('.', '/') + ".java", this::found);
  }

  private static SourceRecord whole(String name, List<String> lines, int method) {
    int first = beginning(lines, method);
    int last = Math.min(end(lines, Math.max(first, method - 1)), first + LONGEST - 1);
    return new SourceRecord(name, first, 0, lines.subList(first - 1, last));
  }

  private static SourceRecord cut(String name, List<String> lines, int method, int marked) {
    int first = beginning(lines, method);
    int last = end(lines, Math.max(first, method - 1));
    if (marked < first || marked > last || last - first >= LONGEST) {
      first = Math.max(1, marked - AROUND);
      last = Math.min(lines.size(), marked + AROUND);
    }
    return new SourceRecord(name, first, marked, lines.subList(first - 1, last));
  }

  /** The line with the mark of the case, above where its code begins. */
  private static int beginning(List<String> lines, int method) {
    int from = Math.min(method, lines.size());
    for (int number = from; number > Math.max(0, from - ABOVE); number--) {
      if (lines.get(number - 1).strip().startsWith("@Case")) {
        return number;
      }
    }
    return Math.max(1, from);
  }

  /** The line with the brace that closes what is opened from a line on. */
  private static int end(List<String> lines, int from) {
    int depth = 0;
    boolean opened = false;
    for (int number = from; number <= lines.size(); number++) {
      String line = lines.get(number - 1);
      if (line.indexOf('{') < 0 && line.indexOf('}') < 0) {
        continue;
      }
      String code = NO_CODE.matcher(line).replaceAll("");
      opened |= code.indexOf('{') >= 0;
      for (int i = 0; i < code.length(); i++) {
        depth += code.charAt(i) == '{' ? 1 : code.charAt(i) == '}' ? -1 : 0;
      }
      if (opened && depth <= 0) {
        return number;
      }
    }
    return lines.size();
  }

  private Optional<List<String>> found(String path) {
    for (Path root : roots) {
      for (Path project : projects(root)) {
        for (String folder : FOLDERS) {
          Path file = project.resolve(folder).resolve(path);
          if (Files.isRegularFile(file)) {
            return read(file);
          }
        }
      }
    }
    return Optional.empty();
  }

  private static List<Path> projects(Path root) {
    List<Path> projects = new ArrayList<>(List.of(root));
    try (Stream<Path> inside = Files.list(root)) {
      inside.filter(each -> Files.isDirectory(each.resolve("src"))).sorted().forEach(projects::add);
    } catch (IOException e) {
      // a folder that cannot be looked into has no sources to show
    }
    return projects;
  }

  private static Optional<List<String>> read(Path file) {
    try {
      return Optional.of(Files.readAllLines(file));
    } catch (IOException e) {
      return Optional.empty(); // in another encoding, perhaps: the report does without
    }
  }

  private static int line(String place) {
    String digits = place.substring(place.lastIndexOf(':') + 1);
    return digits.matches("\\d{1,7}") ? Integer.parseInt(digits) : 0;
  }
}
