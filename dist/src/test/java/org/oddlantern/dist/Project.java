package org.oddlantern.dist;

import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.oddlantern.internal.journal.Journal;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.RunEvent;

/** A project of somebody's own, built by the words of a shell as its owner would. */
record Project(Path folder, Map<String, String> variables) {

  private static final String COUNTED = "(?s)<testsuite [^>]*?tests=\"(\\d+)\"[^>]*>";

  /** With the Maven that the tests bring, and what it does by default. */
  static Project byDefault(Path folder) throws IOException {
    return new Project(folder, variables(Path.of(System.getProperty("maven.home"), "bin")));
  }

  /** With the Maven of the machine. */
  static Project byMachine(Path folder) throws IOException {
    return new Project(folder, variables(folder));
  }

  /** One of those that these tests have, with the Maven of the machine. */
  static Project copied(String name, Path folder) throws IOException {
    Path from = Path.of("src/test/resources/projects", name);
    Project project = byMachine(folder);
    List<Path> files;
    try (Stream<Path> all = Files.walk(from)) {
      files = all.filter(Files::isRegularFile).toList();
    }
    for (Path file : files) {
      project.file(from.relativize(file).toString(), Files.readString(file));
    }
    return project;
  }

  private static Map<String, String> variables(Path maven) throws IOException {
    Path command = Path.of(System.getProperty("dist.home"), "bin");
    Map<String, String> variables = new HashMap<>();
    variables.put("JAVA_HOME", System.getProperty("java.home"));
    variables.put(
        "MAVEN_OPTS",
        "-Dmaven.repo.local=" + LocalRepository.made()
            + " -DargLine=-XX:TieredStopAtLevel=1"
            + " -Xshare:auto -XX:TieredStopAtLevel=1 -XX:+UseSerialGC");
    variables.put(
        "PATH",
        String.join(
            File.pathSeparator, maven.toString(), command.toString(), System.getenv("PATH")));
    return variables;
  }

  Project with(String name, String value) {
    Map<String, String> more = new HashMap<>(variables);
    more.put(name, value);
    return new Project(folder, more);
  }

  Project file(String name, String text) throws IOException {
    Path file = folder.resolve(name);
    Files.createDirectories(file.getParent());
    Files.writeString(file, text);
    return this;
  }

  Project replaced(String name, String old, String text) throws IOException {
    String before = Files.readString(folder.resolve(name));
    return file(name, before.replace(old, text));
  }

  /** Runs a line of a shell. */
  Command.Output run(String line) throws IOException, InterruptedException {
    return started(line).ended();
  }

  Command.Running started(String line) throws IOException {
    Path out = Files.createTempFile("out", ".txt");
    Path err = Files.createTempFile("err", ".txt");
    ProcessBuilder builder = new ProcessBuilder("sh", "-c", line)
        .directory(folder.toFile())
        .redirectOutput(out.toFile())
        .redirectError(err.toFile());
    builder.environment().putAll(variables);
    return new Command.Running(builder.start(), out, err);
  }

  /** How many tests the build's own reports tell of. */
  int reported() throws IOException {
    int tests = 0;
    try (Stream<Path> files = Files.list(folder.resolve("target/surefire-reports"))) {
      for (Path file : files.filter(each -> each.toString().endsWith(".xml")).toList()) {
        Matcher counted = Pattern.compile(COUNTED).matcher(Files.readString(file));
        while (counted.find()) {
          tests += Integer.parseInt(counted.group(1));
        }
      }
    }
    return tests;
  }

  /** The cases of a journal. */
  List<CaseRecord> told(String journal) throws IOException {
    List<CaseRecord> cases = new ArrayList<>();
    new Journal(folder.resolve(journal)).read(event -> {
      if (event instanceof RunEvent.CaseFinished finished && finished.record().counts()) {
        cases.add(finished.record());
      }
    });
    return cases;
  }
}
