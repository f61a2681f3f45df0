package org.oddlantern.dist.reference;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.oddlantern.dist.Command;

/** Every command with its options, as {@code help} prints them. */
final class CommandPage {

  /** A line of the list of commands, as help prints it. */
  private static final Pattern LISTED = Pattern.compile("(?m)^  ([a-z]+) {2,}\\S");

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
    below(folder, List.of(), page);
    return page.toString();
  }

  /** All commands, each with its own below it. */
  private static void below(Path folder, List<String> words, StringBuilder page) throws Exception {
    String listed = help(folder, words.toArray(String[]::new));
    int begin = listed.indexOf("\nCommands:\n");
    Matcher names = LISTED.matcher(begin < 0 ? "" : listed.substring(begin));
    while (names.find()) {
      List<String> command = new ArrayList<>(words);
      command.add(names.group(1));
      page.append("\n## ").append(String.join(" ", command)).append("\n\n```text\n");
      page.append(help(folder, command.toArray(String[]::new))).append("\n```\n");
      below(folder, command, page);
    }
  }

  private static String help(Path folder, String... words) throws Exception {
    String[] all = new String[words.length + 1];
    all[0] = "help";
    System.arraycopy(words, 0, all, 1, words.length);
    return Command.in(folder).run(all).out().stripTrailing();
  }
}
