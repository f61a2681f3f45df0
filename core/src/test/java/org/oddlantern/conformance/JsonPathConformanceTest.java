package org.oddlantern.conformance;

import static org.junit.jupiter.api.Assertions.assertAll;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.function.Executable;
import org.oddlantern.json.BadPath;
import org.oddlantern.json.internal.FoundNode;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.path.TreePath;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * The compliance test suite for RFC 9535, normalized paths included. It is fetched by {@code
 * conformance/fetch-jsonpath-suite.sh}; where it is absent these tests are skipped, unless the
 * environment variable CONFORMANCE says {@code required}.
 */
class JsonPathConformanceTest {

  @Test
  void meetsTheStandard() throws IOException {
    JsonNode tests = read(Fetched.file("jsonpath/cts.json")).get("tests");
    assertEquals(687, tests.size());
    assertAll(
        tests.valueStream().map(one -> named(one.get("name").stringValue(), () -> check(one))));
  }

  /** One test in all: what runs tests one by one would find them all by name each time. */
  private static Executable named(String name, Executable test) {
    return () -> {
      try {
        test.execute();
      } catch (Throwable e) {
        throw new AssertionError(name + ": " + e.getMessage(), e);
      }
    };
  }

  @Test
  void givesWhatTheExamplesOfTheStandardGive() throws IOException {
    List<Executable> tests = new ArrayList<>();
    try (Stream<Path> files = Files.list(Fetched.file("jsonpath/rfc-examples"))) {
      for (Path file : files.sorted().toList()) {
        JsonNode example = read(file);
        for (JsonNode query : example.get("queries")) {
          String path = query.get("path").stringValue();
          tests.add(named(
              file.getFileName() + " " + path,
              () -> assertEquals(
                  texts(query.get("paths")),
                  TreePath.of(path).find(example.get("document")).stream()
                      .map(found -> found.where().normalized())
                      .toList())));
        }
      }
    }
    assertEquals(46, tests.size());
    assertAll(tests);
  }

  private static JsonNode read(Path file) throws IOException {
    return JsonMapping.standard().parse(Files.readString(file));
  }

  private static void check(JsonNode test) {
    String selector = test.get("selector").stringValue();
    if (test.path("invalid_selector").asBoolean(false)) {
      assertThrows(BadPath.class, () -> TreePath.of(selector));
      return;
    }
    List<String> values = new ArrayList<>();
    List<String> places = new ArrayList<>();
    for (FoundNode found : TreePath.of(selector).find(test.get("document"))) {
      values.add(found.value().toString());
      places.add(found.where().normalized());
    }
    assertOneOf(test, "result", values);
    assertOneOf(test, "result_paths", places);
  }

  /** Where the order of members is open, the suite lists every result that is right. */
  private static void assertOneOf(JsonNode test, String field, List<String> got) {
    if (test.has(field)) {
      assertEquals(texts(test.get(field)), got);
    } else {
      List<List<String>> right = test.get(field.replace("result", "results"))
          .valueStream()
          .map(JsonPathConformanceTest::texts)
          .toList();
      assertTrue(right.contains(got), () -> got + " is none of " + right);
    }
  }

  private static List<String> texts(JsonNode list) {
    return list.valueStream()
        .map(node -> node.isString() && node.stringValue().startsWith("$")
            ? node.stringValue()
            : node.toString())
        .toList();
  }
}
