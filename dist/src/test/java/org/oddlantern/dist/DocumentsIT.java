package org.oddlantern.dist;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.io.File;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.oddlantern.demo.beeyard.Beeyard;

/** What README and docs show is compiled and run. */
class DocumentsIT {

  private static final Path ROOT = Path.of("..");

  @TempDir
  Path folder;

  @Test
  void theFirstSuiteOfTheReadmeRunsWithTheSettingsOfTheReadme() throws Exception {
    for (String kind : List.of("yaml", "java")) {
      assertEquals(
          blocks(document("first-test"), kind).get(0), // BuildIT follows that one
          blocks(readme(), kind).get(0));
    }
    String settings = blocks(readme(), "yaml").get(1);
    String source = blocks(readme(), "java").get(1);
    String className = "org.oddlantern.demo.suites.FirstTest";
    assertTrue(readme().contains("demo/src/test/java/" + className.replace('.', '/') + ".java"));
    try (Beeyard beeyard = Beeyard.start(0, 0, Set.of())) {
      Files.writeString(
          folder.resolve("odd-lantern.yaml"),
          settings.replace("http://127.0.0.1:7411/api", beeyard.address()));
      Path classes = Sources.compile(folder, className, source);
      String libraries = Command.demoJar("-tests.jar")
          + System.getProperty("path.separator")
          + Command.demoJar("0.jar");
      Command.Output output =
          Command.in(folder).run("run", classes.toString(), "--class-path", libraries);
      assertEquals(0, output.status(), output.out());
      assertTrue(
          output.out().contains("a keeper signs in and gets a token  (needed)"), output.out());
      assertTrue(output.out().contains("\n3 passed in "), output.out());
    }
  }

  @Test
  void everySnippetIsOneThatIsTested() throws IOException {
    String elsewhere = everything()
        .replace(calls(), "")
        .replace(document("checks"), "")
        .replace(document("schemas"), "")
        .replace(document("suites"), "")
        .replace(blocksOf(document("reports"), "java"), "")
        .replace(blocksOf(document("reports"), "yaml"), "")
        .replace(blocksOf(document("promises"), "yaml"), "")
        .replace(document("blind-spots"), "")
        .replace(document("description"), "")
        .replace(document("stand-ins"), "")
        .replace(document("failures"), "") // FailuresIT makes that one
        .replace(document("recipes"), "") // ReferenceIT follows that one
        .replace(document("first-test"), "") // BuildIT follows these two
        .replace(document("dependency"), "")
        .replace(document("ci"), "");
    // the two of the README
    assertEquals(2, blocks(elsewhere, "java").size(), "a new Java snippet wants a test here");
    assertEquals(2, blocks(elsewhere, "yaml").size(), "new settings want a test here");
    assertTrue(
        Files.readString(ROOT.resolve("demo/src/test/resources/odd-lantern.yaml"))
            .contains(blocks(document("description"), "yaml").get(0)),
        "what is said of descriptions is what the demo says");
    String commands = elsewhere + document("blind-spots") + document("description");
    for (String command : String.join("", blocks(commands, "sh")).lines().toList()) {
      assertTrue(
          command.matches(
              "mvn verify|mvn verify -Dfailures=write|\\./odd-lantern (demo|list|run|settings|path|schema|report)( .*)?|docs/site|bench/(run|reading|schemas|lanes|memory|start|watch|report|standin|blind|description|hand|growth|build)"),
          command + " is a command that no test knows");
    }
  }

