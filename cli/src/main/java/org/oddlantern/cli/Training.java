package org.oddlantern.cli;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;

/**
 * A fixed round of commands in an empty folder. The command's script starts it once, in the background, so
 * that a JVM keeps the classes that most commands need, whichever of them is the first.
 */
final class Training {

  private static final PrintStream NOWHERE =
      new PrintStream(OutputStream.nullOutputStream(), false, StandardCharsets.UTF_8);

  private final Path folder;

  private Training(Path folder) {
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

  private void run() throws IOException {
    String suites = suites().toString();
    String out = folder.resolve("out").toString();
    try (AnsweringSocket socket = new AnsweringSocket()) {
      String service = "services.socket.url=" + socket.address();
      command("--help");
      command("run", suites, "--set", service, "--out", out, "--lanes", "2");
      command("list", suites);
      command("report", out + "/journal.jsonl", "--out", out + "/again");
    }
  }

  private static void command(String... words) {
    Terminal terminal = new Terminal(NOWHERE, false);
    Main.commandLine(terminal, NOWHERE, words).execute(words);
  }

  /** The suite where a command finds it: in a folder of classes. */
  private Path suites() throws IOException {
    String name = TrainingTest.class.getName().replace('.', '/') + ".class";
    Path classes = folder.resolve("classes");
    Path file = classes.resolve(name);
    Files.createDirectories(file.getParent());
    try (InputStream in = Training.class.getClassLoader().getResourceAsStream(name)) {
      Files.copy(in, file);
    }
    return classes;
  }
}
