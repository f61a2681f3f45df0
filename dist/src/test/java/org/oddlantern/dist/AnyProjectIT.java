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
import java.util.regex.Pattern;
import java.util.stream.Collectors;
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

  private static final String PLAIN = """
      package yard;

      class PlainTest {
        @org.junit.jupiter.api.Test void plain() {}
      }
      """;

  private static final String ALL = """
      <project xmlns="http://maven.apache.org/POM/4.0.0">
        <modelVersion>4.0.0</modelVersion>
        <groupId>org.example</groupId>
        <artifactId>all</artifactId>
        <version>1</version>
        <packaging>pom</packaging>
        <modules>%s</modules>
      </project>
      """;

  private static final String JUNIT_5_9 = """
      <dependencyManagement>
        <dependencies>
          <dependency><groupId>org.junit</groupId><artifactId>junit-bom</artifactId><version>5.9.3</version><type>pom</type><scope>import</scope></dependency>
        </dependencies>
      </dependencyManagement>
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
    Project project = Project.copied("spring", folder)
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
        built.out().contains("Tests run: 5, Failures: 0, Errors: 0, Skipped: 0"), built.out());
    assertEquals(4, project.told("target/odd-lantern/journal.jsonl").size());
    assertSilent(built);

    if (version.startsWith("3.")) { // one of them is enough for what does not depend on it
      return;
    }
    Command.Output ran = project.run("odd-lantern run");
    assertEquals(0, ran.status(), ran.out() + ran.err());
    assertTrue(ran.out().contains("\n3 passed in "), ran.out());
    assertSilent(ran);
  }

  @Test
  void whatFrameworksManageStaysAsItIs() throws Exception {
    List<String> frameworks = List.of("spring", "quarkus", "micronaut");
    Project project = Project.byDefault(folder);
    StringBuilder modules = new StringBuilder();
    for (String framework : frameworks) {
      String pom = Files.readString(Path.of("src/test/resources/projects", framework, "pom.xml"));
      for (String kind : List.of("with", "without")) {
        String name = framework + "-" + kind;
        project.file(
            name + "/pom.xml",
            pom.replaceFirst("<artifactId>apiary<", "<artifactId>" + name + "<")
                .replaceAll(kind.equals("with") ? "^$" : DEPENDENCY, ""));
        modules.append("<module>").append(name).append("</module>");
      }
    }
    project.file("pom.xml", ALL.formatted(modules));
    Command.Output output = project.run(
        "mvn -B org.apache.maven.plugins:maven-dependency-plugin:3.11.0:tree -DoutputFile=target/tree.txt");
    assertEquals(0, output.status(), output.out());
    for (String framework : frameworks) {
      Set<String> with = tree(framework + "-with");
      Set<String> without = tree(framework + "-without");
      assertTrue(with.containsAll(without), () -> "gone with us: " + without + " became " + with);
      with.removeAll(without);
      // where there was only a part of it
      with.removeIf(one -> framework.equals("micronaut") && one.startsWith("org.junit."));
      assertEquals(Set.of("org.oddlantern:odd-lantern:jar:0.1.0:test"), with);
    }
  }

  @Test
  void kotlinWithDataClassesAnotherFrameworkAndAnOlderJackson() throws Exception {
    Project project = Project.copied("kotlin", folder);
    Command.Output built = project.run("mvn -B test");
    assertEquals(0, built.status(), built.out() + built.err());
    assertTrue(
        built.out().contains("Tests run: 6, Failures: 0, Errors: 0, Skipped: 0"), built.out());
    assertSilent(built);
    Command.Output ran = project.run("odd-lantern run --case HiveTest");
    assertEquals(0, ran.status(), ran.out() + ran.err());
    assertTrue(ran.out().contains("\n6 passed in "), ran.out());
    assertTrue(ran.out().contains("a hive for straw is told"), ran.out());
    assertSilent(ran);

    Command.Output wrong = project.run("odd-lantern list");
    assertEquals(2, wrong.status(), wrong.out());
    String told = wrong.out() + wrong.err();
    for (String problem : List.of(
        "WrongSuite#suspended (WrongSuite.kt:11): it is a suspend function",
        "(WrongSuite.kt:13): it takes or returns a value class (@JvmInline)",
        "(WrongSuite.kt:18): it is in a companion object without @JvmStatic")) {
      assertTrue(told.contains(problem), problem + " is not told:\n" + told);
    }
    assertTrue(told.contains("3 problems"), told);
  }

  @Test
  void unitTestsAndIntegrationTestsOfAModuleHaveOneReport() throws Exception {
    Project project = Project.copied("plain", folder);
    for (String suite : List.of("HoneyTest", "WaxTest", "SaleIT")) {
      project.file("src/test/java/yard/" + suite + ".java", SUITE.formatted(suite));
    }
    project.file("src/test/java/yard/PlainTest.java", PLAIN);
    Command.Output built = project.run("mvn -B verify");
    assertEquals(0, built.status(), built.out());
    assertFalse(built.out().contains("WARNING: TestExecutionListener"), built.out());
    assertTrue(built.out().contains("Tests run: 3, Failures: 0, Errors: 0"), built.out());
    assertEquals(
        List.of("yard.HoneyTest#weighed", "yard.SaleIT#weighed", "yard.WaxTest#weighed"),
        project.told("target/odd-lantern/journal.jsonl").stream()
            .map(CaseRecord::id)
            .sorted()
            .toList());
  }

  @Test
  void settingsThatAreWrongAreOneProblemBesideTestsOfTheProjectsOwnOnAnOlderJUnit()
      throws Exception {
    Project project = Project.copied("plain", folder)
        .replaced("pom.xml", "<dependencies>", JUNIT_5_9 + "<dependencies>")
        .file("src/test/java/yard/HoneyTest.java", SUITE.formatted("HoneyTest"))
        .file("src/test/java/yard/PlainTest.java", PLAIN);
    Command.Output right = project.run("mvn -B test");
    assertEquals(0, right.status(), right.out());
    assertTrue(right.out().contains("Tests run: 2, Failures: 0, Errors: 0"), right.out());

    project.file("odd-lantern.yaml", "enviroment: local\n");
    Command.Output wrong = project.run("mvn -B -o test");
    assertEquals(1, wrong.status(), wrong.out());
    assertTrue(wrong.out().contains("Tests run: 2, Failures: 0, Errors: 1"), wrong.out());
    String problem =
        "line 1: unknown key 'enviroment' in the settings; did you mean 'environment'?";
    assertEquals(2, wrong.out().split(Pattern.quote(problem), -1).length - 1, wrong.out());
    assertFalse(wrong.out().contains("threw exception"), wrong.out());
  }

  private static void assertSilent(Command.Output output) {
    String all = output.out() + output.err();
    assertFalse(all.contains("SLF4J("), all);
    assertFalse(all.contains("multiple"), all);
  }

  private Set<String> tree(String module) throws IOException {
    return Files.readAllLines(folder.resolve(module).resolve("target/tree.txt")).stream()
        .skip(1) // the project itself
        .map(line -> line.replaceFirst("^[ |+\\\\-]+", "").replaceAll("\\s.*", ""))
        .collect(Collectors.toCollection(TreeSet::new));
  }
}
