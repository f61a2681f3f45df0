package org.oddlantern.dist.reference;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.oddlantern.dist.house.Source;
import org.oddlantern.internal.junit.Parameters;

/** The pages of docs/reference say what the code says; {@code mvn verify -Dreference=write} writes them. */
class ReferenceIT {

  private static final Path PAGES = Path.of("../docs/reference");

  @TempDir
  private Path folder;

  @Test
  void everyPageOfTheReferenceIsWhatTheCodeSays() throws Exception {
    Map<String, String> pages = new LinkedHashMap<>();
    List<Source> sources = Source.all();
    SettingPage settings = new SettingPage();
    pages.put("settings", settings.text());
    assertEquals(List.of(), settings.unexplained(), "settings without a meaning");
    pages.put("command", CommandPage.text(folder));
    pages.put("annotations", AnnotationPage.text(sources));
    CheckPage checks = new CheckPage(sources);
    Map<String, Example> examples = Examples.all();
    assertEquals(
        new TreeSet<>(checks.names()),
        new TreeSet<>(examples.keySet()),
        "every check has an example, and every example is of one");
    pages.put("checks", checks.text(examples));
    pages.put("outcomes", OutcomePage.text(folder));
    pages.put("build", build());
    pages.put("files", new FilePage(folder).text());
    withWayOn(pages);
    if ("write".equals(System.getProperty("reference"))) {
      Files.createDirectories(PAGES);
      for (Map.Entry<String, String> one : pages.entrySet()) {
        Files.writeString(PAGES.resolve(one.getKey() + ".md"), one.getValue());
      }
    }
    for (Map.Entry<String, String> one : pages.entrySet()) {
      assertEquals(
          Files.readString(PAGES.resolve(one.getKey() + ".md")),
          one.getValue(),
          "mvn verify -Dreference=write writes it anew");
    }
  }

  /** What docs/recipes.md shows is code of projects that tests build and run, and prints what it says. */
  @Test
  void everyRecipeIsCodeThatRuns() throws Exception {
    String recipes = Files.readString(Path.of("../docs/recipes.md"));
    StringBuilder sources = new StringBuilder();
    for (Path folder : List.of(
        Path.of("src/test/resources/projects"),
        Path.of("src/test/java/org/oddlantern/dist/reference"))) {
      try (Stream<Path> files = Files.walk(folder)) {
        for (Path file : files
            .filter(one -> one.toString().matches(".*\\.(java|kt|xml|yaml)"))
            .toList()) {
          sources.append(flat(Files.readString(file))).append('\n');
        }
      }
    }
    Matcher blocks = Pattern.compile("(?s)```(java|kotlin|xml|yaml)\n(.*?)```").matcher(recipes);
    int count = 0;
    while (blocks.find()) {
      count++;
      String block = flat(blocks.group(2));
      assertTrue(sources.indexOf(block) >= 0, () -> "no tested project has " + block);
    }
    assertTrue(count >= 5, "only " + count);
    String printed = flat(Examples.printedOf("OwnChecksTest"));
    Matcher shown = Pattern.compile("(?s)```text\n(.*?)```").matcher(recipes);
    assertTrue(shown.find());
    assertTrue(printed.contains(flat(shown.group(1))), printed);
  }

  private static String flat(String text) {
    return text.replaceAll("\\s+", "");
  }

  /** No page without a way to the next. */
  private static void withWayOn(Map<String, String> pages) {
    List<String> names = List.copyOf(pages.keySet());
    for (int i = 0; i < names.size(); i++) {
      String before = i == 0 ? "[Words](../glossary.md)" : link(names.get(i - 1), pages);
      String after = i == names.size() - 1
          ? "[What failures look like](../failures.md)"
          : link(names.get(i + 1), pages);
      pages.merge(
          names.get(i),
          "\n---\n\nprevious: " + before + " · [all documents](../index.md) · next: " + after
              + "\n",
          String::concat);
    }
  }

  private static String link(String name, Map<String, String> pages) {
    String heading = pages.get(name).lines().findFirst().orElseThrow().substring(2);
    return "[" + heading + "](" + name + ".md)";
  }

  private static String build() {
    StringBuilder page = new StringBuilder("""
        # Build properties

        What Maven, or whatever starts the tests, can be set: environment, settings, parallel lanes, parts, seed, debugging. Each is a system property of the build (`mvn test -Dodd-lantern.lanes=2`), or a line in `src/test/resources/junit-platform.properties`. Written by a test from the code.

        | property | meaning |
        |---|---|
        """);
    Parameters.MEANINGS.forEach((name, meaning) ->
        page.append("| `").append(name).append("` | ").append(meaning).append(" |\n"));
    return page + """

        To choose tests, use what the build has: `-Dtest=HiveTest`, `-Dtest='HiveTest#register*'`. [Build properties](../first-test.md#build-properties) has more.
        """;
  }
}
