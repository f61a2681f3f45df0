package org.oddlantern.program;

import java.io.File;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.internal.EvidenceListener;
import org.oddlantern.internal.CurrentCase;
import org.oddlantern.json.Secret;

/**
 * How a program is started. Where there is a POSIX shell, one is between: it ends the program and all it
 * has started once nobody holds the other end of its own input, that is, when we say so or are gone.
 *
 * @param name its name, for messages
 * @param command the command line
 * @param variables environment variables beside those of this process
 * @param folder where it works; null for the folder of this process
 * @param patience how long it may take to end
 */
record Launch(
    String name,
    List<String> command,
    Map<String, String> variables,
    @Nullable Path folder,
    Duration patience) {

  private static final Path SHELL = Path.of("/bin/sh");

  /** $1 is the patience in tenths of a second, $2 what gives a process group of its own, or nothing. */
  private static final String WATCH = """
      exec 3<&0 </dev/null
      patience=$1; apart=$2; shift 2
      $apart "$@" 3<&- &
      program=$!
      if [ -n "$apart" ]; then group=-$program; else group=$program; fi
      end() {
        kill -TERM $group || return
        count=0
        while kill -0 $group; do
          if [ $count -ge $patience ]; then kill -KILL $group; return; fi
          sleep 0.1
          count=$((count + 1))
        done
      }
      { cat <&3; end; } >/dev/null 2>&1 &
      watch=$!
      wait $program
      status=$?
      { kill $watch; [ -z "$apart" ] || end; } >/dev/null 2>&1
      exit $status
      """;

  /** A value as a program gets it; the case at work hears of a secret. */
  static String revealed(Object value) {
    if (value instanceof Secret secret) {
      CurrentCase.part(EvidenceListener.class).ifPresent(listener -> listener.secret(secret));
      return secret.reveal();
    }
    return String.valueOf(value);
  }

  Process start() {
    refuseWhatIsNotThere();
    ProcessBuilder builder = new ProcessBuilder(watched()).redirectErrorStream(true);
    builder.environment().putAll(variables);
    if (folder != null) {
      builder.directory(folder.toFile());
    }
    try {
      return builder.start();
    } catch (IOException e) {
      throw new ProgramProblem("the program " + name + " cannot be started: " + e.getMessage(), e);
    }
  }

  /** Whether a port is in its arguments or variables, by itself or at the end: then it serves there. */
  boolean isTold(int port) {
    Pattern told = Pattern.compile("(?:.*[:= ])?" + port);
    return Stream.concat(command.stream().skip(1), variables.values().stream())
        .anyMatch(text -> !text.contains("://") && told.matcher(text).matches());
  }

  boolean isWatched() {
    return Files.isExecutable(SHELL);
  }

  private List<String> watched() {
    if (!isWatched()) {
      return command;
    }
    List<String> all = new ArrayList<>(List.of(
        SHELL.toString(),
        "-c",
        WATCH,
        name,
        String.valueOf(Math.max(1, patience.toMillis() / 100)),
        onPath("setsid").map(Path::toString).orElse("")));
    all.addAll(command);
    return all;
  }

  private void refuseWhatIsNotThere() {
    if (folder != null && !Files.isDirectory(folder)) {
      throw new ProgramProblem(
          "the program " + name + " cannot be started: there is no folder " + folder);
    }
    String file = command.get(0);
    if (!file.contains("/") && !file.contains(File.separator)) {
      if (isWatched() && onPath(file).isEmpty()) {
        throw new ProgramProblem("the program " + name + " cannot be started: there is no '" + file
            + "' that can be executed in the folders of PATH");
      }
      return;
    }
    Path path =
        (folder == null ? Path.of("") : folder).resolve(file).toAbsolutePath().normalize();
    if (!Files.isRegularFile(path)) {
      throw new ProgramProblem(
          "the program " + name + " cannot be started: there is no file " + path);
    }
    if (!Files.isExecutable(path)) {
      throw new ProgramProblem("the program " + name + " cannot be started: the file " + path
          + " is not executable; allow it (chmod +x), or start what reads it, like Program.of(\"sh\", \""
          + file + "\")");
    }
  }

  private Optional<Path> onPath(String file) {
    String path = variables.getOrDefault("PATH", String.valueOf(System.getenv("PATH")));
    return Stream.of(path.split(Pattern.quote(File.pathSeparator), -1))
        .filter(part -> !part.isBlank())
        .map(part -> Path.of(part, file))
        .filter(Files::isExecutable)
        .findFirst();
  }
}
