package org.oddlantern.cli;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.oddlantern.config.internal.Settings;

/**
 * A fixed round of commands in an empty folder. The command's script starts it once, in the background, so
 * that a JVM keeps the classes that most commands need, whichever of them is the first.
 */
final class Training {

  private static final PrintStream NOWHERE =
      new PrintStream(OutputStream.nullOutputStream(), false, StandardCharsets.UTF_8);

  private static final String SETTINGS = """
      environment: near
      environments:
        near:
          services:
            socket:
              url: http://127.0.0.1:1
              headers:
                Accept: application/json
      mask:
        - password
      """;

  private static final String SCHEMA = """
      {"$schema": "https://json-schema.org/draft/2020-12/schema", "type": "object",
       "properties": {"id": {"type": "integer", "minimum": 1}}, "required": ["id"]}
      """;

  /** As many as the suite has, at least. */
  private static final int LINES = 200;

  private final Path folder;

  Training(Path folder) {
    this.folder = folder;
  }

  /**
   * Starts here.
   *
   * @param arguments the empty folder
   * @throws IOException if nothing can be written there
   */
  public static void main(String[] arguments) throws IOException {
    new Training(Path.of(arguments[0])).run();
    NOWHERE.flush();
    System.exit(0);
  }

  void run() throws IOException {
    String suites = suites().toString();
    String out = folder.resolve("out").toString();
    Files.writeString(folder.resolve(Settings.FILE), SETTINGS);
    try (AnsweringSocket socket = new AnsweringSocket()) {
      String service = "services.socket.url=" + socket.address();
      String suite = TrainingTest.class.getSimpleName();
      command("--help");
      command("run", suites, "--set", service, "--out", out, "--lanes", "2");
      command("run", suites, "--set", service, "--out", out, "--case", suite);
      command("list", suites);
      command("report", out + "/journal.jsonl", "--out", out + "/again");
    }
  }

  private static void command(String... words) {
    Terminal terminal = new Terminal(NOWHERE, false);
    Main.commandLine(terminal, NOWHERE, words).execute(words);
  }

  /** The suite where a command finds it: in a folder of classes, beside lines for its code. */
  private Path suites() throws IOException {
    Path classes = folder.resolve("classes");
    copy(TrainingTest.class, classes);
    for (Class<?> inner : TrainingTest.class.getDeclaredClasses()) {
      copy(inner, classes);
    }
    Files.writeString(classes.resolve(TrainingTest.SCHEMA), SCHEMA);
    Path code = folder.resolve("src/test/java").resolve(path(TrainingTest.class) + ".java");
    Files.createDirectories(code.getParent());
    Files.writeString(code, "// a line\n".repeat(LINES));
    return classes;
  }

  private static void copy(Class<?> type, Path classes) throws IOException {
    String name = path(type) + ".class";
    Path file = classes.resolve(name);
    Files.createDirectories(file.getParent());
    try (InputStream in = Training.class.getClassLoader().getResourceAsStream(name)) {
      Files.copy(in, file);
    }
  }

  private static String path(Class<?> type) {
    return type.getName().replace('.', '/');
  }
}
