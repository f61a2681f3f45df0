package org.oddlantern.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** The verbs of {@code odd-lantern schema} on small files. */
class SchemaTest {

  @BeforeEach
  void empty() {
    Shell.emptyFolder();
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
    Path classes = Shell.compiled("LostTest", source);
    write("classes/schemas/broken.json", "{\"$defs\": {\"hive\": {}}}");
    Files.createDirectories(classes.resolve("schemas"));
    Files.writeString(classes.resolve("schemas/broken.json"), "{\"$defs\": {\"hive\": {}}}");
    Shell.Output output = Shell.run("run", classes.toString());
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

  @Test
  void aSketchOfFilesFitsThem() throws Exception {
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
    write("more.json", "{\"id\": 3, \"on\": null, \"wax\": 4}");
    String differs = run(1, "schema", "check", "hive.json", "more.json");
    assertTrue(differs.startsWith("differs   more.json: 1 violation\n          at "), differs);
    assertTrue(
        differs.contains("          wanted  no field 'wax', says hive.json#/additionalProperties"),
        differs);
    for (String form : new String[] {"flag", "basic", "detailed"}) {
      String output = run(1, "schema", "check", "--as", form, "hive.json", "more.json", "a.json");
      assertTrue(
          output.contains("\"valid\" : false") || output.contains("\"valid\": false"), output);
      assertTrue(output.contains("\"file\": \"a.json\""), output);
    }
    assertFalse(run(0, "schema", "sketch", "a.json").contains("\"null\""));
  }

  private static void write(String name, String text) throws IOException {
    Shell.write(name, text);
  }

  private static String run(int status, String... words) {
    return Shell.says(status, words);
  }

  private static void refused(String message, String... words) {
    Shell.Output output = Shell.run(words);
    assertEquals(2, output.status(), output.out() + output.err());
    assertTrue(output.err().startsWith(message), output.err());
  }
}
