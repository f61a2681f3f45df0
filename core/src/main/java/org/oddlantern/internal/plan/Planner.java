package org.oddlantern.internal.plan;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.Resources;
import org.oddlantern.internal.plan.Expansion.Spot;
import org.oddlantern.internal.promise.PromiseReader;
import org.oddlantern.internal.promise.Promises;
import org.oddlantern.internal.promise.TitledCase;
import org.oddlantern.json.internal.NearestMatch;

/**
 * Makes a plan of classes: finds the suites of some places, looks up who makes what is taken, and
 * orders those that change or use up a value. Tells all problems at once, before anything is sent. Of
 * the suites' code only methods of samples are run.
 *
 * <pre>{@code
 * Plan plan = new Planner(loader, List.of(new Place(Path.of("target/test-classes")))).plan(Selection.ALL);
 * }</pre>
 */
public final class Planner {

  private final SuiteReader reader = new SuiteReader();
  private final Discovery discovery;
  private final List<CaseDefinition> known;
  private final DependencyLookup needs;
  private final SampleData data;
  private final PromiseReader documents;
  private @Nullable Promises promises;

  /**
   * Looks for suites.
   *
   * @param loader loads the suites and what they use
   * @param places where to look
   */
  public Planner(ClassLoader loader, List<Place> places) {
    this(loader, places, null);
  }

  /**
   * Looks for suites whose samples may lie in files beside the settings.
   *
   * @param loader loads the suites and what they use
   * @param places where to look
   * @param folder the folder of the settings file; null if there is none
   */
  public Planner(ClassLoader loader, List<Place> places, @Nullable Path folder) {
    this.discovery = new Discovery(loader, reader);
    this.known = discovery.find(places);
    this.needs = new DependencyLookup(reader, known);
    Resources files = new Resources(loader, folder);
    this.data = new SampleData(files);
    this.documents = new PromiseReader(
        files, places.stream().map(Place::path).filter(Files::isRegularFile).toList());
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
    return planned(selection, RunPart.WHOLE, name -> {});
  }

  /**
   * The plan for a run of one part of a selection, with what documents promise, and every schema that the
   * suites name by a constant read beforehand. Every part is judged as the whole.
   *
   * @param selection which cases
   * @param part which part of them; it may have no cases
   * @param schemas reads a schema by its name, or throws an {@link IllegalArgumentException}
   * @return the plan
   * @throws NothingSelected if no case fits
   * @throws PlanRefused if something in it is wrong
   */
  public Plan plan(Selection selection, RunPart part, Consumer<String> schemas) {
    return planned(selection, part, schemas).with(promises());
  }

  private Plan planned(Selection selection, RunPart part, Consumer<String> schemas) {
    if (!discovery.problems().isEmpty()) {
      throw new PlanRefused(discovery.problems());
    }
    Set<Spot> selected = selected(selection);
    List<DependencyLookup.Dependencies> needed = needs.reachable(makers(selected));
    Sampling sampling = new Sampling(needed);
    Expansion expansion = new Expansion(needs, sampling, data);
    List<PlanProblem> problems = problems(needed, sampling);
    problems.addAll(schemaProblems(needed, schemas));
    if (selection.isAll()) {
      problems.addAll(reader.allProblems(known));
    }
    selected.removeIf(spot -> !sampling.isOrdered(spot.maker()));
    List<Spot> ordered = ordered(expansion.reachable(selected), expansion);
    Graph graph = new Graph(ordered, expansion);
    problems.addAll(graph.problems());
    if (!problems.isEmpty()) {
      throw refused(problems);
    }
    if (part.of() > 1) {
      Set<Spot> own = new Dealing(ordered, graph, part).cases();
      own.retainAll(selected);
      List<Spot> dealt = ordered(expansion.reachable(own), expansion);
      return new Plan(
          new Graph(dealt, expansion).planned(expansion, own), discovery.warnings(), part);
    }
    return new Plan(graph.planned(expansion, selected), discovery.warnings(), part)
        .whole(selection.isAll());
  }

  /**
   * The steps that a case names by constant texts, as its class file has them.
   *
   * @param one the case
   * @return in source order
   */
  public List<String> steps(CaseDefinition one) {
    return reader.steps(one.method());
  }

