package org.oddlantern.cli;

import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Locale;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.oddlantern.shaded.picocli.CommandLine.Command;
import org.oddlantern.shaded.picocli.CommandLine.Option;
import org.oddlantern.shaded.picocli.CommandLine.Parameters;

/** {@code odd-lantern new}: a project with a first case. */
@Command(
    name = "new",
    description = {
      "Writes a project with a first case that is green at once.",
      "It asks the service of --url once, and writes a case from the reply. In a folder that has a"
          + " build already, only what is missing is written, and what the build needs is printed;"
          + " no file that is there is changed."
    },
    mixinStandardHelpOptions = true)
final class NewCommand implements Callable<Integer> {

  private final Terminal terminal;

  @Parameters(
      arity = "0..1",
      defaultValue = ".",
      paramLabel = "FOLDER",
      description = "Where to write it (default: this folder).")
  private Path folder = Path.of(".");

  @Option(
      names = "--url",
      paramLabel = "URL",
      description =
          "An address of the service that a GET may ask, like http://127.0.0.1:8080/api/hives.")
  private @Nullable String url;

  @Option(
      names = "--from",
      paramLabel = "FILE",
      description =
          "Write calls, records and suites by this description (OpenAPI): a case for each operation, pending where there is no example.")
  private @Nullable Path from;

  @Option(
      names = "--ci",
      paramLabel = "SERVER",
      description = "Write a pipeline, too: for github, gitlab or jenkins.")
  private @Nullable String server;

  NewCommand(Terminal terminal) {
    this.terminal = terminal;
  }

  @Override
  public Integer call() {
    Pipeline pipeline = pipeline();
    if (Files.exists(folder) && !Files.isDirectory(folder)) {
      throw new Misuse(folder + " is a file; name a folder");
    }
    if (from != null) {
      DescribedProject described = new DescribedProject(from, url == null ? null : address(url));
      new NewProject(terminal, folder).write(described, pipeline);
      return 0;
    }
    FirstCase first = url == null ? FirstCase.OF_THE_BEEYARD : asked(address(url));
    NewProject project = new NewProject(terminal, folder);
    project.write(first, pipeline);
    return 0;
  }

  private @Nullable Pipeline pipeline() {
    if (server == null) {
      return null;
    }
    try {
      return Pipeline.valueOf(server.toUpperCase(Locale.ROOT));
    } catch (IllegalArgumentException e) {
      throw new Misuse("--ci takes "
          + Arrays.stream(Pipeline.values())
              .map(one -> one.name().toLowerCase(Locale.ROOT))
              .collect(Collectors.joining(", "))
          + ", not " + server);
    }
  }

  private static URI address(String text) {
    try {
      URI uri = URI.create(text.contains("://") ? text : "http://" + text);
      boolean http =
          "http".equalsIgnoreCase(uri.getScheme()) || "https".equalsIgnoreCase(uri.getScheme());
      if (http && uri.getHost() != null && uri.getUserInfo() == null) {
        return uri;
      }
    } catch (IllegalArgumentException e) {
      // told below
    }
    throw new Misuse("--url wants an address like http://127.0.0.1:8080/api/hives, not " + text);
  }

  private FirstCase asked(URI address) {
    FirstReply reply = FirstReply.from(address);
    terminal.out().println("asked     GET " + address + ": " + reply.words());
    if (reply.reply() == null) {
      terminal
          .out()
          .println(
              "          so the first case asks the beeyard of the demo, which 'odd-lantern demo --serve' starts");
      return FirstCase.OF_THE_BEEYARD;
    }
    return FirstCase.of(address, reply.reply());
  }
}
