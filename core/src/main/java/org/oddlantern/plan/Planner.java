package org.oddlantern.plan;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Queue;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * Makes a plan of classes: finds the suites of some places, looks up who makes what is taken, and
 * orders those that change or use up a value. Tells all problems at once, before anything is sent.
 *
 * <pre>{@code
 * Plan plan = new Planner(loader, List.of(new Place(Path.of("target/test-classes")))).plan(Selection.ALL);
 * }</pre>
 */
public final class Planner {

  private final SuiteReader reader = new SuiteReader();
  private final Discovery discovery;
  private final List<CaseDefinition> known;

  /**
   * Looks for suites.
   *
   * @param loader loads the suites and what they use
   * @param places where to look
   */
  public Planner(ClassLoader loader, List<Place> places) {
    this.discovery = new Discovery(loader, reader);
    this.known = discovery.find(places);
  }

  /**
   * The plan of a selection.
   *
   * @param selection which cases
   * @return the plan
   * @throws NothingSelected if no case fits
   * @throws PlanRefused if something in it is wrong
   */
  public Plan plan(Selection selection) {
    return plan(selection, name -> {});
  }

  /**
   * The plan of a selection, with every schema that the suites name by a constant read beforehand.
   *
   * @param selection which cases
   * @param schemas reads a schema by its name, or throws an {@link IllegalArgumentException}
   * @return the plan
   * @throws NothingSelected if no case fits
   * @throws PlanRefused if something in it is wrong
   */
  public Plan plan(Selection selection, Consumer<String> schemas) {
    if (!discovery.problems().isEmpty()) {
      throw new PlanRefused(discovery.problems());
    }
    List<CaseDefinition> selected = selection.of(known);
    Draft draft = draft(selected);
    List<PlanProblem> problems = new ArrayList<>(draft.problems);
    Graph graph = new Graph(draft.cases, draft.makers, new HashSet<>(selected));
    graph.problems().forEach(problems::add);
    problems.addAll(schemaProblems(draft.cases, schemas));
    if (!problems.isEmpty()) {
      throw new PlanRefused(problems.stream().distinct().toList());
    }
    return new Plan(graph.planned(), List.copyOf(discovery.warnings()));
  }

  /** Schemas on the network are read when they are used, since their service may not be there yet. */
  private List<PlanProblem> schemaProblems(List<CaseDefinition> cases, Consumer<String> schemas) {
    List<PlanProblem> problems = new ArrayList<>();
    cases.stream()
        .map(CaseDefinition::suite)
        .distinct()
        .flatMap(suite -> reader.schemas(suite).stream())
        .distinct()
        .filter(schema -> !schema.name().matches("https?://.*"))
        .forEach(schema -> {
          try {
            schemas.accept(schema.name());
          } catch (IllegalArgumentException e) {
            problems.add(new PlanProblem(schema.place(), String.valueOf(e.getMessage())));
          }
        });
    return problems;
  }

  /** What is selected and all it needs, transitively. */
  private Draft draft(List<CaseDefinition> selected) {
    MakerLookup lookup = new MakerLookup(reader, known);
    Draft draft = new Draft();
    Queue<CaseDefinition> open = new ArrayDeque<>(selected);
    Set<CaseDefinition> met = new LinkedHashSet<>(selected);
    while (!open.isEmpty()) {
      CaseDefinition taker = open.remove();
      draft.problems.addAll(reader.problems(taker));
      Map<Want, CaseDefinition> makers = new LinkedHashMap<>();
      for (Want want : taker.marks().runs() ? taker.wants() : List.<Want>of()) {
        CaseDefinition maker = placed(taker, lookup.find(taker, want, draft.problems::add), draft);
        if (maker != null) {
          makers.put(want, maker);
          if (met.add(maker)) {
            open.add(maker);
          }
        }
      }
      draft.makers.put(taker, makers);
    }
    draft.cases.addAll(inSourceOrder(met));
    return draft;
  }

  /** The maker on the environment of its taker (rule 5); null if it is pinned elsewhere. */
  private static @Nullable CaseDefinition placed(
      CaseDefinition taker, @Nullable CaseDefinition maker, Draft draft) {
    if (maker == null || maker.environment().equals(taker.environment())) {
      return maker;
    }
    if (maker.environment().isEmpty()) {
      return maker.on(taker.environment());
    }
    draft.problems.add(new PlanProblem(
        taker.place(),
        "it takes what %s makes, which is pinned to the environment '%s'; pin both to the same with @Against"
            .formatted(maker.place(), maker.environment())));
    return null;
  }

  /** Cases of the places first, as found; then those of classes elsewhere, by name. */
  private List<CaseDefinition> inSourceOrder(Collection<CaseDefinition> met) {
    List<CaseDefinition> all = new ArrayList<>(known);
    Set<Class<?>> here = known.stream().map(CaseDefinition::suite).collect(Collectors.toSet());
    Map<String, Class<?>> elsewhere = new TreeMap<>();
    met.stream()
        .filter(one -> !here.contains(one.suite()))
        .forEach(one -> elsewhere.put(one.suite().getName(), one.suite()));
    elsewhere.values().forEach(suite -> all.addAll(reader.cases(suite)));
    Map<CaseId, List<CaseDefinition>> places = new HashMap<>();
    met.forEach(one ->
        places.computeIfAbsent(one.id().anywhere(), key -> new ArrayList<>()).add(one));
    return all.stream()
        .flatMap(one -> places.getOrDefault(one.id(), List.of()).stream()
            .sorted(Comparator.comparing(CaseDefinition::environment)))
        .toList();
  }

  /** A plan in the making. */
  private static final class Draft {
    private final List<CaseDefinition> cases = new ArrayList<>();
    private final Map<CaseDefinition, Map<Want, CaseDefinition>> makers = new LinkedHashMap<>();
    private final List<PlanProblem> problems = new ArrayList<>();
  }
}
