package org.oddlantern.internal.plan;

import java.lang.reflect.Modifier;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Queue;
import java.util.Set;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import org.oddlantern.json.internal.Words;

/** Who makes what each case and supply takes, looked up once each: rules 2 to 5, 9 and 20. */
final class DependencyLookup {

  private final SuiteReader reader;
  private final MakerLookup lookup;
  private final Map<Maker, Dependencies> known = new HashMap<>();

  DependencyLookup(SuiteReader reader, Collection<CaseDefinition> all) {
    this.reader = reader;
    this.lookup = new MakerLookup(reader, all);
  }

  /** Some cases and all they need, directly or not. */
  List<Dependencies> reachable(Collection<? extends Maker> roots) {
    Set<Maker> met = new LinkedHashSet<>(roots);
    Queue<Maker> open = new ArrayDeque<>(roots);
    List<Dependencies> needs = new ArrayList<>();
    for (Maker maker = open.poll(); maker != null; maker = open.poll()) {
      Dependencies need = of(maker);
      needs.add(need);
      for (Dependency taken : need.all()) {
        if (met.add(taken.maker())) {
          open.add(taken.maker());
        }
      }
    }
    return needs;
  }

  /** What one case or supply needs. */
  Dependencies of(Maker maker) {
    Dependencies need = known.get(maker);
    if (need == null) {
      need = lookedUp(maker);
      known.put(maker, need);
    }
    return need;
  }

  private Dependencies lookedUp(Maker maker) {
    List<PlanProblem> problems = new ArrayList<>(reader.problems(maker.suite(), maker.method()));
    problems.addAll(reader.foreignMarks(maker.suite()));
    List<Dependency> taken = new ArrayList<>();
    boolean runs = !(maker instanceof CaseDefinition one) || one.marks().runs();
    for (ValueParameter parameter : runs ? maker.parameters() : List.<ValueParameter>of()) {
      Dependency found = taken(maker, maker.place(), parameter, problems::add);
      if (found != null) {
        taken.add(found);
      }
    }
    return new Dependencies(
        maker, List.copyOf(taken), runs ? putBack(maker, problems) : null, List.copyOf(problems));
  }

  private @Nullable Dependency taken(
      Maker taker, String place, ValueParameter parameter, Consumer<PlanProblem> problems) {
    MakerLookup.Candidate found = lookup.find(taker, place, parameter, problems);
    if (found == null || !isSound(found.maker(), place, parameter, problems)) {
      return null;
    }
    Maker maker = placed(taker, found.maker(), problems);
    return maker == null ? null : new Dependency(parameter, maker, found.gathered());
  }

  private static boolean isSound(
      Maker maker, String place, ValueParameter parameter, Consumer<PlanProblem> problems) {
    if (maker instanceof SamplesDefinition && parameter.use() != ValueParameter.Use.READS) {
      problems.accept(
          new PlanProblem(
              place,
              "it takes the sample " + Words.of(parameter.type())
                  + " with @Changes or @UsesUp; these marks are for values that cases and supplies make"));
      return false;
    }
    return true;
  }

  /** The maker on the environment of its taker (rule 5); null if it is pinned elsewhere. */
  private static @Nullable Maker placed(Maker taker, Maker maker, Consumer<PlanProblem> problems) {
    if (maker instanceof SamplesDefinition || maker.environment().equals(taker.environment())) {
      return maker;
    }
    if (maker.environment().isEmpty()) {
      return maker.on(taker.environment());
    }
    problems.accept(new PlanProblem(
        taker.place(),
        "it takes what %s makes, which is pinned to the environment '%s'; pin both to the same with @OnEnvironment"
            .formatted(maker.place(), maker.environment())));
    return null;
  }

  private @Nullable PutBack putBack(Maker maker, List<PlanProblem> problems) {
    if (maker.handsOn() == null || maker instanceof SamplesDefinition) {
      return null;
    }
    TidyUpDefinition tidyUp = lookup.tidyUp(maker, maker.handsOn(), problems::add);
    if (tidyUp == null) {
      return null;
    }
    problems.addAll(reader.problems(tidyUp.suite(), tidyUp.method()));
    List<Dependency> taken = new ArrayList<>();
    for (ValueParameter parameter : tidyUp.parameters()) {
      Dependency found = taken(maker, tidyUp.place(), parameter, problems::add);
      if (found == null) {
        continue;
      }
      if (found.maker() instanceof SupplyDefinition supply && supply.shared()) {
        taken.add(found);
      } else {
        problems.add(new PlanProblem(tidyUp.place(), notForTidyUps(tidyUp, parameter)));
      }
    }
    return new PutBack(tidyUp, List.copyOf(taken));
  }

  private static String notForTidyUps(TidyUpDefinition tidyUp, ValueParameter parameter) {
    return "it takes %s, but what puts a value back takes the value, an Environment, Fresh and shared supplies%s"
        .formatted(
            Words.of(parameter.type()),
            parameter.asker() == tidyUp.suite()
                    && !Modifier.isStatic(tidyUp.method().getModifiers())
                ? "; if the constructor of its class takes it, make the method static"
                : "");
  }

  /**
   * What a case or supply takes from whom, and what puts back what it makes.
   *
   * @param maker the case or supply
   * @param taken what it takes
   * @param putBack what puts back the value it makes; null if nothing does
   * @param problems what is wrong with it
   */
  record Dependencies(
      Maker maker, List<Dependency> taken, @Nullable PutBack putBack, List<PlanProblem> problems) {

    /** All it depends on; a value is put back with shared supplies that must still be there. */
    List<Dependency> all() {
      if (putBack == null || putBack.taken().isEmpty()) {
        return taken;
      }
      List<Dependency> all = new ArrayList<>(taken);
      all.addAll(putBack.taken());
      return all;
    }
  }

  /**
   * A value and who makes it.
   *
   * @param parameter what is taken
   * @param maker who makes it
   * @param gathered whether all that is made by sample is taken as a list
   */
  record Dependency(ValueParameter parameter, Maker maker, boolean gathered) {}

  /** What puts a value back, with what it takes besides. */
  record PutBack(TidyUpDefinition tidyUp, List<Dependency> taken) {}
}