  @Test
  void everySnippetAboutCallsAndChecksStandsInASuiteOfTheDemo() throws IOException {
    Path suites = ROOT.resolve("demo/src/test/java/org/oddlantern/demo/suites");
    StringBuilder sources = new StringBuilder();
    try (Stream<Path> files = Files.walk(suites)) {
      for (Path file : files.filter(Files::isRegularFile).toList()) {
        sources.append(Files.readString(file));
      }
    }
    List<String> snippets = new ArrayList<>(blocks(
        calls()
            + document("checks")
            + document("schemas")
            + document("suites")
            + document("reports")
            + document("blind-spots")
            + document("description")
            + document("stand-ins"),
        "java"));
    snippets.removeIf(snippet -> snippet.startsWith("package ")); // which is run by itself
    assertTrue(snippets.size() > 35, "only " + snippets.size() + " snippets were found");
    for (String snippet : snippets) {
      assertTrue(dense(sources.toString()).contains(dense(snippet)), snippet);
    }
    assertEquals(
        Files.readString(ROOT.resolve("demo/src/test/resources/samples/refused-hives.csv")),
        blocks(document("suites"), "csv").get(0));
    assertTrue(
        Files.readString(ROOT.resolve("demo/src/test/resources/promises/1-keepers-and-hives.md"))
            .contains(blocks(document("promises"), "markdown").get(0)));
    assertEquals(
        Files.readString(ROOT.resolve("demo/src/test/resources/odd-lantern.yaml")),
        blocks(calls(), "yaml").get(0));
  }

  @Test
  void theSnippetAboutMappersStandsInAProjectOfOthers() throws IOException {
    String suite = Files.readString(Path.of(
        "src/test/resources/projects/spring/src/test/java/org/example/apiary/HiveTest.java"));
    List<String> snippets = blocks(document("dependency"), "java");
    assertEquals(1, snippets.size());
    assertTrue(dense(suite).contains(dense(snippets.get(0))), suite);
  }

  @Test
  void theServiceInAnotherLanguageIsStartedAndStoodInFor() throws Exception {
    assumeTrue(isThere("python3"), "there is no python3 here");
    Files.writeString(
        folder.resolve("greeting.py"), blocks(document("stand-ins"), "python").get(0));
    String source = blocks(document("stand-ins"), "java").stream()
        .filter(block -> block.startsWith("package "))
        .findFirst()
        .orElseThrow();
    Path classes = Sources.compile(folder, "org.example.greeting.GreetingTest", source);
    Command.Output output = Command.in(folder).run("run", classes.toString());
    assertEquals(0, output.status(), output.out() + output.err());
    assertTrue(output.out().contains("\n2 passed in "), output.out());
  }

  private static boolean isThere(String program) {
    return Stream.of(System.getenv("PATH").split(File.pathSeparator))
        .anyMatch(part -> Files.isExecutable(Path.of(part, program)));
  }

  private static String dense(String source) {
    return source.replaceAll("\\s+", "");
  }

  private static String calls() throws IOException {
    return document("calls");
  }

  private static String document(String name) throws IOException {
    return Files.readString(ROOT.resolve("docs/" + name + ".md"));
  }

  @Test
  void theSettingsForSchemasAndHistoryAreInForce() throws Exception {
    String settings = "environment: local\nenvironments:\n  local: {}\n";
    Files.writeString(
        folder.resolve("odd-lantern.yaml"),
        settings
            + blocks(document("schemas"), "yaml").get(0)
            + blocks(document("reports"), "yaml").get(0)
            + blocks(document("promises"), "yaml").get(0)
            + blocks(document("blind-spots"), "yaml").get(0));
    Command.Output output = Command.in(folder).run("settings");
    assertTrue(
        output
            .out()
            .matches(
                "(?s).*schemas.hosts +schemas.fennelhill.example.*schemas.formats +annotate.*schemas.draft +draft7.*history.folder +\\S*/history .*history.keep +50.*unwatched +GET /status \\$\\.asked.*"),
        output.out() + output.err());
  }

  @Test
  void everyPictureThatIsShownIsThereAndEveryPictureThatIsThereIsShown() throws IOException {
    Matcher links = Pattern.compile("\\(((?:docs/|CHANGELOG)[^)]+)\\)").matcher(readme());
    List<Path> linked =
        new ArrayList<>(links.results().map(link -> linked(link.group(1))).toList());
    Pattern.compile("\\((screenshots/[^)]+)\\)")
        .matcher(document("reports"))
        .results()
        .forEach(link -> linked.add(ROOT.resolve("docs").resolve(link.group(1))));
    linked.forEach(
        file -> assertTrue(Files.isRegularFile(file), file + " is linked but not there"));
    try (Stream<Path> pictures = Files.list(ROOT.resolve("docs/screenshots"))) {
      assertEquals(
          List.of(), pictures.filter(picture -> !linked.contains(picture)).toList());
    }
  }

