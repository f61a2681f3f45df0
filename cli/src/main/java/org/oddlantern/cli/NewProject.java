package org.oddlantern.cli;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.oddlantern.config.internal.Settings;
import org.oddlantern.config.internal.SettingsSchema;

/** A folder into which the files of a project are written, but for those that are there. */
final class NewProject {

  private static final String DEPENDENCY = """
      <dependency>
        <groupId>org.oddlantern</groupId>
        <artifactId>odd-lantern</artifactId>
        <version>%s</version>
        <scope>test</scope>
      </dependency>
      """.formatted(Version.number());

  /** Every version is named: what older Mavens take by themselves finds no suites. */
  private static final String BUILD = """
      <project xmlns="http://maven.apache.org/POM/4.0.0">
        <modelVersion>4.0.0</modelVersion>
        <groupId>org.example</groupId>
        <artifactId>%s</artifactId>
        <version>1</version>
        <properties>
          <maven.compiler.release>17</maven.compiler.release>
          <project.build.sourceEncoding>UTF-8</project.build.sourceEncoding>
        </properties>
        <dependencies>
      %s  </dependencies>
        <build>
          <plugins>
            <plugin><artifactId>maven-resources-plugin</artifactId><version>3.5.0</version></plugin>
            <plugin><artifactId>maven-compiler-plugin</artifactId><version>3.16.0</version></plugin>
            <plugin><artifactId>maven-surefire-plugin</artifactId><version>3.6.1</version></plugin>
          </plugins>
        </build>
      </project>
      """;

  private final Terminal terminal;
  private final Path folder;

  NewProject(Terminal terminal, Path folder) {
    this.terminal = terminal;
    this.folder = folder;
  }

  void write(FirstCase first, @Nullable Pipeline pipeline) {
    write(
        first.settings(SettingsSchema.FILE),
        Map.of("src/test/java/api/FirstTest.java", first.source()),
        pipeline);
  }

  /** The same with what a description gives. */
  void write(DescribedProject described, @Nullable Pipeline pipeline) {
    write(described.settings(SettingsSchema.FILE), described.files(), pipeline);
  }

  private void write(String settings, Map<String, String> files, @Nullable Pipeline pipeline) {
    boolean built =
        !write("pom.xml", BUILD.formatted(artifact(), DEPENDENCY.indent(4)), !isGradle());
    write(Settings.FILE, settings, true);
    write(SettingsSchema.FILE, SettingsSchema.text(), true);
    files.forEach((name, text) -> write(name, text, true));
    write("src/test/resources/payloads/.gitkeep", "", true);
    write("src/test/resources/schemas/.gitkeep", "", true);
    write(".gitignore", "target/\nodd-lantern-out/\n", true);
    if (pipeline != null) {
      write(pipeline.file(), pipeline.text(), true);
    }
    terminal.out().println();
    if (built) {
      needs();
    }
    String there = folder.normalize().toString();
    terminal
        .out()
        .println("next      " + (there.isEmpty() ? "" : "cd " + there + " && ")
            + (isGradle() ? "gradle test" : "mvn test"));
  }

  private boolean isGradle() {
    return Files.exists(folder.resolve("build.gradle"))
        || Files.exists(folder.resolve("build.gradle.kts"));
  }

  /** What a build that is there has to be told. */
  private void needs() {
    if (isGradle()) {
      terminal
          .out()
          .println("needed    testImplementation(\"org.oddlantern:odd-lantern:" + Version.number()
              + "\") and test { useJUnitPlatform() } in the build that is there");
      return;
    }
    terminal
        .out()
        .println(
            "needed    this dependency in the pom.xml that is there, and maven-surefire-plugin 3.0 or newer:");
    DEPENDENCY.lines().forEach(line -> terminal.out().println("          " + line));
  }

  /** Writes a file that is not there. */
  private boolean write(String name, String text, boolean wanted) {
    if (!wanted) {
      return false;
    }
    Path file = folder.resolve(name).normalize();
    try {
      Path above = file.toAbsolutePath().getParent();
      if (above != null) {
        Files.createDirectories(above);
      }
      Files.write(file, text.getBytes(StandardCharsets.UTF_8), StandardOpenOption.CREATE_NEW);
      terminal.out().println("wrote     " + file);
      return true;
    } catch (FileAlreadyExistsException e) {
      terminal.out().println("left      " + file + ", which is there already");
      return false;
    } catch (IOException e) {
      throw new Misuse("the file " + file + " cannot be written: " + e);
    }
  }

  private String artifact() {
    Path name = folder.toAbsolutePath().normalize().getFileName();
    String plain = (name == null ? "" : name.toString())
        .toLowerCase(Locale.ROOT)
        .replaceAll("[^a-z0-9._-]+", "-")
        .replaceAll("^[-.]+|[-.]+$", "");
    return plain.isEmpty() ? "api-tests" : plain;
  }
}
