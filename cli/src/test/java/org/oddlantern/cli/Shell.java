package org.oddlantern.cli;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.PrintStream;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import javax.tools.JavaCompiler;
import javax.tools.ToolProvider;

/** The command in this process, in the folder in which the build starts these tests. */
final class Shell {

  private Shell() {}

  /** The working directory, emptied. */
  static Path emptyFolder() {
    Path folder = Path.of("").toAbsolutePath();
    if (!folder.endsWith("target/shell")) {
      throw new IllegalStateException(folder + " is not for tests; run them in cli/target/shell");
    }
    try (Stream<Path> files = Files.walk(folder)) {
      for (Path file : files.sorted(Comparator.reverseOrder()).toList()) {
        if (!file.equals(folder)) {
          Files.delete(file);
        }
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return folder;
  }

  /** What a command printed and how it ended. */
  record Output(int status, String out, String err) {}

  static Output run(String... words) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ByteArrayOutputStream err = new ByteArrayOutputStream();
    PrintStream told = new PrintStream(out, false, StandardCharsets.UTF_8);
    PrintStream wrong = new PrintStream(err, true, StandardCharsets.UTF_8);
    Terminal terminal = new Terminal(told, List.of(words).contains("--debug"));
    int status = Main.commandLine(terminal, wrong, words).execute(words);
    told.flush();
    return new Output(
        status, out.toString(StandardCharsets.UTF_8), err.toString(StandardCharsets.UTF_8));
  }

  /** What a command says that ends so. */
  static String says(int status, String... words) {
    Output output = run(words);
    assertEquals(status, output.status(), output.out() + output.err());
    return output.out();
  }

  /** The same with something on its standard input. */
  static String says(String input, int status, String... words) {
    InputStream before = System.in;
    System.setIn(new ByteArrayInputStream(input.getBytes(StandardCharsets.UTF_8)));
    try {
      return says(status, words);
    } finally {
      System.setIn(before);
    }
  }

  static void write(String name, String text) throws IOException {
    Path file = Path.of(name).toAbsolutePath();
    Files.createDirectories(file.getParent());
    Files.writeString(file, text);
  }

  /** A class, compiled as a user would; gives the folder. */
  static Path compiled(String className, String source) throws IOException {
    Path file = Path.of("src", className + ".java").toAbsolutePath();
    write(file.toString(), source);
    return compiled(className, List.of(file));
  }

  /** Sources that are there, compiled into a folder of that name. */
  static Path compiled(String name, List<Path> sources) throws IOException {
    Path classes = Files.createDirectories(Path.of("classes-of-" + name).toAbsolutePath());
    JavaCompiler compiler = ToolProvider.getSystemJavaCompiler();
    StringWriter messages = new StringWriter();
    List<String> options =
        List.of("-d", classes.toString(), "-cp", classPath(), "-parameters", "-g", "-proc:none");
    boolean done = compiler
        .getTask(
            messages,
            null,
            null,
            options,
            null,
            compiler.getStandardFileManager(null, null, null).getJavaFileObjectsFromPaths(sources))
        .call();
    if (!done) {
      throw new IllegalStateException(name + " does not compile:\n" + messages);
    }
    return classes;
  }

  /** Surefire may hide the class path in a manifest. */
  private static String classPath() {
    String real = System.getProperty("surefire.test.class.path", "");
    return real.isEmpty() ? System.getProperty("java.class.path") : real;
  }
}
