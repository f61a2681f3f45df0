package org.oddlantern.internal.described;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.oddlantern.internal.description.ApiDocument;
import org.oddlantern.internal.description.DescriptionProblem;
import org.oddlantern.internal.description.Operation;

/** How much of a description a run has seen, and what it saw otherwise. Filled by one thread, then thread-safe. */
public final class Coverage {

  private final Holding holding;
  private final Map<String, OperationCoverage> operations = new LinkedHashMap<>();
  private final Map<Deviation.Subject, Seen> deviations = new LinkedHashMap<>();
  private final Set<String> problems = Collections.synchronizedSet(new LinkedHashSet<>());

  /** Nothing was seen yet. */
  public Coverage(ApiDocument document) {
    this.holding = new Holding(document, false);
    document
        .operations()
        .forEach(one -> operations.put(one.line(), new OperationCoverage(one, problems::add)));
  }

  /**
   * Adds an exchange.
   *
   * @param facts the exchange
   * @param caseId the case that made it
   */
  public void add(Facts facts, String caseId) {
    Held held;
    try {
      held = holding.held(facts);
    } catch (DescriptionProblem e) {
      problems.add(String.valueOf(e.getMessage()));
      held = holding.unjudged(facts);
    }
    Facts.Came came = facts.came();
    Operation operation = held.operation();
    OperationCoverage own = operation == null ? null : operations.get(operation.line());
    if (own != null) {
      own.add(held, came == null ? 0 : came.status(), caseId);
    }
    for (Deviation one : held.deviations()) {
      deviations.computeIfAbsent(one.subject(), any -> new Seen(one)).cases.add(caseId);
    }
  }

  /** The schemas that could not be used, so that nothing was held against them; each in a sentence. */
  public List<String> problems() {
    synchronized (problems) {
      return List.copyOf(problems);
    }
  }

  /** The description. */
  public ApiDocument document() {
    return holding.document();
  }

  /** Every operation, in the order of the description. */
  public List<OperationCoverage> operations() {
    return List.copyOf(operations.values());
  }

  /** How many operations were called. */
  public int called() {
    return (int)
        operations.values().stream().filter(OperationCoverage::isCalled).count();
  }

  /** The same in per cent, never rounded up; 100 if there are none. */
  public int perCent() {
    return operations.isEmpty() ? 100 : called() * 100 / operations.size();
  }

  /** What was otherwise than described, each once, with the cases that saw it. */
  public List<Seen> deviations() {
    return List.copyOf(deviations.values());
  }

  /**
   * The operation that a call by a template goes to.
   *
   * @param method the method
   * @param template the template, with variables of whatever name
   */
  public Optional<OperationCoverage> operation(String method, String template) {
    String path = template.replaceFirst("[?#].*", "").replaceAll("\\{[^}]*}", "0");
    return document()
        .place(path, path)
        .map(place -> document().operation(method, place.path()))
        .map(operation -> operations.get(operation.line()));
  }

  /** Something that was otherwise than described, and the cases that saw it. */
  public static final class Seen {
    private final Deviation deviation;
    private final Set<String> cases = new LinkedHashSet<>();

    private Seen(Deviation deviation) {
      this.deviation = deviation;
    }

    /** What it was, the first time. */
    public Deviation deviation() {
      return deviation;
    }

    /** The cases, in order. */
    public List<String> cases() {
      return new ArrayList<>(cases);
    }
  }
}
