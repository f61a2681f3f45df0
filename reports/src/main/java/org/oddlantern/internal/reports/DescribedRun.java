package org.oddlantern.internal.reports;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.oddlantern.internal.described.Coverage;
import org.oddlantern.internal.described.DescribedCopies;
import org.oddlantern.internal.described.Facts;
import org.oddlantern.internal.described.OperationCoverage;
import org.oddlantern.internal.description.ApiDocument;
import org.oddlantern.internal.record.BodyRecord;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.DescribedRecord;
import org.oddlantern.internal.record.ExchangeRecord;
import org.oddlantern.internal.record.OperationRecord;
import org.oddlantern.internal.record.RecordKind;

/** What a run has seen of the descriptions of its services. Not thread-safe. */
public final class DescribedRun {

  private final Map<String, Described> all = new LinkedHashMap<>();
  private final List<String> lost = new ArrayList<>();
  private final RecordedFacts facts;

  /**
   * Nothing is described yet.
   *
   * @param texts the texts of bodies, also of those that lie beside the journal
   */
  public DescribedRun(Function<BodyRecord, String> texts) {
    this.facts = new RecordedFacts(texts);
  }

  /**
   * Adds a service and its description.
   *
   * @param record the service, and the description with its texts
   */
  public void describe(DescribedRecord record) {
    Described described = all.computeIfAbsent(
        record.from(), from -> new Described(new Coverage(DescribedCopies.read(copies(record)))));
    described.services.add(record.service());
    described.addresses.add(record.address());
  }

  /**
   * Adds a description of services of whose descriptions the journal says nothing.
   *
   * @param service the name of the service; empty for every one
   * @param document its description
   */
  public void describe(String service, ApiDocument document) {
    Described described =
        all.computeIfAbsent(document.name(), from -> new Described(new Coverage(document)));
    described.services.add(service);
    described.anyone |= service.isEmpty();
  }

  private static List<DescribedCopies.Copy> copies(DescribedRecord record) {
    return record.documents().stream()
        .map(one -> new DescribedCopies.Copy(one.name(), one.uri(), String.valueOf(one.text())))
        .toList();
  }

  /**
   * Takes note of a description that was known to the run, and cannot be read any more.
   *
   * @param record the service, and the description
   * @param why why it cannot
   */
  public void lose(DescribedRecord record, String why) {
    lost.add("the copy of " + record.from() + ", the description of " + record.service()
        + ", cannot be read any more, so nothing is held against it: " + why
        + "; it lies in the folder 'described' beside the journal, and 'report --description "
        + record.service() + "=FILE' takes another");
  }

  /** The descriptions that cannot be read any more, in sentences. */
  public List<String> lost() {
    return List.copyOf(lost);
  }

  /** Adds what a case asked. */
  public void add(CaseRecord one) {
    if (all.isEmpty() || one.kind() != RecordKind.CASE) {
      return;
    }
    for (ExchangeRecord exchange : one.exchanges()) {
      if (!exchange.isVisit()) {
        of(exchange)
            .ifPresent(described ->
                described.add(facts.of(exchange, described.address(exchange.url())), one.id()));
      }
    }
  }

  private Optional<Described> of(ExchangeRecord exchange) {
    return all.values().stream()
        .filter(one -> one.anyone
            || (exchange.service().isEmpty()
                ? one.addresses.stream().anyMatch(exchange.url()::startsWith)
                : one.services.contains(exchange.service())))
        .findFirst();
  }

  /** Whether no service is described. */
  public boolean isEmpty() {
    return all.isEmpty();
  }

  /** What was seen of each description. */
  public List<Coverage> coverages() {
    return all.values().stream().map(one -> one.coverage).toList();
  }

  /** How many operations were called, of all descriptions. */
  public int called() {
    return coverages().stream().mapToInt(Coverage::called).sum();
  }

  /** How many operations there are in all descriptions. */
  public int operations() {
    return coverages().stream().mapToInt(one -> one.operations().size()).sum();
  }

  /** How many were called, in per cent, never rounded up; 100 if there are none. */
  public int perCent() {
    return operations() == 0 ? 100 : called() * 100 / operations();
  }

  /** What was otherwise than described, of all descriptions. */
  public List<Coverage.Seen> deviations() {
    List<Coverage.Seen> deviations = new ArrayList<>();
    coverages().forEach(one -> deviations.addAll(one.deviations()));
    return deviations;
  }

  /** The schemas of all descriptions that could not be used, as far as they were needed; in sentences. */
  public List<String> problems() {
    return coverages().stream()
        .flatMap(one -> one.problems().stream())
        .distinct()
        .toList();
  }

  /** The operations that were called though the description says that they should not be any more. */
  public List<OperationCoverage> deprecated() {
    return coverages().stream()
        .flatMap(one -> one.operations().stream())
        .filter(one -> one.isCalled() && one.operation().about().deprecated())
        .toList();
  }

  /** What was seen of each description, in a sentence without a full stop. */
  public String sentence() {
    List<String> parts = new ArrayList<>();
    for (Coverage one : coverages()) {
      parts.add(one.called() + " of " + Amounts.of(one.operations().size(), "operation") + " of "
          + one.document().name() + " called");
    }
    int otherwise = deviations().size();
    int unusable = problems().size();
    if (unusable > 0) {
      parts.add(Amounts.of(unusable, "schema") + " of no use");
    }
    parts.add(
        otherwise == 0
            ? (unusable == 0 ? "everything" : "the rest") + " as described"
            : Amounts.of(otherwise, "thing") + " not as described");
    return String.join(", ", parts);
  }

  /** Whether a description requires a place of the replies of an operation. */
  public boolean isRequired(OperationRecord operation, String place) {
    if (!operation.isCall()) {
      return false;
    }
    for (Described one : all.values()) {
      if (one.services.contains(operation.service())) {
        Optional<OperationCoverage> covered =
            one.coverage.operation(operation.method(), operation.template());
        if (covered.isPresent()) {
          return covered.get().requires(operation.status(), place);
        }
      }
    }
    return false;
  }

  /** One description, the services that have it, and where they were. */
  private static final class Described {
    private final Coverage coverage;
    private final Set<String> services = new LinkedHashSet<>();
    private final Set<String> addresses = new LinkedHashSet<>();
    private boolean anyone;

    private Described(Coverage coverage) {
      this.coverage = coverage;
    }

    /** Of services that nobody named, calls to other paths are those of another service. */
    private void add(Facts one, String id) {
      boolean known = coverage
          .document()
          .place(one.sent().where().rest(), one.sent().where().path())
          .isPresent();
      if (!anyone || known) {
        coverage.add(one, id);
      }
    }

    private String address(String url) {
      return addresses.stream()
          .filter(url::startsWith)
          .findFirst()
          .or(() -> addresses.stream().findFirst())
          .orElse("");
    }
  }
}
