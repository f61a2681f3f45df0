package org.oddlantern.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;

/** Each bad input gets one clear message, the right exit status, and no stack trace. */
class BadInputTest {

  private static final String SUITE = """
      import org.oddlantern.config.Environment;
      import org.oddlantern.http.*;
      import org.oddlantern.suite.Case;

      public class %s {
        %s
      }
      """;

  private final Path folder = Shell.emptyFolder();

  @Test
  void wordsThatCannotBeFollowed() throws Exception {
    refused(2, "odd-lantern: a command is missing\n'odd-lantern --help' shows what there is.\n");
    refused(2, "odd-lantern: no command 'runn'; did you mean 'run'?\n", "runn");
    refused(2, "odd-lantern: no command 'swarm'; there are run, list, ", "swarm");
    refused(2, "odd-lantern: no command 'chekc'; did you mean 'check'?\n", "schema", "chekc");
    refused(2, "odd-lantern: no command 'lst'; did you mean 'list'?\n", "help", "lst");
    refused(2, "odd-lantern: Unknown option: '--lane'\n", "run", "x", "--lane", "3");
    refused(
        2,
        "odd-lantern: Unknown option: '--threads'; it is called --lanes\n",
        "run",
        "--threads",
        "3");
    refused(2, "odd-lantern: Unknown option: '--threads'\n", "list", "x", "--threads");
    refused(
        2,
        "odd-lantern: Unknown option: '--shard=2/5'; it is called --part\n",
        "run",
        "x",
        "--shard=2/5");
    refused(
        2,
        "odd-lantern: say where the suites are: a class folder or a jar, for instance target/test-classes (not needed where there is a pom.xml)\n",
        "run");
    refused(
        2,
        "odd-lantern: there is no missing; name a class folder or a jar (in a Maven project target/test-classes, after 'mvn test-compile')\n",
        "run",
        "missing");
    Files.writeString(folder.resolve("notes.txt"), "");
    refused(2, "odd-lantern: notes.txt is neither a class folder nor a jar\n", "list", "notes.txt");
    Files.writeString(folder.resolve("no.jar"), "this is no jar");
    refused(
        2,
        "odd-lantern: the plan has a problem; nothing was sent:\n  no.jar: it cannot be read: ",
        "run",
        "no.jar");
  }

  @Test
  void pathsAndWordsThatAreWrong() throws Exception {
    Files.writeString(folder.resolve("hive.json"), "{\"id\": 4,\n \"label\" \"Foxglove\"}");
    refused(
        2,
        "odd-lantern: hive.json, line 2, column 10: this is not JSON: a colon is wanted between a name and its value, not '\"'\n",
        "path",
        "$",
        "hive.json");
    refused(
        2,
        "odd-lantern: the path cannot be read: wanted a comparison, since a value alone is no condition, at character 5\n  $[?1]\n      ^\n",
        "path",
        "$[?1]",
        "hive.json");
    refused(2, "odd-lantern: there is no file none.json\n", "path", "$", "none.json");
    refused(
        2,
        "odd-lantern: --fail-on does not know 'warnd'; did you mean 'warned'? it takes warned, unproven, fixed, flaky, skipped, pending, undescribed\n",
        "run",
        suite("CalmTest", "@Case void calm() {}"),
        "--fail-on",
        "unproven,warnd");
  }

  @Test
  void settingsThatAreWrong() throws Exception {
    String classes = suite(
        "OneTest",
        "@Case void one(Environment env) { env.service(\"beeyard\").send(Call.get(\"/\")); }");
    Path file = folder.resolve("odd-lantern.yaml");
    Files.writeString(file, "environment: local\nenvironments:\n  local:\n    servces: {}\n");
    refused(
        2,
        "odd-lantern: " + file.toRealPath()
            + ", line 4: unknown key 'servces' in the environment 'local'; did you mean 'services'? known are services, databases, readOnly\n",
        "run",
        classes);
    Files.writeString(file, "environment: local\n  environments: [\n");
    refused(
        2,
        "odd-lantern: " + file.toRealPath() + ", line 2, column 15: this is not YAML: ",
        "run",
        classes);
    Files.writeString(file, "environments: { local: {} }\n");
    refused(
        2,
        "odd-lantern: there is no environment 'locall' in " + file.toRealPath()
            + "; it has local (did you mean 'local'?)\n",
        "run",
        classes,
        "--env",
        "locall");
    Files.delete(file);
    Shell.Output output = Shell.run("run", classes);
    assertEquals(1, output.status());
    assertTrue(
        output.out().contains("no odd-lantern.yaml was found; put one beside the build file:"),
        output.out());
    assertTrue(
        output.out().contains("beeyard: { url: \"http://127.0.0.1:7411/api\" }"), output.out());
  }

