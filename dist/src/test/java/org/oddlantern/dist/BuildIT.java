package org.oddlantern.dist;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.oddlantern.internal.record.CaseRecord;

/** Projects made from nothing: found, run, counted and reported by the ordinary build. */
class BuildIT {

  private static final Path DOCS = Path.of("../docs");

  /** A file to be saved, or commands to be typed. */
  private static final Pattern STEP = Pattern.compile(
      "(?s)Save this as `([^`]+)`[^\\n]*:\\n\\n```\\w+\\n(.*?)```|```sh\\n(.*?)```");

  private static final String POM = """
      <project xmlns="http://maven.apache.org/POM/4.0.0">
        <modelVersion>4.0.0</modelVersion>
        <groupId>org.fennelhill</groupId>
        <artifactId>beeyard-tests</artifactId>
        <version>1</version>
        <properties>
          <maven.compiler.release>17</maven.compiler.release>
          <project.build.sourceEncoding>UTF-8</project.build.sourceEncoding>
        </properties>
        <dependencies>
          <dependency>
            <groupId>org.oddlantern</groupId>
            <artifactId>odd-lantern</artifactId>
            <version>0.1.0</version>
            <scope>test</scope>
          </dependency>
        </dependencies>
        <build>
          <plugins>
            <plugin><artifactId>maven-resources-plugin</artifactId><version>3.5.0</version></plugin>
            <plugin><artifactId>maven-compiler-plugin</artifactId><version>3.16.0</version></plugin>
            <plugin><artifactId>maven-surefire-plugin</artifactId><version>3.6.1</version></plugin>
          </plugins>
        </build>
      </project>
      """;

  private static final String MAKER = """
      package yard;
      import java.util.List;
      import org.oddlantern.suite.*;

      public class MakerTest {
        public record Hive(String label) {}
        public record Kind(String name) {}

        @Samples static List<Kind> kinds() { return List.of(new Kind("long"), new Kind("straw")); }

        @Case("a hive is made") Hive make() { return new Hive("Foxglove"); }
        @Case("a {name} hive is known") void known(Kind kind) {}
        @Case("nobody asks for this") void unasked() {}
      }
      """;

  private static final String TAKER = """
      package yard;
      import org.oddlantern.suite.*;
      import yard.MakerTest.Hive;

      public class TakerTest {
        @Case("the label is kept") void label(Hive hive) {
          if (!hive.label().equals("Foxglove")) throw new AssertionError("wanted Foxglove, got " + hive.label());
        }
        @Case("a hive is weighed") @Skipped(why = "the scales are away") void weighed(Hive hive) {}

        public static class Broken {
          public record Weight(int kilos) {}
          @Case("a hive falls") Weight falls() { throw new IllegalStateException("it fell"); }
          @Case("it is picked up") void pickedUp(Weight weight) {}
        }
      }
      """;

  @TempDir
  Path folder;

  @Test
  void theFirstTestIsFollowedWordForWord() throws Exception {
    Project project = Project.byDefault(folder);
    Command.Running serving = serving();
    try {
      Map<String, String> printed = new TreeMap<>();
      Matcher steps = STEP.matcher(Files.readString(DOCS.resolve("first-test.md")));
      while (steps.find()) {
        if (steps.group(1) != null) {
          project.file(steps.group(1), steps.group(2));
        } else {
          for (String line : steps.group(3).lines().toList()) {
            Command.Output output = typed(project, line);
            assertEquals(0, output.status(), line + "\n" + output.out() + output.err());
            printed.put(line, output.out());
          }
        }
      }
      assertTrue(printed.get("mvn test").contains("Tests run: 1, Failures: 0"));
      assertTrue(
          printed.get("mvn test -Dtest=HiveTest#readBack").contains("Tests run: 3, Failures: 0"));
      assertTrue(printed
          .get("mvn test -Dodd-lantern.lanes=2 -Dodd-lantern.set=services.beeyard.timeout=5s")
          .contains("Tests run: 5, Failures: 0"));
      assertTrue(printed.get("odd-lantern run").contains("\n4 passed in "));
      assertTrue(printed.get("odd-lantern run --case HiveTest").contains("\n3 passed in "));
      assertTrue(printed.get("odd-lantern run --watch").contains("\n4 passed in "));
    } finally {
      serving.process().destroy();
      serving.process().waitFor(); // the next one wants the same port
    }
  }

