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
import org.oddlantern.run.RecordKind;
import org.oddlantern.run.RunEvent;

/**
 * Earlier runs: a folder of journals, oldest first. What cannot be read is told and left out.
 *
 * @param runs the runs, in order
 * @param cases for each case how it went in each run; null where it was not there
 * @param problems journals that could not be read, in sentences
 */
public record RunHistory(List<PastRun> runs, List<CaseHistory> cases, List<String> problems) {

  /** What a page can show. */
  private static final int MOST_RUNS = 60;

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
        newest.stream().map(Read::told).toList(), lines(newest), List.copyOf(problems));
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

  private static List<CaseHistory> lines(List<Read> runs) {
    Map<String, CaseHistory> lines = new LinkedHashMap<>();
    for (int number = 0; number < runs.size(); number++) {
      for (CaseRecord one : runs.get(number).cases) {
        CaseHistory known = lines.get(one.id());
        List<CaseHistory.@Nullable Went> went = known == null ? new ArrayList<>() : known.went();
        while (went.size() < number) {
          went.add(null);
        }
        went.add(new CaseHistory.Went(
            one.outcome(), one.marks().contains(Mark.FLAKY), one.tookMicros()));
        lines.put(one.id(), new CaseHistory(one.id(), one.suite(), one.title(), went));
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
   * @param ended its end; null if it was cut off
   */
  private record Read(
      RunEvent.Started started, List<CaseRecord> cases, RunEvent.@Nullable Ended ended) {

    PastRun told() {
      return new PastRun(
          started,
          cases.size(),
          (int) cases.stream().filter(one -> !one.outcome().isGreen()).count(),
          ended == null ? -1 : ended.tookMicros());
    }

    static Read of(Path file) throws IOException {
      List<RunEvent.Started> started = new ArrayList<>();
      List<RunEvent.Ended> ended = new ArrayList<>();
      Map<String, CaseRecord> cases = new LinkedHashMap<>();
      new Journal(file).read(event -> {
        if (event instanceof RunEvent.Started begin) {
          started.add(begin);
        } else if (event instanceof RunEvent.Ended end) {
          ended.add(end);
        } else if (event instanceof RunEvent.CaseFinished finished
            && finished.record().kind() == RecordKind.CASE) {
          cases.put(finished.record().id(), finished.record());
        }
      });
      if (started.isEmpty()) {
        throw new IOException(file + " does not begin like a journal");
      }
      return new Read(
          started.get(0), List.copyOf(cases.values()), ended.isEmpty() ? null : ended.get(0));
    }
  }
}
