package org.oddlantern.program;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.URI;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Pattern;
import java.util.regex.PatternSyntaxException;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.internal.Answering;
import org.oddlantern.evidence.internal.Question;
import org.oddlantern.internal.Needed;

/**
 * A program to be started, like the service under test: its command line, folder and environment. Immutable
 * and thread-safe; what says more of it gives a changed copy.
 *
 * <pre>{@code
 * @Supply(value = "the beeyard as a process of its own", shared = true)
 * static Yard yard() {
 *   int port = Program.freePort();
 *   String url = "http://127.0.0.1:" + port + "/api";
 *   RunningProgram program = Program.of("java", "-jar", "target/beeyard.jar")
 *       .with("PORT", port)
 *       .startedUntilAnswered(url + "/health", Duration.ofSeconds(20));
 *   return new Yard(program, url);
 * }
 * }</pre>
 *
 * <p>It runs in a process group of its own, so Ctrl-C at a terminal reaches the run alone, which ends the
 * program when its tidy-ups are done. On Linux, macOS and other systems with a POSIX shell it ends, with
 * whatever it has started, when the run's process is gone, for whatever reason. On Windows it stays
 * after the run was killed.
 */
public final class Program {

  private static final Duration PATIENCE = Duration.ofSeconds(5);

  private final List<String> command;
  private final Map<String, String> variables;
  private final @Nullable Path folder;
  private final String name;
  private final Duration patience;

  private Program(
      List<String> command,
      Map<String, String> variables,
      @Nullable Path folder,
      String name,
      Duration patience) {
    this.command = List.copyOf(command);
    this.variables = Map.copyOf(variables);
    this.folder = folder;
    this.name = name;
    this.patience = patience;
  }

  /**
   * A program by its command line.
   *
   * @param command its name, found by the variable PATH, or its file, seen from its folder
   * @param arguments what it is given, each as it is: there is no shell that would read them
   * @throws IllegalArgumentException if the command is blank
   */
  public static Program of(String command, String... arguments) {
    Needed.of(command, "Program.of(command, arguments): command");
    if (command.isBlank()) {
      throw new IllegalArgumentException("a program has a command, like Program.of(\"java\", ...)");
    }
    List<String> all = new ArrayList<>(List.of(command));
    all.addAll(List.of(arguments));
    String last =
        command.substring(Math.max(command.lastIndexOf('/'), command.lastIndexOf('\\')) + 1);
    return new Program(all, Map.of(), null, last, PATIENCE);
  }

  /**
   * A port that nobody has at the moment, on the loopback address.
   *
   * @return the port
   */
  public static int freePort() {
    return Answering.ofCase()
        .answer(
            Question.of(Integer.class, Question.Kind.GIVEN, "a free port"), Program::portNobodyHas)
        .orThrow();
  }

  private static int portNobodyHas() {
    try (ServerSocket socket = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
      return socket.getLocalPort();
    } catch (IOException e) {
      throw new UncheckedIOException("there is no free port: " + e.getMessage(), e);
    }
  }

  /**
   * This program under another name, for messages.
   *
   * @param other the name; that of its file if never said
   */
  public Program named(String other) {
    Needed.of(other, "named(name): name");
    return new Program(command, variables, folder, other, patience);
  }

  /**
   * This program with an environment variable, beside those of the run.
   *
   * @param variable its name
   * @param value its value, by its {@code toString}; a {@link org.oddlantern.json.Secret} is revealed to the
   *     program alone
   */
  public Program with(String variable, Object value) {
    Needed.of(variable, "with(variable, value): variable");
    Needed.of(value, "with(variable, value): value");
    if (variable.isEmpty() || variable.contains("=") || variable.indexOf('\0') >= 0) {
      throw new IllegalArgumentException(
          "'" + variable + "' cannot be the name of an environment variable");
    }
    Map<String, String> more = new TreeMap<>(variables);
    more.put(variable, Launch.revealed(value));
    return new Program(command, more, folder, name, patience);
  }

  /**
   * This program with a working folder of its own; that of the run if never said.
   *
   * @param other the folder
   */
  public Program inFolder(Path other) {
    Needed.of(other, "inFolder(folder): folder");
    return new Program(command, variables, other.toAbsolutePath(), name, patience);
  }

  /**
   * This program with so much time to end when it is asked to (SIGTERM) before it is ended by force
   * (SIGKILL); 5 s if never said.
   *
   * @param limit more than zero
   */
  public Program endingWithin(Duration limit) {
    return new Program(command, variables, folder, name, positive(limit));
  }

  /**
   * Starts it, and waits for nothing.
   *
   * @return the program as it runs
   * @throws ProgramProblem if it is not there or cannot be executed
   */
  public RunningProgram started() {
    return new RunningProgram(
        new Launch(name, command, variables, folder, patience), Ready.AT_ONCE);
  }

  /**
   * Starts it and waits until an address answers with a status below 400.
   *
   * @param url the address, http or https
   * @param limit for how long
   * @return the program as it runs
   * @throws ProgramProblem if it is not there, ends, or does not come up in time; it does not run then
   * @throws IllegalArgumentException if it is no such address
   */
  public RunningProgram startedUntilAnswered(String url, Duration limit) {
    Needed.of(url, "startedUntilAnswered(url, limit): url");
    URI uri = URI.create(url);
    if (!String.valueOf(uri.getScheme()).matches("https?") || uri.getHost() == null) {
      throw new IllegalArgumentException(
          "a program is ready when an http or https address answers, not " + url);
    }
    return started(Ready.answering(uri, positive(limit)));
  }

  /**
   * Starts it and waits until it listens at a port of the loopback address.
   *
   * @param port the port
   * @param limit for how long
   * @return the program as it runs
   * @throws ProgramProblem if it is not there, ends, or does not come up in time; it does not run then
   */
  public RunningProgram startedUntilListening(int port, Duration limit) {
    return started(Ready.listening(port, positive(limit)));
  }

  /**
   * Starts it and waits for a line of its output.
   *
   * @param line a regular expression that is found in the line
   * @param limit for how long
   * @return the program as it runs
   * @throws ProgramProblem if it is not there, ends, or does not say so in time; it does not run then
   * @throws IllegalArgumentException if it is no regular expression
   */
  public RunningProgram startedUntilSaying(String line, Duration limit) {
    Needed.of(line, "startedUntilSaying(line, limit): line");
    try {
      return started(Ready.saying(Pattern.compile(line), positive(limit)));
    } catch (PatternSyntaxException e) {
      throw new IllegalArgumentException(
          "the line that a program is to say is no regular expression: " + e.getMessage(), e);
    }
  }

  private RunningProgram started(Ready ready) {
    Answering.ofCase().refuseAgain("starts the program " + name);
    return new RunningProgram(new Launch(name, command, variables, folder, patience), ready);
  }

  private static Duration positive(Duration limit) {
    Needed.of(limit, "a limit");
    if (limit.isNegative() || limit.isZero()) {
      throw new IllegalArgumentException("a limit is longer than nothing, not " + limit);
    }
    return limit;
  }

  /** The command line, for people. */
  @Override
  public String toString() {
    return String.join(" ", command);
  }
}
