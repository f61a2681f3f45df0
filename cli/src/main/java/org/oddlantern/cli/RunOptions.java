package org.oddlantern.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.oddlantern.config.internal.Quantities;
import org.oddlantern.internal.journal.JournalWriter;
import org.oddlantern.internal.plan.RunPart;
import org.oddlantern.internal.plan.Selection;
import org.oddlantern.internal.reports.console.Detail;
import org.oddlantern.internal.reports.folder.RunFolder;
import org.oddlantern.internal.run.AskedPart;
import org.oddlantern.internal.run.RunNames;
import org.oddlantern.internal.run.RunOrder;
import org.oddlantern.shaded.picocli.CommandLine.Mixin;
import org.oddlantern.shaded.picocli.CommandLine.Option;

/** The options that every command that runs cases has. */
final class RunOptions {

  @Mixin
  private SettingsOptions settings = new SettingsOptions();

  @Mixin
  private CaseOptions cases = new CaseOptions();

  @Option(
      names = "--failed-in",
      paramLabel = "JOURNAL",
      description =
          "Run only cases that failed, errored or were blocked in the run of this journal.")
  private @Nullable Path failedIn;

  @Option(
      names = "--seed",
      paramLabel = "SEED",
      description = "Repeat the fresh values of the run that printed this seed.")
  private @Nullable String seed;

  @Option(
      names = "--shuffle",
      description =
          "Run the cases in any order that their values allow, drawn from the seed: --seed repeats it. Shows which cases depend on others without saying so.")
  private boolean shuffled;

  @Option(
      names = "--lanes",
      paramLabel = "N",
      defaultValue = "1",
      description =
          "Run up to N cases side by side; auto is one for each processor (default: ${DEFAULT-VALUE}).")
  private String lanes = "1";

  @Option(
      names = "--part",
      paramLabel = "I/N",
      description =
          "Run only the I-th of N parts; cases that share a value stay together. auto reads the numbers that a build server gives its parallel jobs.")
  private @Nullable String part;

  @Option(
      names = "--times-from",
      paramLabel = "FOLDER",
      description = "Balance the parts by how long cases took in the journals of this folder.")
  private @Nullable Path earlier;

  @Option(
      names = "--run-limit",
      paramLabel = "TIME",
      description =
          "Stop the run after this time, like 90s or 20m, as Ctrl-C does: what is alive is put back, the reports are written.")
  private @Nullable String limit;

  @Option(
      names = "--fail-on",
      paramLabel = "WORD",
      split = ",",
      description =
          "Fail the run on these too: warned, unproven, fixed, flaky, skipped, pending, undescribed.")
  private List<String> failOn = new ArrayList<>();

  @Option(
      names = "--out",
      paramLabel = "FOLDER",
      description =
          "Where journal and reports go (default: target/odd-lantern in a Maven project, odd-lantern-out elsewhere).")
  private @Nullable Path out;

  @Option(
      names = "--inline-bodies",
      paramLabel = "N",
      defaultValue = "16384",
      description =
          "Bodies of more characters lie in files of their own beside the journal, and pages show their beginning (default: ${DEFAULT-VALUE}).")
  private int longBody = JournalWriter.LONGEST_BODY;

  int longBody() {
    if (longBody < 0) {
      throw new Misuse("--inline-bodies takes a number of characters, not " + longBody);
    }
    return longBody;
  }

  @Option(
      names = "--console",
      paramLabel = "HOW",
      defaultValue = "plain",
      description =
          "What the console shows: quiet (what failed), plain (default), or exchanges (every call, too).")
  private String console = "plain";

  Detail detail() {
    try {
      return Detail.valueOf(console.toUpperCase(Locale.ROOT));
    } catch (IllegalArgumentException e) {
      throw new Misuse("--console takes quiet, plain or exchanges, not " + console);
    }
  }

  @Mixin
  private BlindSpotOptions blindSpots = new BlindSpotOptions();

  BlindSpotOptions blindSpots() {
    return blindSpots;
  }

  @Mixin
  private DescriptionOptions description = new DescriptionOptions();

  int coveredAtLeast() {
    return description.least();
  }

  @Mixin
  private ReportOptions reports = new ReportOptions();

  ReportOptions reports() {
    return reports;
  }

  Selection selection() {
    return cases.selection(failedIn == null ? null : FailedCases.in(failedIn));
  }

  SettingsOptions settings() {
    return settings;
  }

  String seed() {
    if (seed != null && seed.isBlank()) {
      throw new Misuse("--seed wants the seed that a run printed, and got nothing");
    }
    return seed == null ? RunNames.fresh() : seed;
  }

  RunPart part() {
    if (earlier != null && !Files.exists(earlier)) {
      throw new Misuse("--times-from names " + earlier + ", which is not there");
    }
    if (part == null) {
      return RunPart.WHOLE;
    }
    try {
      return new AskedPart(part, earlier, System.getenv()).part();
    } catch (IllegalArgumentException e) {
      throw new Misuse("--part " + part + ": " + e.getMessage());
    } catch (IOException e) {
      throw new Misuse("the journals of --times-from cannot be read: " + e.getMessage());
    }
  }

  @Nullable
  Duration limit() {
    return limit == null ? null : Quantities.duration(limit, "the command line", "--run-limit");
  }

  int lanes() {
    try {
      return RunOrder.lanes(lanes);
    } catch (IllegalArgumentException e) {
      throw new Misuse("--lanes " + e.getMessage());
    }
  }

  boolean shuffled() {
    return shuffled;
  }

  Strictness strictness() {
    return new Strictness(failOn);
  }

  RunFolder out() {
    return out == null ? RunFolder.standard() : new RunFolder(out);
  }
}
