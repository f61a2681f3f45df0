package org.oddlantern.internal.reports;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.record.ExaminedAnswer;
import org.oddlantern.internal.record.ExaminedRecord;
import org.oddlantern.internal.record.OperationRecord;
import org.oddlantern.internal.record.Watch;
import org.oddlantern.internal.record.WatchedPlace;

/** What the cases of a run would notice, together: each place as well watched as by the case that does it best. */
public final class ExaminedRun {

  /** What is unwatched in so many operations of a service is told once. */
  private static final int OFTEN = 5;

  private static final Comparator<OperationRecord> IN_ORDER = Comparator.comparing(
          OperationRecord::isCall, Comparator.reverseOrder())
      .thenComparing(OperationRecord::service)
      .thenComparing(OperationRecord::template)
      .thenComparing(OperationRecord::method)
      .thenComparing(OperationRecord::status);

  private final DescribedRun described;
  private final List<ExaminedRecord> records;
  private final List<WatchedOperation> operations;
  private final List<Often> often;

  /**
   * Of what is known of each case.
   *
   * @param records the cases that were examined, and those that could not be, in any order
   */
  public ExaminedRun(Collection<ExaminedRecord> records) {
    this(records, new DescribedRun(body -> ""));
  }

  /**
   * Of what is known of each case, and of what descriptions require.
   *
   * @param records the cases that were examined, and those that could not be, in any order
   * @param described the descriptions
   */
  public ExaminedRun(Collection<ExaminedRecord> records, DescribedRun described) {
    this.described = described;
    this.records =
        records.stream().sorted(Comparator.comparing(ExaminedRecord::id)).toList();
    Map<OperationRecord, WatchedOperation> all = new TreeMap<>(IN_ORDER);
    for (ExaminedRecord record : this.records) {
      for (ExaminedAnswer answer : record.answers()) {
        all.computeIfAbsent(answer.operation(), WatchedOperation::new).add(record.id(), answer);
      }
    }
    this.operations = List.copyOf(all.values());
    this.often = often();
  }

  /** Whether nobody asked. */
  public boolean isEmpty() {
    return records.isEmpty();
  }

  /** The operations, each with its places; calls first. */
  public List<WatchedOperation> operations() {
    return operations;
  }

  /** How many cases were done again. */
  public int examined() {
    return (int) records.stream().filter(ExaminedRecord::isExamined).count();
  }

  /** The cases that could not be. */
  public List<ExaminedRecord> notExamined() {
    return records.stream().filter(one -> !one.isExamined()).toList();
  }

  /** How many changes were tried. */
  public int tried() {
    return records.stream().mapToInt(ExaminedRecord::tried).sum();
  }

  /** How many were not, where there were too many. */
  public int untried() {
    return records.stream().mapToInt(ExaminedRecord::untried).sum();
  }

  /** How many places there are that are to be watched. */
  public int places() {
    return (int) counted().count();
  }

  /** How many of them are watched, by value or by kind. */
  public int watched() {
    return (int) counted().filter(place -> place.watch().isWatched()).count();
  }

  /** The same in per cent, never rounded up; 0 if there are none. */
  public int perCent() {
    int all = places();
    return all == 0 ? 0 : (int) (100L * watched() / all);
  }

  private Stream<WatchedPlace> counted() {
    return operations.stream()
        .flatMap(one -> one.places().stream())
        .map(WatchedOperation.Seen::place)
        .filter(place -> place.watch().counts());
  }

  /** What cases know and nobody checks. */
  public List<Known> known() {
    List<Known> known = new ArrayList<>();
    for (WatchedOperation operation : operations) {
      operation.places().stream()
          .filter(seen -> isKnown(seen.place()))
          .forEach(seen -> known.add(new Known(operation, seen)));
    }
    return known;
  }

  private static boolean isKnown(WatchedPlace place) {
    return !place.known().isEmpty()
        && place.watch() != Watch.BY_VALUE
        && place.watch() != Watch.ON_PURPOSE;
  }

  /** Whether more than one service was asked, so that their names set operations apart. */
  public boolean hasServices() {
    return operations.stream()
            .filter(one -> one.operation().isCall())
            .map(one -> one.operation().service())
            .distinct()
            .count()
        > 1;
  }

  /** What is unwatched in many operations of a service, told once. */
  public List<Often> oftenUnwatched() {
    return often;
  }

  private List<Often> often() {
    Map<GroupName, Group> groups = new LinkedHashMap<>();
    for (WatchedOperation operation : operations) {
      for (WatchedOperation.Seen seen : operation.places()) {
        GroupName name = group(operation, seen.place());
        if (name != null) {
          groups.computeIfAbsent(name, Group::new).add(operation, seen.place());
        }
      }
    }
    return groups.values().stream()
        .filter(group -> group.open.size() >= OFTEN)
        .map(group -> group.told(calls(group.name.service())))
        .toList();
  }

  /** How many operations of a service there are. */
  private long calls(String service) {
    return operations.stream()
        .filter(one -> one.operation().isCall() && one.operation().service().equals(service))
        .count();
  }

  /** What belongs together though it is of many operations; null if it stands for itself. */
  private static @Nullable GroupName group(WatchedOperation operation, WatchedPlace place) {
    OperationRecord one = operation.operation();
    if (one.isCall() && place.place().startsWith("header ")) {
      return new GroupName(one.service(), place.place());
    }
    boolean body = place.place().startsWith("$") || place.place().equals("body");
    return one.isCall() && one.status() >= 400 && body
        ? new GroupName(one.service(), "the bodies of refusals")
        : null;
  }

