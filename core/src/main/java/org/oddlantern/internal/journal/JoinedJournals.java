package org.oddlantern.internal.journal;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.Mark;
import org.oddlantern.internal.record.RecordKind;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.internal.record.RunSize;

/**
 * The journals of the parts of one run, to be told as one. A case that stands in several of them is told
 * once, as it ran last. If a part was cut off, the whole was. Not thread-safe.
 *
 * <pre>{@code
 * new JoinedJournals(List.of(part1, part2)).write(Path.of("joined/journal.jsonl"));
 * }</pre>
 */
public final class JoinedJournals {

  private final List<PartRead> parts = new ArrayList<>();

  /**
   * Reads the journals.
   *
   * @param files one or more; a journal of the same run counts once
   * @throws IOException if one cannot be read, or is not a journal
   */
  public JoinedJournals(Collection<Path> files) throws IOException {
    Set<String> known = new LinkedHashSet<>();
    for (Path file : files) {
      PartRead part = new PartRead(new Journal(file));
      if (known.add(part.started.run())) {
        parts.add(part);
      }
    }
    parts.sort(Comparator.comparing(part -> part.started.startedAt()));
  }

  /**
   * What keeps them from being a whole run.
   *
   * @return a sentence for each part of a run dealt to machines that none of the journals tells of
   */
  public List<String> missing() {
    List<String> missing = new ArrayList<>();
    parts.stream()
        .map(part -> part.started.part())
        .filter(part -> !part.isEmpty())
        .map(part -> Integer.parseInt(part.replaceAll(".*/", "")))
        .distinct()
        .forEach(of -> IntStream.rangeClosed(1, of)
            .filter(number ->
                parts.stream().noneMatch(part -> part.started.part().equals(number + "/" + of)))
            .forEach(number -> missing.add("part " + number + " of " + of
                + " is missing: the cases that only it ran are in none of these journals")));
    return missing;
  }

  /**
   * How many runs or parts are joined.
   *
   * @return their number; a journal that was named twice counts once
   */
  public int size() {
    return parts.size();
  }

  /**
   * What the runs or parts are called.
   *
   * @return in the order in which they began
   */
  public List<String> runs() {
    return parts.stream().map(part -> part.started.run()).toList();
  }

  /**
   * Writes them as one journal, long bodies beside it.
   *
   * @param target the file to write, which is none of those that were read
   * @throws IOException if it cannot be written, or a body not be read
   */
  public void write(Path target) throws IOException {
    try (JournalWriter writer = new JournalWriter(target)) {
      List<Entry> entries = entries();
      writer.hear(started(entries));
      int order = 0;
      for (Entry entry : entries) {
        writer.hear(new RunEvent.CaseFinished(entry.part.whole(entry.placed, entry.lane, order++)));
      }
      // what is told of the whole project stands in each part
      Set<RunEvent> once = new HashSet<>();
      for (PartRead part : parts) {
        for (RunEvent event : part.others) {
          boolean ofProject = event instanceof RunEvent.Promised
              || event instanceof RunEvent.ProblemFound
              || event instanceof RunEvent.Described;
          RunEvent whole = part.whole(event);
          if (!ofProject || once.add(whole)) {
            writer.hear(whole);
          }
        }
      }
      if (parts.stream().allMatch(part -> part.ended != null)) {
        writer.hear(ended(entries));
      }
    }
  }

  private List<Entry> entries() {
    Map<String, Entry> cases = new LinkedHashMap<>();
    List<Entry> entries = new ArrayList<>();
    int lanes = 0;
    for (PartRead part : parts) {
      for (PartRead.Placed placed : part.records) {
        CaseRecord record = placed.listed();
        Entry entry = new Entry(part, placed, record.hasRun() ? record.lane() + lanes : 0);
        if (record.kind() == RecordKind.SUPPLY) {
          entries.add(entry);
        } else {
          cases.merge(record.id(), entry, Entry::rather);
        }
      }
      lanes += part.started.lanes();
    }
    entries.addAll(cases.values());
    entries.sort(Entry.IN_SOURCE);
    return entries;
  }

  private RunEvent.Started started(List<Entry> entries) {
    RunEvent.Started first = parts.get(0).started;
    Set<String> warnings = new LinkedHashSet<>();
    parts.forEach(part -> warnings.addAll(part.started.warnings()));
    warnings.addAll(missing());
    List<CaseRecord> cases = entries.stream()
        .map(Entry::record)
        .filter(one -> one.kind() == RecordKind.CASE)
        .toList();
    int twice = parts.stream().mapToInt(PartRead::cases).sum() - cases.size();
    int planned = parts.stream()
        .mapToInt(part -> Math.max(part.cases(), part.started.cases()))
        .sum();
    return new RunEvent.Started(
        first.format(),
        parts.size() == 1 ? first.run() : first.run() + "+" + (parts.size() - 1),
        told(part -> part.started.name()),
        told(part -> part.started.environment()),
        told(part -> part.started.seed()),
        first.startedAt(),
        new RunSize(
            planned - twice,
            (int) cases.stream().map(one -> one.type()).distinct().count(),
            parts.stream().mapToInt(part -> part.started.lanes()).sum(),
            parts.size() == 1 ? first.part() : "",
            parts.stream().anyMatch(part -> part.started.size().shuffled())),
        List.copyOf(warnings));
  }

  private String told(Function<PartRead, String> what) {
    return parts.stream().map(what).distinct().collect(Collectors.joining(", "));
  }

  private RunEvent.Ended ended(List<Entry> entries) {
    List<RunEvent.Ended> ends = parts.stream().map(part -> part.end()).toList();
    Map<String, Integer> counts = new LinkedHashMap<>();
    entries.stream()
        .map(Entry::record)
        .filter(CaseRecord::counts)
        .forEach(one -> counts.merge(one.word(), 1, Integer::sum));
    Instant last = ends.stream()
        .map(RunEvent.Ended::endedAt)
        .max(Comparator.naturalOrder())
        .orElseThrow();
    long micros = Duration.between(parts.get(0).started.startedAt(), last).toNanos() / 1_000;
    return new RunEvent.Ended(
        last,
        parts.size() == 1 ? ends.get(0).tookMicros() : micros,
        counts,
        ends.stream().mapToInt(RunEvent.Ended::leftBehind).sum(),
        ends.stream().anyMatch(RunEvent.Ended::stopped));
  }

  /**
   * A record and the part it stands in.
   *
   * @param part the part
   * @param placed the record
   * @param lane its lane among those of all parts
   */
  private record Entry(PartRead part, PartRead.Placed placed, int lane) {

    /** By class, then by line, then as their part had them. */
    static final Comparator<Entry> IN_SOURCE = Comparator.comparing(
            (Entry entry) -> entry.record().id().replaceAll("[#$].*", ""))
        .thenComparing(entry -> line(entry.record().place()))
        .thenComparing(entry -> entry.record().order());

    CaseRecord record() {
      return placed.listed();
    }

    /** A case that was asked for rather than one that was only needed, then the later one. */
    Entry rather(Entry other) {
      boolean needed = record().marks().contains(Mark.NEEDED);
      boolean otherNeeded = other.record().marks().contains(Mark.NEEDED);
      if (needed != otherNeeded) {
        return needed ? other : this;
      }
      return record().startedAt().isAfter(other.record().startedAt()) ? this : other;
    }

    private static int line(String place) {
      String digits = place.replaceAll(".*:", "");
      return digits.matches("\\d{1,9}") ? Integer.parseInt(digits) : 0;
    }
  }
}