  @Test
  void theFirstTestOfANewProjectIsGreenAtOnce() throws Exception {
    Command.Running serving = serving();
    try {
      // each Maven with one JDK: the older with the older
      Project project =
          Runtime.version().feature() < 21 ? Project.byMachine(folder) : Project.byDefault(folder);
      Matcher gate =
          Pattern.compile("gate at (http://\\S+)").matcher(Files.readString(serving.out()));
      assertTrue(gate.find());
      Command.Output written =
          project.run("odd-lantern new bees --url " + gate.group(1) + "/season");
      assertEquals(0, written.status(), written.out() + written.err());
      Command.Output built = project.run("cd bees && mvn -B test");
      assertEquals(0, built.status(), built.out() + built.err());
      assertTrue(built.out().contains("Tests run: 1, Failures: 0"), built.out());
      Command.Output ran = project.run("cd bees && odd-lantern run");
      assertTrue(ran.out().contains("\n1 passed in "), ran.out() + ran.err());
    } finally {
      serving.process().destroy();
      serving.process().waitFor(); // the next one wants the same port
    }
  }

  /** The beeyard at the port of the documents; another test may have it for a while. */
  private Command.Running serving() throws Exception {
    for (int tries = 0; ; tries++) {
      Command.Running serving = Command.in(folder).started("demo", "--serve");
      while (!Files.readString(serving.out()).contains("serving   until Ctrl-C")) {
        Thread.sleep(50);
      }
      String told = Files.readString(serving.out());
      if (told.contains("gate at http://127.0.0.1:7411/api\n")) {
        return serving;
      }
      serving.process().destroy();
      serving.process().waitFor();
      assertTrue(tries < 60, told);
    }
  }

  private static Command.Output typed(Project project, String line) throws Exception {
    if (!line.endsWith(" --watch")) {
      return project.run(line);
    }
    Command.Running watching = project.started(line);
    watching.process().getOutputStream().write('e');
    watching.process().getOutputStream().flush();
    return watching.ended();
  }

  @Test
  void newerPlugInsCountWhatTheJournalCountsAndAFilterBringsTheMakers() throws Exception {
    Project project = Project.byMachine(folder)
        .file("pom.xml", POM)
        .file("odd-lantern.yaml", "history: { folder: earlier, keep: 2 }\n")
        .file(
            "src/test/resources/promises/yard.md",
            "- A straw hive is known.\n- [ ] A hive sings.\n")
        .file("src/test/java/yard/MakerTest.java", MAKER)
        .file("src/test/java/yard/TakerTest.java", TAKER);
    Command.Output red = project.run("mvn -B test");
    assertEquals(1, red.status(), red.out());
    assertTrue(red.out().contains("Tests run: 8, Failures: 0, Errors: 1, Skipped: 2"), red.out());
    assertTrue(red.out().contains("IllegalStateException: it fell"), red.out());
    assertEquals(8, project.reported());
    assertEquals(
        Map.of("passed", 0, "unproven", 5, "errored", 1, "blocked", 1, "skipped", 1),
        withPassed(counts(project)));
    assertTrue(Files.readString(folder.resolve("target/odd-lantern/report/index.html"))
        .contains("a straw hive is known"));
    assertTrue(
        Files.readString(folder.resolve("target/odd-lantern/summary.md")).contains("it fell"));
    assertTrue(Files.readString(folder.resolve("target/odd-lantern/report/promises.html"))
        .contains("the test looked at nothing"));
    assertFalse(red.out().contains("has no case"), red.out());
    assertTrue(
        Files.readString(folder.resolve("target/odd-lantern/report/suite-1-MakerTest.html"))
            .contains("Hive make() { return new Hive("),
        "a case that passed tells its code");

    endedJustNow();
    Command.Output alone = project.run("mvn -B -o test -Dtest=TakerTest#label");
    assertEquals(0, alone.status(), alone.out());
    assertTrue(alone.out().contains("Tests run: 2, Failures: 0"), alone.out());
    assertEquals(
        List.of("yard.MakerTest#make", "yard.TakerTest#label"),
        project.told("target/odd-lantern/journal.jsonl").stream()
            .map(CaseRecord::id)
            .sorted()
            .toList());

    project.file("src/test/java/yard/MakerTest.java", MAKER.replace("Foxglove", "Heather"));
    project.file("odd-lantern.yaml", "history: { folder: earlier, keep: 2 }\npromises: strict\n");
    Command.Output failed = project.run("mvn -B -o test -Dtest=TakerTest");
    assertEquals(1, failed.status(), failed.out());
    assertTrue(failed.out().contains("wanted Foxglove, got Heather"), failed.out());
    assertTrue(failed.out().contains("yard.TakerTest.label(TakerTest.java:7)"), failed.out());
    assertTrue(
        failed.out().contains("1 promise has no case: promises/yard.md:2 'A hive sings.'"),
        failed.out());
    assertTrue(Files.readString(folder.resolve("target/odd-lantern/report/history.html"))
        .contains("TakerTest; failed in 1 of 2 runs"));
  }

