package org.oddlantern.dist.reference;

import java.nio.file.Path;
import java.util.List;
import org.oddlantern.dist.Command;

/** Every command with its options, as {@code help} prints them. */
final class CommandPage {

  private static final List<String> COMMANDS = List.of(
      "run",
      "list",
      "report",
      "agree",
      "path",
      "schema",
      "schema check",
      "schema sketch",
      "schema conformance",
      "settings",
      "new",
      "demo",
      "completion",
      "help");

  private CommandPage() {}

  static String text(Path folder) throws Exception {
    StringBuilder page = new StringBuilder("""
        # The command and its options

        Every option of `odd-lantern`: which tests run (by name, tag or earlier failure), in parallel or split, on which environment, with which reports. Written by a test from what `odd-lantern help` prints.

        ```text
        %s
        ```

        ## Environment variables

        | variable | meaning |
        |---|---|
        | `ODD_LANTERN_ENV` | the environment to run on, where `--env` says nothing |
        | `ODD_LANTERN_OPTS` | options of the JVM, like `-Xmx2g` |
        | `ODD_LANTERN_ARCHIVE` | `off` keeps no archive of classes (it makes the command start faster), `on` makes one in a pipeline too |
        | `JAVA_HOME` | the JDK to run with |
        | `XDG_CACHE_HOME` | the folder above that of the archive of classes; `~/.cache` if not set |
        | `NO_COLOR` | anything in it: no colours |
        | `CI` | set by build servers: no live line, no archive of classes |
        """.formatted(help(folder)));
    for (String one : COMMANDS) {
      page.append("\n## ").append(one).append("\n\n```text\n");
      page.append(help(folder, one.split(" "))).append("\n```\n");
    }
    return page.toString();
  }

  private static String help(Path folder, String... words) throws Exception {
    String[] all = new String[words.length + 1];
    all[0] = "help";
    System.arraycopy(words, 0, all, 1, words.length);
    return Command.in(folder).run(all).out().stripTrailing();
  }
}
