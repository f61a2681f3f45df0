package org.oddlantern.reports;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.oddlantern.run.CaseRecord;
import org.oddlantern.run.Journal;
import org.oddlantern.run.Mark;
import org.oddlantern.run.Outcome;
import org.oddlantern.run.RecordKind;
import org.oddlantern.run.RunEvent;

/**
 * Earlier runs: a folder of journals, oldest first. What cannot be read is told and left out.
 *
 * @param runs the beginnings of the runs, in order
 * @param cases for each case how it went in each run; null where it was not there
 * @param problems journals that could not be read, in sentences
 */
public record RunHistory(List<RunEvent.Started> runs, List<Line> cases, List<String> problems) {

  /** What a page can show. */
  private static final int MOST_RUNS = 60;

  /**
   * How a case went in one run.
   *
   * @param outcome how it ended
   * @param flaky whether it passed only after it had failed
   * @param micros how long it took
   */
  public record Went(Outcome outcome, boolean flaky, long micros) {

    /**
     * Whether it broke the build, or nearly did.
     *
     * @return true if it was broken or flaky
     */
    public boolean troubled() {
      return flaky || !outcome.isGreen();
    }
  }

  /**
   * A case over the runs.
   *
   * @param id the case
   * @param suite its suite
   * @param title its title, as it was last
   * @param went how it went, run by run
   */
  public record Line(String id, String suite, String title, List<@Nullable Went> went) {

    /**
     * In how many runs it was broken or flaky.
     *
     * @return the number
     */
    public int troubles() {
      return (int) went.stream().filter(one -> one != null && one.troubled()).count();
    }

    /**
     * In how many runs it was there.
     *
     * @return the number
     */
    public int times() {
      return (int) went.stream().filter(one -> one != null).count();
    }

    /**
     * Whether it broke in some runs and held in others without a lasting change: from good to bad and back.
     *
     * @return true if it is unstable
     */
    public boolean unstable() {
      int turns = 0;
      Boolean before = null;
      for (Went one : went) {
        if (one != null) {
          boolean bad = one.troubled();
          if (before != null && before != bad) {
            turns++;
          }
          before = bad;
        }
      }
      return turns > 1 || went.stream().anyMatch(one -> one != null && one.flaky());
    }

    /**
     * How much slower the newer half of its runs is than the older one, by their medians.
     *
     * @return 1 if it is as fast; 1 if there are too few runs to tell
     */
    public double slowdown() {
      List<Long> times = new ArrayList<>();
      for (Went one : went) {
        if (one != null && one.outcome() == Outcome.PASSED) {
          times.add(one.micros());
        }
      }
      if (times.size() < 6) {
        return 1;
      }
      double older = median(times.subList(0, times.size() / 2));
      double newer = median(times.subList(times.size() / 2, times.size()));
      return older <= 0 || newer - older < 5_000 ? 1 : newer / older;
    }

    private static double median(List<Long> values) {
      List<Long> sorted = values.stream().sorted().toList();
      return sorted.get(sorted.size() / 2);
    }
  }

  /**
   * Reads a folder.
   *
   * @param folder holds journals, {@code *.jsonl}
   * @return the runs; the newest sixty if they are more
   * @throws IOException if the folder cannot be read
   */
  public static RunHistory in(Path folder) throws IOException {
    List<String> problems = new ArrayList<>();
    List<Read> read = new ArrayList<>();
    for (Path file : journals(folder)) {
      try {
        read.add(Read.of(file));
      } catch (IOException e) {
        problems.add(e.getMessage());
      }
    }
    read.sort(Comparator.comparing(one -> one.started.startedAt()));
    List<Read> newest = read.subList(Math.max(0, read.size() - MOST_RUNS), read.size());
    return new RunHistory(
        newest.stream().map(one -> one.started).toList(), lines(newest), List.copyOf(problems));
  }

  /**
   * The journals in a folder.
   *
   * @param folder the folder
   * @return the files, by name
   * @throws IOException if the folder cannot be read
   */
  public static List<Path> journals(Path folder) throws IOException {
    if (Files.notExists(folder)) {
      return List.of();
    }
    try (Stream<Path> files = Files.list(folder)) {
      return files.filter(file -> file.toString().endsWith(".jsonl")).sorted().toList();
    }
  }

  private static List<Line> lines(List<Read> runs) {
    Map<String, Line> lines = new LinkedHashMap<>();
    for (int number = 0; number < runs.size(); number++) {
      for (CaseRecord one : runs.get(number).cases) {
        Line known = lines.get(one.id());
        List<@Nullable Went> went = known == null ? new ArrayList<>() : known.went();
        while (went.size() < number) {
          went.add(null);
        }
        went.add(new Went(one.outcome(), one.marks().contains(Mark.FLAKY), one.tookMicros()));
        lines.put(one.id(), new Line(one.id(), one.suite(), one.title(), went));
      }
    }
    lines.values().forEach(line -> {
      while (line.went().size() < runs.size()) {
        line.went().add(null);
      }
    });
    return List.copyOf(lines.values());
  }

  /**
   * A run that was read.
   *
   * @param started its beginning
   * @param cases its cases, each once
   */
  private record Read(RunEvent.Started started, List<CaseRecord> cases) {

    static Read of(Path file) throws IOException {
      List<RunEvent.Started> started = new ArrayList<>();
      Map<String, CaseRecord> cases = new LinkedHashMap<>();
      new Journal(file).read(event -> {
        if (event instanceof RunEvent.Started begin) {
          started.add(begin);
        } else if (event instanceof RunEvent.CaseFinished finished
            && finished.record().kind() == RecordKind.CASE) {
          cases.put(finished.record().id(), finished.record());
        }
      });
      if (started.isEmpty()) {
        throw new IOException(file + " does not begin like a journal");
      }
      return new Read(started.get(0), List.copyOf(cases.values()));
    }
  }
}