  @Test
  void suitesThatAreWrong() throws Exception {
    refused(
        2,
        """
        odd-lantern: the plan has 2 problems; nothing was sent:
          WrongTest#one (WrongTest.java:8): the constructor of WrongTest takes String, which cannot be handed from case to case, since it says nothing about what it is: make a record of it, like  record HiveId(String value) {}
          WrongTest#one (WrongTest.java:8): it returns int, which cannot be handed""",
        "run",
        suite("WrongTest", "WrongTest(String name) {}\n\n  @Case int one() { return 1; }"));
    String classes = suite("EmptyTest", "@Case(\"the bees are counted\") void one() {}");
    refused(
        3,
        "odd-lantern: no case is called the bees are conted (did you mean the bees are counted?); there is 1 case, which 'odd-lantern list' shows\n",
        "run",
        classes,
        "--case",
        "the bees are conted");
    refused(
        3,
        "odd-lantern: there are no cases: no class there has a method with @Case\n",
        "run",
        suite("Nothing", ""));
    Path broken = Path.of(
        suite("BrokenTest", "static class Part {}\n  @Case void one(Part part) {}\n  Part field;"));
    Files.delete(broken.resolve("BrokenTest$Part.class"));
    refused(
        2,
        "odd-lantern: the plan has a problem; nothing was sent:\n  BrokenTest: the class cannot be loaded: it needs BrokenTest$Part, which is not on the class path; add it with --class-path\n",
        "run",
        broken.toString());
  }

  @Test
  void whatACaseNamesThatIsNotThere() throws Exception {
    String classes = suite("FilesTest", """
            @Case void missing() { org.oddlantern.payload.Payload.file("payloads/none.json").toString(); }
              @Case void path() { org.oddlantern.check.Checks.at("$.a[", 1); }
              @Case void broken() { org.oddlantern.payload.Payload.json("{\\"a\\": }"); }
            """);
    Shell.Output output = Shell.run("run", classes);
    assertEquals(1, output.status());
    assertTrue(
        output
            .out()
            .contains(
                "there is no file 'payloads/none.json': looked on the class path of the suites"),
        output.out());
    assertTrue(
        output
            .out()
            .contains(
                "the path cannot be read: wanted a quoted name, an index, a slice, '*' or a filter that begins with '?' at character 5"),
        output.out());
    assertTrue(
        output.out().contains("the text of a payload is not JSON: line 1, column 7: "),
        output.out());
    assertTrue(output.out().contains("\n3 errored in "), output.out());
  }