  /** The file of a link; a part of it that is named has a heading. */
  private static Path linked(String link) {
    String[] parts = link.split("#", 2);
    Path file = ROOT.resolve(parts[0]);
    if (parts.length == 2) {
      try {
        assertTrue(headings(Files.readString(file)).contains(parts[1]), "no heading: " + link);
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
    }
    return file;
  }

  /** As links write them: small, without punctuation, with lines in the stead of blanks. */
  private static List<String> headings(String text) {
    return Pattern.compile("(?m)^#+ (.*)$")
        .matcher(text)
        .results()
        .map(found -> found.group(1).toLowerCase(Locale.ROOT))
        .map(heading -> heading.replaceAll("[^\\w\\- ]", "").replace(' ', '-'))
        .toList();
  }

  @Test
  void everyDocumentLeadsOnAndEveryLinkLeadsSomewhere() throws IOException {
    Path all = ROOT.resolve("docs");
    try (Stream<Path> docs = Files.walk(all)) {
      for (Path file : docs.filter(one -> one.toString().endsWith(".md")).toList()) {
        String text = Files.readString(file);
        String name = all.relativize(file).toString();
        for (String link : Pattern.compile("\\]\\((?!https?:)([^)]+)\\)")
            .matcher(text)
            .results()
            .map(found -> found.group(1))
            .toList()) {
          String whole = link.startsWith("#") ? name + link : link;
          Path target =
              linked(Path.of("docs", name).resolveSibling(whole).normalize().toString());
          assertTrue(Files.isRegularFile(target), name + ": " + link);
        }
        boolean leads = Pattern.compile("\\[all documents]\\((\\.\\./)?index\\.md\\)")
            .matcher(text)
            .find();
        assertTrue(leads || name.equals("index.md"), name + " has no way on");
        assertTrue(
            name.equals("index.md") || document("index").contains("](" + name),
            "the list of documents lacks " + name);
      }
    }
  }

  /** What people search for who know the trade and not this library. */
  @Test
  void theWordsOfTheTradeAreInTheListOfTasks() throws IOException {
    String index = document("index").toLowerCase(Locale.ROOT);
    for (String word : List.of(
        "timeout",
        "retry",
        "skip",
        "pagination",
        "authentication",
        "oauth 2",
        "api key",
        "tear down",
        "set up",
        "fixture",
        "parameterised",
        "parallel",
        "base url",
        "header",
        "cookie",
        "query",
        "multipart",
        "upload",
        "graphql",
        "soft assertion",
        "polling",
        "snapshot",
        "json schema",
        "openapi",
        "xpath",
        "database",
        "extract",
        "negative test",
        "test double",
        "secret",
        "flaky",
        "environment",
        "redirect",
        "kotlin",
        "junit 5",
        "gitlab",
        "github",
        "jenkins",
        "race condition",
        "proxies",
        "tls",
        "report")) {
      assertTrue(index.contains(word), word);
    }
  }

  @Test
  void noDocumentNamesAPathOfSomebodysMachine() throws IOException {
    assertFalse(everything().matches("(?s).*(?<![\\w.])/(home|root|tmp|work)/.*"));
  }

  /** All of them as they stand, marks included. */
  private static String blocksOf(String text, String language) {
    Matcher blocks = Pattern.compile("(?s)```" + language + "\\n.*?```").matcher(text);
    return blocks.find() ? blocks.group() : "";
  }

  private static List<String> blocks(String text, String language) {
    Matcher blocks = Pattern.compile("(?s)```" + language + "\\n(.*?)```").matcher(text);
    return blocks.results().map(block -> block.group(1)).toList();
  }

  private static String readme() throws IOException {
    return Files.readString(ROOT.resolve("README.md"));
  }

  private static String everything() throws IOException {
    List<Path> files = new ArrayList<>(List.of(ROOT.resolve("README.md")));
    try (Stream<Path> docs = Files.list(ROOT.resolve("docs"))) {
      docs.filter(path -> path.toString().endsWith(".md")).sorted().forEach(files::add);
    }
    StringBuilder all = new StringBuilder();
    for (Path file : files) {
      all.append(Files.readString(file));
    }
    return all.toString();
  }
}
