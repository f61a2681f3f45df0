package org.oddlantern.cli;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Supplier;
import java.util.stream.Stream;
import org.oddlantern.json.Json;
import org.oddlantern.json.Location;
import org.oddlantern.schema.Draft;
import org.oddlantern.schema.Schema;
import org.oddlantern.schema.SchemaReader;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * The JSON Schema test suite in its published layout: {@code tests/DRAFT/*.json}, {@code
 * tests/DRAFT/optional} and {@code remotes}, which its schemas look for at localhost:1234.
 */
final class ConformanceSuite {

  private static final String REMOTE = "http://localhost:1234/";

  private final Path folder;
  private final SchemaReader reader;

  ConformanceSuite(Path folder) {
    this.folder = folder;
    SchemaReader knowing = SchemaReader.standard();
    for (Path file : files(folder.resolve("remotes"))) {
      String name = folder.resolve("remotes").relativize(file).toString().replace('\\', '/');
      knowing = knowing.knowing(REMOTE + name, Json.of(json(file)));
    }
    this.reader = knowing;
  }

  /** Runs the tests of a draft, in the order of their files. */
  List<FileResult> run(Draft draft, boolean optional) {
    List<FileResult> results = new ArrayList<>();
    Path tests = folder.resolve("tests").resolve(draft.label());
    for (Path file : files(tests)) {
      boolean isOptional = tests.relativize(file).startsWith("optional");
      if (isOptional == optional) {
        results.add(run(draft, file, optional));
      }
    }
    return results;
  }

  private FileResult run(Draft draft, Path file, boolean optional) {
    SchemaReader rules = reader.assuming(draft).assertingFormats(optional);
    String name = folder.resolve("tests").relativize(file).toString().replace('\\', '/');
    FileResult result = new FileResult(draft, name, new ArrayList<>());
    for (JsonNode group : json(file)) {
      Outcome outcome = Outcome.of(() -> rules.of(Json.of(group.path("schema"))));
      for (JsonNode test : group.path("tests")) {
        String title = name + " | " + text(group) + " | " + text(test);
        result.tests().add(new TestResult(title, outcome.judge(test)));
      }
    }
    return result;
  }

  private static String text(JsonNode described) {
    return described.path("description").asString("");
  }

  private static List<Path> files(Path folder) {
    if (!Files.isDirectory(folder)) {
      return List.of();
    }
    try (Stream<Path> files = Files.walk(folder)) {
      return files.filter(file -> file.toString().endsWith(".json")).sorted().toList();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static JsonNode json(Path file) {
    return JsonFiles.read(file.toString());
  }

  /**
   * One file of tests.
   *
   * @param draft whose tests
   * @param name the file, from the folder of all tests
   * @param tests what came of each
   */
  record FileResult(Draft draft, String name, List<TestResult> tests) {

    long passed() {
      return tests.stream().filter(TestResult::passed).count();
    }
  }

  /**
   * One test.
   *
   * @param title file, group and test
   * @param reason why it failed; empty if it passed
   */
  record TestResult(String title, String reason) {

    boolean passed() {
      return reason.isEmpty();
    }
  }

  /** A schema, or why it could not be read. */
  private record Outcome(List<Schema> schema, String reason) {

    static Outcome of(Supplier<Schema> read) {
      try {
        return new Outcome(List.of(read.get()), "");
      } catch (IllegalArgumentException e) {
        return new Outcome(List.of(), String.valueOf(e.getMessage()));
      }
    }

    String judge(JsonNode test) {
      if (schema.isEmpty()) {
        return reason;
      }
      boolean wanted = test.path("valid").booleanValue();
      boolean got = schema.get(0).accepts(Json.of(test.path("data")));
      boolean explained =
          schema.get(0).differences(Location.ROOT, Json.of(test.path("data"))).isEmpty();
      if (got != explained) {
        return "the short answer is " + got + ", the long one " + explained;
      }
      return got == wanted ? "" : "wanted " + wanted + ", got " + got;
    }
  }
}