  @Test
  void whatNamesNothingAndWhatNobodyCanUse() throws Exception {
    String classes = suite(
        "OneTest",
        "@Case void one(Environment env) { env.service(\"beeyard\").send(Call.get(\"/\")); }");
    Path file = folder.resolve("odd-lantern.yaml");
    Files.writeString(
        file,
        "environments:\n  local:\n    services:\n      beeyard: { url: \"htp://here\", bearer: \"${NOT_SET_ANYWHERE}\" }\n");
    refused(
        2,
        "odd-lantern: " + file.toRealPath()
            + ", line 4: 'htp://here' is not the address of a service:",
        "run",
        classes);
    Files.writeString(
        file,
        "environments:\n  local:\n    services:\n      beeyard: { url: \"http://127.0.0.1:1\", bearer: { file: none.txt } }\n");
    refused(2, "odd-lantern: " + file.toRealPath() + ", line 4: the file ", "run", classes);
    Files.writeString(
        file,
        "environments: { local: { services: { beeyard: { url: \"http://127.0.0.1:1\" } } } }\n");
    refused(
        2,
        "odd-lantern: --set services.beeyrad.timeout: no environment has a service 'beeyrad'; there are beeyard (did you mean 'beeyard'?)\n",
        "run",
        classes,
        "--set",
        "services.beeyrad.timeout=3s");
    refused(
        2,
        "odd-lantern: --env wants the name of an environment, and got nothing\n",
        "run",
        classes,
        "--env",
        "");
    refused(
        2,
        "odd-lantern: --seed wants the seed that a run printed, and got nothing\n",
        "run",
        classes,
        "--seed",
        "");
    refused(
        2,
        "odd-lantern: the name of a class folder or a jar is wanted, and got nothing\n",
        "run",
        "");
    refused(
        2,
        "odd-lantern: --times-from names gone, which is not there\n",
        "run",
        classes,
        "--times-from",
        "gone");
    refused(
        2,
        "odd-lantern: --class-path names gone.jar, which is not there\n",
        "run",
        classes,
        "--class-path",
        "gone.jar");
    refused(
        2,
        "odd-lantern: --har-of names Two#two, and no case that is to run is called so\n",
        "run",
        classes,
        "--har-of",
        "Two#two");
    Files.write(file, new byte[] {'#', ' ', (byte) 0xFC, '\n'});
    refused(
        2,
        "odd-lantern: " + file.toRealPath()
            + ", line 1: this is not UTF-8; save the file in that encoding\n",
        "run",
        classes);
    Files.delete(file);
  }

  @Test
  void classFilesAndJournalsThatCannotBeRead() throws Exception {
    Path classes = Path.of(suite("OneTest", "@Case void one() {}"));
    byte[] whole = Files.readAllBytes(classes.resolve("OneTest.class"));
    String start = "odd-lantern: the plan has a problem; nothing was sent:\n  ";
    byte[] newer = whole.clone();
    newer[7] = 120;
    Files.write(classes.resolve("OneTest.class"), newer);
    Shell.Output output = Shell.run("run", classes.toString());
    assertEquals(2, output.status());
    assertTrue(output.err().contains("compiled for Java 76, and this is Java "), output.err());
    Files.write(classes.resolve("OneTest.class"), java.util.Arrays.copyOf(whole, whole.length / 2));
    output = Shell.run("run", classes.toString());
    assertEquals(2, output.status());
    assertTrue(
        output.err().startsWith(start) && output.err().contains("cut off or damaged"),
        output.err());
    Files.writeString(classes.resolve("OneTest.class"), "garbage");
    output = Shell.run("run", classes.toString());
    assertEquals(2, output.status());
    assertTrue(output.err().contains("no class file; compile the suites anew"), output.err());
    Files.writeString(
        folder.resolve("journal.jsonl"), "{\"event\":\"run-started\",\"format\":9}\n");
    output = Shell.run("report", "journal.jsonl");
    assertEquals(1, output.status(), output.err());
    assertTrue(
        output.out().contains("is written in format 9; this version of Odd Lantern reads format 1"),
        output.out());
    Files.writeString(folder.resolve("journal.jsonl"), "{\"event\":\"bees-swarmed\"}\n{}\n");
    output = Shell.run("report", "journal.jsonl");
    assertFalse(output.out().contains("RunEvent"), output.out());
  }

  @Test
  void aFolderThatCannotBeWritten() throws Exception {
    Files.writeString(folder.resolve("taken"), "");
    String classes = suite("OneTest", "@Case void one() {}");
    refused(2, "odd-lantern: the folder taken cannot be made (", "run", classes, "--out", "taken");
  }

  private String suite(String name, String members) throws Exception {
    return Shell.compiled(name, SUITE.formatted(name, members)).toString();
  }

  private void refused(int status, String message, String... words) throws Exception {
    Shell.Output output = Shell.run(words);
    assertTrue(
        output.err().startsWith(message), () -> "wanted\n" + message + "\ngot\n" + output.err());
    assertFalse(output.err().contains("\tat "), output.err());
    assertEquals(status, output.status(), output.err());
  }
}
