package org.oddlantern.internal.reports;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.journal.Journal;
import org.oddlantern.internal.record.CaseOutcome;
import org.oddlantern.internal.record.RecordKind;
import org.oddlantern.internal.record.RunEvent;

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
    List<Begun> begun = new ArrayList<>();
    for (Path file : journals(folder)) {
      try {
        begun.add(Begun.of(new Journal(file)));
      } catch (IOException e) {
        problems.add(e.getMessage());
      }
    }
    begun.sort(Comparator.comparing(one -> one.started.startedAt()));
    List<Read> newest = new ArrayList<>();
    Map<String, String> texts = new HashMap<>();
    for (Begun one : begun.subList(Math.max(0, begun.size() - MOST_RUNS), begun.size())) {
      try {
        newest.add(Read.of(one, texts));
      } catch (IOException e) {
        problems.add(e.getMessage());
      }
    }
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
      for (Past one : runs.get(number).cases) {
        CaseHistory known = lines.get(one.id);
        List<CaseHistory.@Nullable Went> went = known == null ? new ArrayList<>() : known.went();
        while (went.size() < number) {
          went.add(null);
        }
        went.add(one.went);
        lines.put(one.id, new CaseHistory(one.id, one.suite, one.title, went));
      }
    }
    lines.values().forEach(line -> {
      while (line.went().size() < runs.size()) {
        line.went().add(null);
      }
    });
    return List.copyOf(lines.values());
  }

  /** A journal of which the beginning was read. */
  private record Begun(Journal journal, RunEvent.Started started) {

    static Begun of(Journal journal) throws IOException {
      if (!(journal.at(0) instanceof RunEvent.Started started)) {
        throw new IOException(journal.file() + " does not begin like a journal");
      }
      return new Begun(journal, started);
    }
  }

  /** What is kept of a case in one run: many runs are in memory together. */
  private record Past(String id, String suite, String title, CaseHistory.Went went) {

    static Past of(CaseOutcome one, Map<String, String> texts) {
      return new Past(
          once(one.id(), texts),
          once(one.suite(), texts),
          once(one.title(), texts),
          new CaseHistory.Went(one.outcome(), one.marks(), one.tookMicros()));
    }

    private static String once(String text, Map<String, String> texts) {
      String known = texts.putIfAbsent(text, text);
      return known == null ? text : known;
    }
  }

  /**
   * A run that was read.
   *
   * @param started its beginning
   * @param cases its cases, each once
   * @param tookMicros how long it took; below 0 if it was cut off
   */
  private record Read(RunEvent.Started started, Collection<Past> cases, long tookMicros) {

    PastRun told() {
      int broken =
          (int) cases.stream().filter(one -> !one.went.outcome().isGreen()).count();
      int passed = (int) cases.stream().filter(one -> one.went.passed()).count();
      return new PastRun(started, cases.size(), passed, broken, tookMicros);
    }

    static Read of(Begun begun, Map<String, String> texts) throws IOException {
      Map<String, Past> cases = new LinkedHashMap<>();
      begun.journal.outcomes(one -> {
        if (one.kind() == RecordKind.CASE) {
          Past past = Past.of(one, texts);
          cases.put(past.id, past);
        }
      });
      RunEvent.@Nullable Ended ended = begun.journal.end();
      return new Read(begun.started, cases.values(), ended == null ? -1 : ended.tookMicros());
    }
  }
}
