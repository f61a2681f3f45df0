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
  void aFailureThatIsNotListedAndOneThatIsListedAndPassesAreToldApart() throws Exception {
    write("tests/draft7/made-up.json", """
        [ { "description": "bees", "schema": { "type": "integer" }, "tests": [
            { "description": "right", "data": 1, "valid": true },
            { "description": "wrong", "data": 1.5, "valid": true } ] } ]
        """);
    String failed = run(1, "schema", "conformance", ".");
    assertTrue(failed.contains("draft7: 1 of 2 tests passed"), failed);
    String title = "draft7/made-up.json | bees | ";
    assertTrue(failed.contains("  failed  " + title + "wrong: wanted true, got false"), failed);
    write("known.txt", "# it is wrong itself\n" + title + "wrong\n");
    String listed = run(0, "schema", "conformance", ".", "--known", "known.txt");
    assertTrue(listed.contains("  failed, as listed  " + title + "wrong"), listed);
    write("known.txt", title + "wrong\n" + title + "right\n");
    String passes = run(1, "schema", "conformance", ".", "--known", "known.txt");
    assertTrue(passes.contains("  passed, though listed  " + title + "right"), passes);
    write("known.txt", title + "wrong\n" + title + "gone\n");
    assertTrue(
        run(1, "schema", "conformance", ".", "--known", "known.txt").contains("no such test"));
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
                  hint    the number stands in quotes
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
  void whatCannotBeCheckedIsSaid() throws Exception {
    write("bad.json", "{\"properties\": {\"id\": {\"type\": \"integr\"}}}");
    write("body.json", "{}");
    refused(
        "odd-lantern: the schema cannot be used: at bad.json#/properties/id/type: wanted one of ",
        "schema",
        "check",
        "bad.json",
        "body.json");
    refused(
        "odd-lantern: there is no schema file none.json\n",
        "schema",
        "check",
        "none.json",
        "body.json");
    refused(
        "odd-lantern: there is no file gone.json\n", "schema", "check", "body.json", "gone.json");
    refused("odd-lantern: a command is missing: check or sketch\n", "schema");
  }

  @Test
  void aSchemaWithoutEndIsRefused() throws Exception {
    write("a.json", "{\"x\": 1}");
    write("self.json", "{\"$ref\": \"#\"}");
    refused(
        "odd-lantern: the schema cannot be used: at self.json#: it refers to itself without end: self.json# -> self.json#",
        "schema",
        "check",
        "self.json",
        "a.json");
    write(
        "tree.json",
        "{\"properties\": {\"x\": {\"type\": \"integer\"}, \"below\": {\"$ref\": \"#\"}}}");
    assertEquals("fits      a.json\n", run(0, "schema", "check", "tree.json", "a.json"));
  }

  @Test
  void aSketchFromFilesAndFromAJournal() throws Exception {
    write("a.json", "{\"id\": 1, \"on\": \"2026-05-13\"}");
    write("b.json", "{\"id\": 2, \"on\": null}");
    String told = run(0, "schema", "sketch", "a.json", "b.json", "--closed", "--to", "hive.json");
    assertEquals("sketched  hive.json from 2 samples\n", told);
    assertEquals(
        "fits      a.json\nfits      b.json\n",
        run(0, "schema", "check", "hive.json", "a.json", "b.json"));
    refused(
        "odd-lantern: hive.json is there already",
        "schema",
        "sketch",
        "a.json",
        "--to",
        "hive.json");
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

  @Test
  void aSchemaThatIsWrongIsToldBeforeAnythingIsSent() throws Exception {
    String source = """
        import static org.oddlantern.check.Checks.*;
        import org.oddlantern.http.*;
        import org.oddlantern.schema.Schema;
        import org.oddlantern.suite.Case;

        public class LostTest {
          static final Schema HIVE = Schema.named("schemas/lost.json");

          @Case("reads")
          void reads() {
            Service.reachedAt("http://127.0.0.1:1").send(Call.get("/")).must(
                body(schema("schemas/broken.json#/$defs/hvie")));
          }
        }
        """;
    Path classes = Sources.compile(folder, "LostTest", source);
    write("classes/schemas/broken.json", "{\"$defs\": {\"hive\": {}}}");
    Files.createDirectories(classes.resolve("schemas"));
    Files.writeString(classes.resolve("schemas/broken.json"), "{\"$defs\": {\"hive\": {}}}");
    Command.Output output = Command.in(folder).run("run", classes.toString());
    assertEquals(2, output.status(), output.out());
    assertTrue(output.err().contains("the plan has 2 problems; nothing was sent:\n"), output.err());
    assertTrue(
        output.err().contains("  LostTest.java:7: there is no file 'schemas/lost.json'"),
        output.err());
    assertTrue(
        output.err().contains("  LostTest.java:12 in reads: the schema cannot be used: ")
            && output
                .err()
                .contains("has no 'hvie', it is an object with hive; did you mean 'hive'?"),
        output.err());
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
