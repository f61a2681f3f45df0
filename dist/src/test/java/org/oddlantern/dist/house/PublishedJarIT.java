package org.oddlantern.dist.house;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.jar.JarFile;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.zip.ZipEntry;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What is published: one jar that stands in nobody's way, and what fits it. */
class PublishedJarIT {

  private static final String VERSION = System.getProperty("built.version");
  private static final Path BUNDLE = Path.of("../bundle/target");
  private static final String JAR = "odd-lantern-" + VERSION;

  @ParameterizedTest
  @ValueSource(strings = {"bundle/target/odd-lantern-", "cli/target/odd-lantern-cli-"})
  void everyClassLiesBelowOurName(String jar) throws IOException {
    Set<String> names = names(Path.of("..", jar + VERSION + ".jar"));
    assertEquals(
        List.of(),
        names.stream()
            .filter(name -> name.endsWith(".class"))
            .filter(name -> !name.matches("(META-INF/versions/\\d+/)?org/oddlantern/.*"))
            .toList());
    assertEquals(
        List.of(),
        names.stream()
            .filter(name -> name.matches("META-INF/services/.+"))
            .filter(
                name -> !name.matches("META-INF/services/org\\.(oddlantern|junit\\.platform)\\..*"))
            .toList(),
        "services of others would be found in a project");
  }

  @Test
  void theNoticesOfThirdPartiesAreInIt() throws IOException {
    try (JarFile jar = new JarFile(BUNDLE.resolve(JAR + ".jar").toFile())) {
      String notice = text(jar, "META-INF/THIRD-PARTY.txt");
      for (String library :
          List.of("Jackson", "HttpComponents", "SnakeYAML", "ASM", "jte", "SLF4J", "commonmark")) {
        assertTrue(notice.contains(library), library);
      }
      Matcher named = Pattern.compile("META-INF/[\\w./-]*\\w").matcher(notice);
      while (named.find()) {
        assertTrue(jar.getEntry(named.group()) != null, named.group() + " is named and not there");
      }
      String bill = text(jar, "META-INF/sbom/bom.json");
      assertTrue(
          bill.contains("\"purl\" : \"pkg:maven/tools.jackson.core/jackson-databind@"), bill);
      assertEquals("true", jar.getManifest().getMainAttributes().getValue("Multi-Release"));
    }
  }

  @Test
  void theSourcesAreThoseOfTheClasses() throws IOException {
    Set<String> sources = names(BUNDLE.resolve(JAR + "-sources.jar"));
    assertEquals(
        List.of(),
        names(BUNDLE.resolve(JAR + ".jar")).stream()
            .filter(name -> name.matches("org/oddlantern/.*\\.class"))
            .filter(name -> !name.matches(".*/(shaded|templates)/.*|.*\\$.*"))
            .map(name -> name.replace(".class", ".java"))
            .filter(name -> !sources.contains(name))
            .toList());
  }

  @Test
  void itBringsJUnitAndNothingElse() throws IOException {
    String pom = Files.readString(BUNDLE.resolve("published-pom.xml"));
    Matcher dependencies = Pattern.compile(
            "(?s)<dependency>.*?<artifactId>(.*?)</artifactId>.*?<scope>(.*?)</scope>.*?</dependency>")
        .matcher(pom);
    Set<String> brought = new TreeSet<>();
    while (dependencies.find()) {
      if (dependencies.group(2).equals("compile") || dependencies.group(2).equals("runtime")) {
        brought.add(dependencies.group(1));
      }
    }
    assertEquals(Set.of("junit-jupiter"), brought);
  }

  private static Set<String> names(Path file) throws IOException {
    try (JarFile jar = new JarFile(file.toFile())) {
      return jar.stream().map(ZipEntry::getName).collect(Collectors.toCollection(TreeSet::new));
    }
  }

  private static String text(JarFile jar, String name) throws IOException {
    return new String(
        jar.getInputStream(jar.getEntry(name)).readAllBytes(), StandardCharsets.UTF_8);
  }
}