  /**
   * The cases that a selection may mean, as their classes define them. Nothing is planned and no samples
   * are asked for, so a case over samples stands here once; problems are left for the plan to tell.
   *
   * @param selection which cases
   * @return the cases, in source order
   * @throws NothingSelected if there are no cases at all
   */
  public List<CaseDefinition> found(Selection selection) {
    return selection.maybe(known);
  }

  /**
   * What the documents beside the suites promise, whichever cases are selected. They are read once.
   *
   * @return the promises, with what is wrong with documents
   */
  public synchronized Promises promises() {
    if (promises == null) {
      promises = documents.read(this::titled);
    }
    return promises;
  }

  /**
   * All cases as documents name them, whichever are selected; methods of samples are asked for theirs.
   *
   * @return each case once, in source order
   */
  public List<TitledCase> titled() {
    Sampling sampling = new Sampling(needs.reachable(known));
    Expansion expansion = new Expansion(needs, sampling, data);
    return known.stream().map(one -> titled(one, sampling, expansion)).toList();
  }

  private TitledCase titled(CaseDefinition one, Sampling sampling, Expansion expansion) {
    SamplesDefinition samples = sampling.behind(one);
    List<TitledCase.OfSample> all = samples == null
        ? List.of()
        : expansion.spots(one).stream()
            .map(Spot::asCase)
            .map(each -> new TitledCase.OfSample(each.id().toString(), each.title()))
            .toList();
    return new TitledCase(
        one.id().toString(),
        SuiteName.of(one.suite()),
        one.titled().text(),
        all,
        samples == null ? List.of() : data.files(samples));
  }

  private List<Spot> ordered(Set<Spot> met, Expansion expansion) {
    return new SourceOrder(known, met, reader, expansion).of(met);
  }

  /** What was asked for: each case once for each sample that was. */
  private Set<Spot> selected(Selection selection) {
    List<CaseDefinition> maybe = selection.maybe(known);
    Sampling sampling = new Sampling(needs.reachable(maybe));
    Expansion expansion = new Expansion(needs, sampling, data);
    List<Spot> spots = new ArrayList<>();
    for (CaseDefinition one : maybe) {
      List<Spot> own = expansion.spots(one);
      spots.addAll(own.isEmpty() ? List.of(new Spot(one, null)) : own);
    }
    return new LinkedHashSet<>(selection.of(spots, known));
  }

  private List<PlanProblem> problems(
      List<DependencyLookup.Dependencies> needed, Sampling sampling) {
    List<PlanProblem> problems = new ArrayList<>();
    for (DependencyLookup.Dependencies need : needed) {
      problems.addAll(need.problems());
      SamplesDefinition samples = sampling.behind(need.maker());
      if (samples != null) {
        problems.addAll(data.problems(samples));
        problems.addAll(titleProblems(need.maker(), samples));
      }
    }
    problems.addAll(sampling.problems());
    return problems;
  }

  private List<PlanProblem> titleProblems(Maker maker, SamplesDefinition samples) {
    List<String> names = data.names(samples);
    if (!(maker instanceof CaseDefinition one) || names.isEmpty()) {
      return List.of();
    }
    List<PlanProblem> problems = new ArrayList<>();
    for (String name : new SampleTitle(one.title()).names()) {
      if (!name.isEmpty() && !names.contains(name)) {
        String hint = NearestMatch.hint(name, names);
        problems.add(new PlanProblem(
            one.place(),
            "its title asks for {%s}, but a sample of %s has %s%s"
                .formatted(
                    name,
                    samples.name(),
                    String.join(", ", names),
                    hint.isEmpty() ? "" : " (" + hint + ")")));
      }
    }
    return problems;
  }

  /** Schemas on the network are read when they are used, since their service may not be there yet. */
  private List<PlanProblem> schemaProblems(
      List<DependencyLookup.Dependencies> needed, Consumer<String> schemas) {
    List<PlanProblem> problems = new ArrayList<>();
    needed.stream()
        .map(need -> need.maker().suite())
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

  private static Set<Maker> makers(Set<Spot> spots) {
    Set<Maker> makers = new LinkedHashSet<>();
    spots.forEach(spot -> makers.add(spot.maker()));
    return makers;
  }

  private static PlanRefused refused(List<PlanProblem> problems) {
    return new PlanRefused(new ArrayList<>(new LinkedHashSet<>(problems)));
  }
}