  private static boolean isOpen(WatchedPlace place) {
    return place.watch() == Watch.IN_PART || place.watch() == Watch.NOT_AT_ALL;
  }

  /** Places of an operation that nobody watches and that are told with it: not known, not unwatched often. */
  public List<WatchedOperation.Seen> rest(WatchedOperation operation) {
    return operation.places().stream()
        .filter(seen -> isOpen(seen.place()) && !isKnown(seen.place()))
        .filter(seen -> !isToldOnce(group(operation, seen.place())))
        .sorted(Comparator.comparing(seen -> !isRequired(operation, seen.place())))
        .toList();
  }

  /** Whether a description requires a place that nobody watches. */
  public boolean isRequired(WatchedOperation operation, WatchedPlace place) {
    return isOpen(place) && described.isRequired(operation.operation(), place.place());
  }

  /** How many of the other places that nobody watches a description requires. */
  public long required() {
    return operations.stream()
        .flatMap(one -> rest(one).stream().filter(seen -> isRequired(one, seen.place())))
        .count();
  }

  private boolean isToldOnce(@Nullable GroupName name) {
    return often.stream().anyMatch(one -> new GroupName(one.service(), one.place()).equals(name));
  }

  /**
   * The lines that would watch what nobody watches.
   *
   * @return in the order of the places, each once
   */
  public List<String> lines(WatchedOperation operation) {
    return Stream.concat(
            operation.places().stream().filter(seen -> isKnown(seen.place())),
            rest(operation).stream())
        .map(WatchedOperation.Seen::place)
        .map(WatchedPlace::line)
        .filter(line -> !line.isEmpty())
        .distinct()
        .toList();
  }

  /** All of it in a sentence. */
  public String sentence() {
    String untried = untried() == 0
        ? ""
        : String.format(
            Locale.ROOT, "; %,d changes were not tried, since there are so many", untried());
    return String.format(
            Locale.ROOT,
            "%,d of %s are watched (%d %%); %,d of %s examined, %,d changes tried",
            watched(),
            Amounts.of(places(), "place"),
            perCent(),
            examined(),
            Amounts.of(records.size(), "case"),
            tried())
        + untried;
  }

  /** The same, for those who know nothing of calls and code. */
  public String plainSentence() {
    int open = places() - watched();
    return open == 0
        ? "Whatever the service said, some test would notice if it were wrong."
        : String.format(
            Locale.ROOT,
            "Of %s that the service returned to the tests, %,d could be wrong tomorrow and no test would notice.",
            Amounts.of(places(), "thing"),
            open);
  }

  /**
   * How something is unwatched, in words.
   *
   * @param place the place
   * @return words that follow the place
   */
  public static String words(WatchedPlace place) {
    return switch (place.watch()) {
      case BY_VALUE -> "by value";
      case ON_PURPOSE -> "not watched, on purpose";
      case BY_KIND ->
        place.unnoticed().isEmpty()
            ? "by kind"
            : "by kind: nobody would notice " + unnoticed(place);
      case NOT_AT_ALL -> "not at all";
      case IN_PART -> "in part: nobody would notice " + unnoticed(place);
    };
  }

  private static String unnoticed(WatchedPlace place) {
    return place.unnoticed().stream().limit(3).collect(Collectors.joining(", "));
  }

  /**
   * What nobody does about a place, in words that stand for themselves.
   *
   * @param place the place
   * @return {@code no test looks at it}
   */
  public static String sentence(WatchedPlace place) {
    return place.watch() == Watch.NOT_AT_ALL
        ? "no test looks at it"
        : "it is watched " + words(place);
  }

  /**
   * Something that a case knows and nobody checks.
   *
   * @param operation the operation
   * @param seen the place
   */
  public record Known(WatchedOperation operation, WatchedOperation.Seen seen) {}

  /**
   * What is unwatched in many operations.
   *
   * @param service the service
   * @param place the place, or what places have in common
   * @param count in how many operations
   * @param of of how many that have it
   * @param line what would watch it for all calls of the service; may be empty
   */
  public record Often(String service, String place, int count, int of, String line) {

    /** In a sentence. */
    public String sentence() {
      boolean many = place.startsWith("the ");
      return String.format(
          Locale.ROOT,
          "%s %s not watched in %d of %s%s",
          place,
          many ? "are" : "is",
          count,
          Amounts.of(of, "operation"),
          service.isEmpty() ? "" : " of " + service);
    }
  }

  /**
   * What sets a group of places apart.
   *
   * @param service the service
   * @param place what they have in common
   */
  private record GroupName(String service, String place) {}

  /** Places of many operations that belong together. */
  private static final class Group {
    private final GroupName name;
    private final Set<WatchedOperation> all = new HashSet<>();
    private final Set<WatchedOperation> open = new HashSet<>();
    private final Map<String, Integer> lines = new LinkedHashMap<>();

    Group(GroupName name) {
      this.name = name;
    }

    void add(WatchedOperation operation, WatchedPlace place) {
      all.add(operation);
      if (isOpen(place)) {
        open.add(operation);
        lines.merge(place.line(), 1, Integer::sum);
      }
    }

    /** What only some replies have cannot be asked of all; of a type only those with a body are asked. */
    Often told(long calls) {
      String place = name.place();
      boolean everywhere =
          place.equals("header Content-Type") || place.startsWith("header ") && all.size() == calls;
      String line = lines.entrySet().stream()
          .max(Map.Entry.comparingByValue())
          .map(Map.Entry::getKey)
          .orElse("");
      return new Often(
          name.service(),
          place,
          open.size(),
          all.size(),
          everywhere && !line.isEmpty() ? "always(" + line + ")" : "");
    }
  }
}
