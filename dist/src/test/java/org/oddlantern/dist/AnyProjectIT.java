package org.oddlantern.dist;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.oddlantern.internal.record.CaseRecord;

/**
 * Projects of other people's, with the versions that they have: a suite runs in them as they are, by the
 * build and by the command, and what is on their class path does not change.
 */
class AnyProjectIT {

  private static final String DEPENDENCY =
      "(?s)<dependency><groupId>org\\.oddlantern</groupId>.*?</dependency>";

  private static final String SUITE = """
      package yard;
      import org.oddlantern.suite.Case;

      public class %s {
        @Case("it is weighed") void weighed() {}
      }
      """;

  @TempDir
  Path folder;

  @ParameterizedTest
  @CsvSource({
    "3.5.7, com.fasterxml.jackson.databind.ObjectMapper",
    "4.0.0, tools.jackson.databind.json.JsonMapper"
  })
  void springBootWithItsBeansItsDatabaseAndItsMapper(String version, String mapper)
      throws Exception {
    Project project = copied("spring")
        .replaced("pom.xml", "3.5.7", version)
        .replaced(
            "src/test/java/org/example/apiary/HiveTest.java",
            "import com.fasterxml.jackson.databind.ObjectMapper;",
            "import " + mapper + ";")
        .replaced(
            "src/test/java/org/example/apiary/HiveTest.java",
            "ObjectMapper.class",
            mapper.replaceAll(".*\\.", "") + ".class");
    Command.Output built = project.run("mvn -B test");
    assertEquals(0, built.status(), built.out() + built.err());
    assertTrue(
        built.out().contains("Tests run: 4, Failures: 0, Errors: 0, Skipped: 0"), built.out());
    assertEquals(3, project.told("target/odd-lantern/journal.jsonl").size());
    assertSilent(built);

    Command.Output ran = project.run("odd-lantern run");
    assertEquals(0, ran.status(), ran.out() + ran.err());
    assertTrue(ran.out().contains("\n3 passed in "), ran.out());
    assertSilent(ran);
    assertEquals(Set.of("org.oddlantern:odd-lantern:jar:0.1.0:test"), broughtTo(project));
  }

  @Test
  void kotlinWithDataClassesAnotherFrameworkAndAnOlderJackson() throws Exception {
    Project project = copied("kotlin");
    Command.Output built = project.run("mvn -B test");
    assertEquals(0, built.status(), built.out() + built.err());
    assertTrue(
        built.out().contains("Tests run: 5, Failures: 0, Errors: 0, Skipped: 0"), built.out());
    assertSilent(built);
    Command.Output ran = project.run("odd-lantern run");
    assertEquals(0, ran.status(), ran.out() + ran.err());
    assertTrue(ran.out().contains("\n5 passed in "), ran.out());
    assertTrue(ran.out().contains("a hive for straw is told"), ran.out());
    assertSilent(ran);

    project.file(
        "src/test/kotlin/org/example/apiary/WrongTest.kt",
        Files.readString(Path.of("src/test/resources/projects/kotlin-wrong.kt")));
    Command.Output wrong = project.run("mvn -B -o test");
    assertEquals(1, wrong.status(), wrong.out());
    for (String problem : List.of(
        "WrongTest#suspended (WrongTest.kt:11): it is a suspend function",
        "(WrongTest.kt:13): it takes or returns a value class (@JvmInline)",
        "(WrongTest.kt:18): it stands in a companion object without @JvmStatic")) {
      assertTrue(wrong.out().contains(problem), problem + " is not told:\n" + wrong.out());
    }
    assertTrue(wrong.out().contains("the plan has 3 problems; nothing was sent"), wrong.out());
  }

  @Test
  void unitTestsAndIntegrationTestsOfAModuleHaveOneReport() throws Exception {
    Project project = copied("plain");
    for (String suite : List.of("HoneyTest", "WaxTest", "SaleIT")) {
      project.file("src/test/java/yard/" + suite + ".java", SUITE.formatted(suite));
    }
    for (int build = 0; build < 2; build++) {
      Command.Output built = project.run("mvn -B verify");
      assertEquals(0, built.status(), built.out());
      assertEquals(
          List.of("yard.HoneyTest#weighed", "yard.SaleIT#weighed", "yard.WaxTest#weighed"),
          project.told("target/odd-lantern/journal.jsonl").stream()
              .map(CaseRecord::id)
              .sorted()
              .toList());
    }
    assertEquals(
        Set.of("org.oddlantern:odd-lantern:jar:0.1.0:test"),
        broughtTo(project).stream()
            .filter(name -> !name.startsWith("org.junit.") && !name.startsWith("org.opentest4j:"))
            .filter(name -> !name.startsWith("org.apiguardian:"))
            .collect(Collectors.toSet()));
  }

  private static void assertSilent(Command.Output output) {
    String all = output.out() + output.err();
    assertFalse(all.contains("SLF4J("), all);
    assertFalse(all.contains("multiple"), all);
  }

  /** What is on the class path with us and not without. */
  private Set<String> broughtTo(Project project) throws Exception {
    Set<String> with = listed(project);
    Path pom = folder.resolve("pom.xml");
    Files.writeString(pom, Files.readString(pom).replaceAll(DEPENDENCY, ""));
    Set<String> without = listed(project);
    assertTrue(with.containsAll(without), () -> "gone with us: " + without + " became " + with);
    with.removeAll(without);
    return with;
  }

  private Set<String> listed(Project project) throws Exception {
    Command.Output output = project.run(
        "mvn -B -o org.apache.maven.plugins:maven-dependency-plugin:3.11.0:list -DoutputFile=target/list.txt");
    assertEquals(0, output.status(), output.out());
    Set<String> names = new TreeSet<>();
    for (String line : Files.readAllLines(folder.resolve("target/list.txt"))) {
      if (line.startsWith("   ") && line.contains(":")) {
        names.add(line.strip().replaceAll("\\s.*", ""));
      }
    }
    return names;
  }

  private Project copied(String name) throws IOException {
    Path from = Path.of("src/test/resources/projects", name);
    Project project = Project.byMachine(folder);
    List<Path> files;
    try (Stream<Path> all = Files.walk(from)) {
      files = all.filter(Files::isRegularFile).toList();
    }
    for (Path file : files) {
      project.file(from.relativize(file).toString(), Files.readString(file));
    }
    return project;
  }
}
