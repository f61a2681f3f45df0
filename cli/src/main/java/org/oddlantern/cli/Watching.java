package org.oddlantern.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.oddlantern.internal.journal.JoinedJournals;
import org.oddlantern.internal.plan.NothingSelected;
import org.oddlantern.internal.plan.Selection;
import org.oddlantern.internal.reports.folder.RunFolder;
import org.oddlantern.internal.run.RunOrder;

/**
 * Runs suites again and again while somebody writes them: whenever compiled classes or resources change,
 * first what failed before, then the rest, told in one report; or on a key.
 */
final class Watching {

  private final Terminal terminal;
  private final SuitePlaces suites;
  private final RunOptions options;
  private final RunFolder out;
  private final PrintWriter err;
  private Set<String> failed = Set.of();
  private int status;

  Watching(Terminal terminal, SuitePlaces suites, RunOptions options) {
    this.terminal = terminal;
    this.suites = suites;
    this.options = options;
    this.out = options.out();
    this.err = new PrintWriter(terminal.out(), true, StandardCharsets.UTF_8);
  }

  /** Goes on until the key that ends it; gives the exit status of the last round. */
  int watch() {
    WatchedFolders folders = WatchedFolders.of(suites.folders());
    try (Keys keys = Keys.read()) {
      String why = "";
      Asked asked = Asked.ALL;
      while (asked != Asked.END) {
        told(why, asked);
        round(asked);
        terminal
            .out()
            .println("watching  " + suites.folders().size()
                + " folders; w runs the whole, b what broke, e ends");
        terminal.out().flush();
        Asked next = next(folders, keys);
        why = next == Asked.CHANGED ? folders.changed() : "";
        asked = next;
      }
    }
    return status;
  }

  private static Asked next(WatchedFolders folders, Keys keys) {
    while (true) {
      switch (keys.next(WatchedFolders.EACH_MILLIS)) {
        case 'w', 'W' -> {
          return Asked.ALL;
        }
        case 'b', 'B' -> {
          return Asked.FAILED;
        }
        case 'e', 'E' -> {
          return Asked.END;
        }
        default -> {
          if (folders.look()) {
            return Asked.CHANGED;
          }
        }
      }
    }
  }

  private void told(String why, Asked asked) {
    if (!why.isEmpty()) {
      terminal
          .out()
          .println("\nchanged   "
              + LocalTime.now(ZoneId.systemDefault()).truncatedTo(ChronoUnit.SECONDS) + "  " + why);
    } else if (asked == Asked.FAILED) {
      terminal.out().println();
    }
  }

  private void round(Asked asked) {
    try (Prepared prepared = new Prepared(suites, options)) {
      switch (asked) {
        case FAILED -> failedOnly(prepared);
        case CHANGED -> failedFirst(prepared);
        default -> all(prepared);
      }
    } catch (RuntimeException e) {
      status = Trouble.told(e, err, false);
    }
  }

  private void all(Prepared prepared) {
    run(prepared.order(options.selection()), out);
    failed = failedIn(out.journal());
  }

  private void failedOnly(Prepared prepared) {
    if (failed.isEmpty()) {
      terminal.out().println("nothing failed in the last run");
      return;
    }
    run(prepared.order(only(failed)), out);
    failed = failedIn(out.journal());
  }

  private void failedFirst(Prepared prepared) {
    RunFolder first = new RunFolder(out.path().resolve("watched").resolve("failed"));
    RunFolder second = new RunFolder(out.path().resolve("watched").resolve("rest"));
    List<Path> journals = new ArrayList<>();
    int worst = 0;
    if (!failed.isEmpty()) {
      try {
        worst = ran(prepared.order(only(failed)), first, journals);
      } catch (NothingSelected e) {
        failed = Set.of(); // they are gone, or are called otherwise now
      }
    }
    Set<String> rest = new TreeSet<>();
    RunOrder whole = prepared.order(options.selection());
    whole.plan().cases().stream()
        .filter(one -> !one.needed())
        .map(one -> one.definition().id().toString())
        .filter(id -> !failed.contains(id))
        .forEach(rest::add);
    if (journals.isEmpty()) {
      run(whole, out);
    } else {
      if (!rest.isEmpty()) {
        worst = Math.max(worst, ran(prepared.order(only(rest)), second, journals));
      }
      status = worst;
      joined(journals);
    }
    failed = failedIn(out.journal());
  }

  private void run(RunOrder order, RunFolder folder) {
    status = new Execution(terminal, options, folder).run(order);
  }

  private int ran(RunOrder order, RunFolder folder, List<Path> journals) {
    int ended = new Execution(terminal, options, folder).withoutReports(order);
    journals.add(folder.journal());
    return ended;
  }

  private void joined(List<Path> journals) {
    try {
      new OutFolder(out, terminal, options.reports(), OutFolder.Descriptions.NONE)
          .join(new JoinedJournals(journals))
          .forEach(problem -> terminal.out().println("problem   " + problem));
    } catch (IOException e) {
      terminal.out().println("problem   the two journals cannot be joined: " + e.getMessage());
    }
  }

  /** What was asked for, and only these of it. */
  private Selection only(Set<String> ids) {
    Selection asked = options.selection();
    Set<String> both = asked.ids() == null
        ? ids
        : ids.stream().filter(asked.ids()::contains).collect(Collectors.toSet());
    return new Selection(asked.entries(), asked.tags(), asked.withoutTags(), both);
  }

  private static Set<String> failedIn(Path journal) {
    if (!Files.isRegularFile(journal)) {
      return Set.of();
    }
    try {
      return FailedCases.in(journal);
    } catch (NothingSelected e) {
      return Set.of();
    }
  }

  /** Why a round runs. */
  private enum Asked {
    ALL,
    FAILED,
    CHANGED,
    END
  }
}
