package org.oddlantern.dist;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.oddlantern.demo.beeyard.Beeyard;

/** The verbs of {@code odd-lantern schema}, and schemas in a run, as their users meet them. */
class SchemaIT {

  private static final Path DEMO = Path.of("../demo/src/test/resources").toAbsolutePath();
  private static final Path KNOWN =
      Path.of("../conformance/json-schema-known.txt").toAbsolutePath();

  @TempDir
  Path folder;

  @Test
  void everyTestOfTheStandardPasses() throws Exception {
    String suite = Fetched.at("json-schema").toString();
    String required = run(0, "schema", "conformance", suite);
    for (String count : new String[] {
      "draft4: 578 of 578",
      "draft6: 777 of 777",
      "draft7: 861 of 861",
      "draft2019-09: 1176 of 1176",
      "draft2020-12: 1176 of 1176"
    }) {
      assertTrue(required.contains("\n" + count + " tests passed\n"), required);
    }
    String optional =
        run(0, "schema", "conformance", "--optional", "--known", KNOWN.toString(), suite);
    assertTrue(optional.contains("\ndraft2020-12: 612 of 612 tests passed\n"), optional);
  }

  @Test
  void aBodyThatBreaksNineRulesAtOnce() throws Exception {
    Command.Output output = Command.in(DEMO)
        .run(
            "schema",
            "check",
            "schemas/inspection.json",
            "samples/inspection.json",
            "samples/spoilt-inspection.json");
    assertEquals(1, output.status(), output.err());
    assertTrue(
        output
            .out()
            .startsWith(
                "fits      samples/inspection.json\ndiffers   samples/spoilt-inspection.json: 9 violations\n"),
        output.out());
    assertTrue(output.out().contains("""
                  at      $.finding.kilograms
                  wanted  a number, says schemas/inspection.json#/properties/finding/oneOf/1/properties/kilograms/type
                  got     "8.25" (text)
                  hint    the number is in quotes
        """), output.out());
    String basic = Command.in(DEMO)
        .run("schema", "check", "--as", "basic", "schemas/hive.json", "payloads/hive.json")
        .out();
    assertTrue(basic.contains("\"keywordLocation\": \"/required\""), basic);
    String inside = Command.in(DEMO)
        .run("schema", "check", "beeyard.yaml#/components/schemas/NewHive", "payloads/hive.json")
        .out();
    assertEquals("fits      payloads/hive.json\n", inside);
  }

  @Test
  void aSketchFromAJournal() throws Exception {
    try (Beeyard beeyard = Beeyard.start(0, 0, java.util.Set.of())) {
      write(
          "odd-lantern.yaml",
          "environment: local\nenvironments:\n  local:\n    services:\n      beeyard: { url: \""
              + beeyard.address() + "\" }\n");
      Command.Output run = Command.in(folder)
          .run(
              "run",
              Command.demoJar("-tests.jar").toString(),
              "--class-path",
              Command.demoLibraries(),
              "--case",
              "HiveRegisterTest#readBack",
              "--out",
              "out");
      assertEquals(0, run.status(), run.out() + run.err());
    }
    refused(
        "odd-lantern: choose by --replies-to which call's replies are the samples; there are replies to:\n  GET /hives/{id}  (1)\n",
        "schema",
        "sketch",
        "out/journal.jsonl");
    String sketch =
        run(0, "schema", "sketch", "out/journal.jsonl", "--replies-to", "GET /api/hives/{id}");
    assertTrue(
        sketch.contains(
            "    \"registeredOn\": {\n      \"type\": \"string\",\n      \"format\": \"date\"\n    }\n"),
        sketch);
    refused(
        "odd-lantern: no reply to 'GET /api/hive/{id}' with JSON in it; did you mean 'GET /api/hives/{id}'?",
        "schema",
        "sketch",
        "out/journal.jsonl",
        "--replies-to",
        "GET /api/hive/{id}");
  }

  private void write(String name, String text) throws IOException {
    Path file = folder.resolve(name);
    Files.createDirectories(file.getParent());
    Files.writeString(file, text);
  }

  private String run(int status, String... words) throws Exception {
    Command.Output output = Command.in(folder).run(words);
    assertEquals(status, output.status(), output.out() + output.err());
    return output.out();
  }

  private void refused(String message, String... words) throws Exception {
    Command.Output output = Command.in(folder).run(words);
    assertEquals(2, output.status(), output.out() + output.err());
    assertTrue(output.err().startsWith(message), output.err());
  }
}