  /** As if the last line of the earlier build had been written within the second in which one begins. */
  private void endedJustNow() throws IOException {
    try (Stream<Path> files = Files.walk(folder.resolve("target/odd-lantern/journals"))) {
      for (Path journal : files.filter(Files::isRegularFile).toList()) {
        Files.setLastModifiedTime(journal, FileTime.from(Instant.now()));
      }
    }
  }

  @Test
  void theCommandCompilesAFreshProjectAndKeepsItsClassPath() throws Exception {
    Project project = Project.byMachine(folder)
        .file("pom.xml", POM)
        .file("src/test/java/yard/MakerTest.java", MAKER);
    Command.Output first = project.run("odd-lantern run");
    assertEquals(0, first.status(), first.out() + first.err());
    assertTrue(first.out().contains("\n4 unproven in "), first.out());
    assertEquals(
        "odd-lantern: compiling with Maven, since there is no target/test-classes ...\n",
        first.err());
    assertEquals("", project.run("odd-lantern run").err());

    project.file("pom.xml", POM.replace("</project>", "<!-- changed --></project>"));
    assertEquals(
        "odd-lantern: asking Maven for the class path, once until a pom.xml changes ...\n",
        project.run("odd-lantern run").err());

    project.file(
        "pom.xml",
        POM.replace("<artifactId>odd-lantern</artifactId>", "<artifactId>no-such</artifactId>"));
    Command.Output wrong = project.run("odd-lantern run");
    assertEquals(2, wrong.status());
    assertTrue(
        wrong.err().contains("odd-lantern: Maven could not give the class path in "), wrong.err());
    assertTrue(wrong.err().contains("org.oddlantern:no-such:jar:0.1.0"), wrong.err());
  }

  @Test
  void thePipelineDealsTheCasesAndJoinsTheReports() throws Exception {
    String page = Files.readString(DOCS.resolve("ci.md"));
    List<String> commands = commands(block(page, ".gitlab-ci.yml"), "- ((?:mvn|sh) .*)");
    assertEquals(3, commands.size());
    assertEquals(
        commands,
        commands(
            block(page, ".github/workflows/api-tests.yml")
                .replace("part=${{ matrix.part }}/2", "part=auto")
                .replace("${{ matrix.part }}", "$CI_NODE_INDEX"),
            "- run: ((?:mvn|sh) .*)"));
    assertEquals(
        commands,
        commands(
            block(page, "Jenkinsfile")
                .replace("part=$PART/2", "part=auto")
                .replace("$PART", "$CI_NODE_INDEX"),
            "sh '((?:mvn|sh) .*)'"));

    Project project = Project.byMachine(folder)
        .file("pom.xml", POM)
        .file("src/test/java/yard/MakerTest.java", MAKER)
        .with("CI_NODE_TOTAL", "2");
    Command.Output unknown = project.run(commands.get(0));
    assertEquals(1, unknown.status());
    assertTrue(
        unknown.out().contains("part auto reads what a build server sets for parallel jobs"),
        unknown.out());
    for (String part : List.of("1", "2")) {
      Command.Output ran = project.with("CI_NODE_INDEX", part).run(commands.get(0));
      assertEquals(0, ran.status(), ran.out());
      assertEquals(2, project.told("target/parts/" + part + "/journal.jsonl").size());
    }
    assertEquals(0, project.run(commands.get(1)).status());
    Command.Output joined = project.run(commands.get(2));
    assertEquals(0, joined.status(), joined.out() + joined.err());
    assertTrue(joined.out().startsWith("joined    2 journals\n"), joined.out());
    assertEquals(4, project.told("target/joined/journal.jsonl").size());

    project.run("cp -r target/parts parts; mkdir history; cp target/joined/journal.jsonl history");
    Matcher steps = STEP.matcher(page);
    while (steps.find()) {
      if (steps.group(3) != null) {
        for (String line : steps.group(3).lines().toList()) {
          Command.Output typed = project.run(line);
          assertEquals(0, typed.status(), line + "\n" + typed.out() + typed.err());
        }
      }
    }
  }

  private static String block(String page, String file) {
    Matcher steps = STEP.matcher(page);
    while (steps.find()) {
      if (file.equals(steps.group(1))) {
        return steps.group(2);
      }
    }
    throw new IllegalStateException("docs/ci.md has no " + file);
  }

  private static List<String> commands(String text, String form) {
    return Pattern.compile(form)
        .matcher(text)
        .results()
        .map(found -> found.group(1))
        .toList();
  }

  private static Map<String, Integer> counts(Project project) throws Exception {
    return project.told("target/odd-lantern/journal.jsonl").stream()
        .collect(Collectors.toMap(CaseRecord::word, one -> 1, Integer::sum, TreeMap::new));
  }

  private static Map<String, Integer> withPassed(Map<String, Integer> counts) {
    counts.putIfAbsent("passed", 0);
    return counts;
  }
}
