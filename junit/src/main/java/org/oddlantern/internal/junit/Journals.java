package org.oddlantern.internal.junit;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.lang.management.ManagementFactory;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.journal.JoinedJournals;
import org.oddlantern.internal.journal.JournalWriter;
import org.oddlantern.internal.reports.KeptRuns;
import org.oddlantern.internal.reports.folder.RunFolder;
import org.oddlantern.internal.run.RunNames;

/**
 * The journals of one build: a build may run its tests in several JVMs, and each in several requests.
 *
 * @param out the folder of the build's results
 */
public record Journals(RunFolder out) {

  /**
   * Of a folder.
   *
   * @param out the folder of the build's results
   * @return its journals
   */
  public static Journals in(RunFolder out) {
    return new Journals(out);
  }

  /**
   * Begins a journal beside those of the same build.
   *
   * @return the journal
   * @throws IOException if it cannot be written
   */
  public JournalWriter begun() throws IOException {
    return new JournalWriter(folder().resolve(RunNames.fresh()).resolve("journal.jsonl"));
  }

  /** Removes the journals of earlier builds. */
  void forgetEarlier() throws IOException {
    Instant begin = beginOfBuild();
    for (Path one : folders()) {
      if (Files.getLastModifiedTime(one.resolve("journal.jsonl")).toInstant().isBefore(begin)) {
        remove(one);
      }
    }
  }

  /**
   * Joins all journals of this build, and writes reports; does nothing if there are none, or if all of them
   * are in the reports: a build that forks a JVM for each class may have hundreds without a suite.
   */
  void tellIfAny(@Nullable KeptRuns history) throws IOException {
    if (areReported(told())) {
      return;
    }
    try (FileChannel channel = FileChannel.open(
            folder().resolve("lock"), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
        FileLock lock = channel.lock()) {
      List<Path> journals = told();
      if (lock.isValid() && !areReported(journals)) {
        JoinedJournals joined = new JoinedJournals(journals);
        joined.write(out.journal());
        out.writeReports(history, joined.runs());
      }
    }
  }

  /** The summary is written after the joined journal and the pages. */
  private boolean areReported(List<Path> journals) throws IOException {
    Path last = out.summary();
    for (Path journal : journals) {
      if (Files.notExists(last)
          || Files.getLastModifiedTime(journal).compareTo(Files.getLastModifiedTime(last)) >= 0) {
        return false;
      }
    }
    return true;
  }

  /** The journals that say something; another JVM of the build may just have made its own. */
  private List<Path> told() throws IOException {
    List<Path> told = new ArrayList<>();
    for (Path one : folders()) {
      Path journal = one.resolve("journal.jsonl");
      if (hasFirstLine(journal)) {
        told.add(journal);
      }
    }
    return told;
  }

  private static boolean hasFirstLine(Path journal) throws IOException {
    try (InputStream stream = new BufferedInputStream(Files.newInputStream(journal))) {
      int next = stream.read();
      while (next >= 0 && next != '\n') {
        next = stream.read();
      }
      return next == '\n';
    }
  }

  private List<Path> folders() throws IOException {
    if (Files.notExists(folder())) {
      return List.of();
    }
    try (Stream<Path> all = Files.list(folder())) {
      return all.filter(one -> Files.isRegularFile(one.resolve("journal.jsonl")))
          .sorted()
          .toList();
    }
  }

  private Path folder() {
    return out.path().resolve("journals");
  }

  /**
   * A build forks JVMs for tests, maybe several and by several plug-ins; whoever starts tests itself is a
   * build of its own.
   */
  private static Instant beginOfBuild() {
    ProcessHandle own = ProcessHandle.current();
    boolean forked = System.getProperty("surefire.real.class.path") != null
        || System.getProperty("surefire.test.class.path") != null;
    ProcessHandle build = forked ? builder(own) : own;
    return beganAt(own).minus(Duration.between(started(build), started(own)));
  }

  /**
   * Linux rounds the start of a process down by up to a second, but that of all by the same: an earlier
   * build may have ended within that second.
   */
  private static Instant beganAt(ProcessHandle own) {
    Instant exactly = Instant.ofEpochMilli(ManagementFactory.getRuntimeMXBean().getStartTime());
    Instant roughly = started(own);
    return exactly.isAfter(roughly) && exactly.isBefore(roughly.plusSeconds(2)) ? exactly : roughly;
  }

  private static Instant started(ProcessHandle process) {
    return process.info().startInstant().orElse(Instant.EPOCH);
  }

  /** The JVM that forked this one, maybe by a shell; of a daemon, which outlives builds, the shell. */
  private static ProcessHandle builder(ProcessHandle own) {
    Optional<ProcessHandle> above = own.parent();
    while (above.isPresent() && !isJvm(above.get())) {
      above = above.get().parent();
    }
    boolean outlives =
        above.isEmpty() || above.get().info().commandLine().orElse("").contains("mvndaemon");
    return outlives ? own.parent().orElse(own) : above.get();
  }

  private static boolean isJvm(ProcessHandle process) {
    return process.info().command().map(Path::of).map(Path::getFileName).stream()
        .anyMatch(name -> name.toString().matches("java(\\.exe)?"));
  }

  private static void remove(Path folder) throws IOException {
    try (Stream<Path> files = Files.walk(folder)) {
      for (Path file : files.sorted(Comparator.reverseOrder()).toList()) {
        Files.deleteIfExists(file);
      }
    }
  }
}
