package org.oddlantern.cli;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.reports.console.Style;

/** Shows groups of replies, asks about each, and writes what is agreed on. */
final class Agreeing {

  private static final int MOST_FILES = 5;
  private static final int MOST_LINES = 30;
  private static final String INDENT = "          ";

  private final Terminal terminal;
  private final AgreedFolder folder;
  private boolean all;
  private boolean over;
  private @Nullable BufferedReader answers;
  private int agreed;
  private int left;

  Agreeing(Terminal terminal, AgreedFolder folder, boolean all) {
    this.terminal = terminal;
    this.folder = folder;
    this.all = all;
  }

  /** The exit status. */
  int done(List<WaitingReplies.Group> groups) {
    if (groups.isEmpty()) {
      terminal.out().println("nothing waits: every reply is as agreed on");
      return 0;
    }
    for (WaitingReplies.Group group : groups) {
      if (over) {
        left += group.replies().size();
      } else {
        show(group);
        decide(group);
      }
    }
    terminal.out().println();
    terminal.out().println(agreed + " agreed on" + (left == 0 ? "" : ", " + left + " left"));
    return left == 0 ? 0 : 1;
  }

  private void show(WaitingReplies.Group group) {
    Style style = terminal.style();
    int size = group.replies().size();
    terminal.out().println();
    terminal
        .out()
        .println(style.alarm(group.isNew() ? "new" : "differs")
            + (group.isNew() ? "       " : "   ")
            + group.replies().get(0).title()
            + (size == 1 ? "" : " and " + (size - 1) + " more"));
    for (WaitingReplies.Waiting one : group.replies().subList(0, Math.min(size, MOST_FILES))) {
      terminal.out().println(INDENT + folder.resolve(one.file()));
    }
    if (size > MOST_FILES) {
      terminal.out().println(INDENT + "and " + (size - MOST_FILES) + " more files");
    }
    if (group.isNew()) {
      showNew(group.replies().get(0));
    }
    group
        .findings()
        .forEach(finding -> finding.lines().forEach(line -> terminal.out().println(INDENT + line)));
  }

  private void showNew(WaitingReplies.Waiting one) {
    List<String> lines = one.written(folder).lines().toList();
    lines.stream().limit(MOST_LINES).forEach(line -> terminal.out().println(INDENT + line));
    if (lines.size() > MOST_LINES) {
      terminal.out().println(INDENT + "... (" + lines.size() + " lines in all)");
    }
  }

  private void decide(WaitingReplies.Group group) {
    terminal.out().println();
    String answer = all ? "y" : asked(group.replies().size());
    if (answer.startsWith("a")) {
      all = true;
    }
    if (answer.startsWith("y") || answer.startsWith("a")) {
      for (WaitingReplies.Waiting one : group.replies()) {
        folder.write(one.file(), one.written(folder));
        terminal.out().println("agreed    " + folder.resolve(one.file()));
        agreed++;
      }
    } else {
      over = answer.startsWith("e");
      left += group.replies().size();
    }
  }

  /** The first letter of an answer; the end of the input is one, too. */
  private String asked(int size) {
    while (true) {
      terminal
          .out()
          .print("agree?    [y]es" + (size == 1 ? "" : ", to all " + size)
              + ", [n]o, [a]ll that wait, [e]nd: ");
      terminal.out().flush();
      String line = line();
      if (line == null) {
        terminal.out().println();
        terminal
            .out()
            .println("there is nobody to answer: --yes agrees to everything without a question");
        return "e";
      }
      String answer = line.strip().toLowerCase(Locale.ROOT);
      if (answer.matches("[ynae].*")) {
        return answer;
      }
    }
  }

  private @Nullable String line() {
    if (answers == null) {
      answers = new BufferedReader(new InputStreamReader(System.in, StandardCharsets.UTF_8));
    }
    try {
      return answers.readLine();
    } catch (IOException e) {
      return null; // nobody answers any more
    }
  }
}
