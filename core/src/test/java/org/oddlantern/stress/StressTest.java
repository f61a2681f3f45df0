package org.oddlantern.stress;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.net.URL;
import java.net.URLClassLoader;
import java.nio.file.Path;
import java.time.Clock;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.oddlantern.config.internal.Settings;
import org.oddlantern.config.internal.SettingsFile;
import org.oddlantern.internal.plan.Place;
import org.oddlantern.internal.plan.Plan;
import org.oddlantern.internal.plan.PlanRefused;
import org.oddlantern.internal.plan.Planner;
import org.oddlantern.internal.plan.RunPart;
import org.oddlantern.internal.plan.Selection;
import org.oddlantern.internal.plan.ValueParameter;
import org.oddlantern.internal.record.RecordKind;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.internal.record.RunListener;
import org.oddlantern.internal.run.RunOrder;
import org.oddlantern.internal.run.Runner;
import org.oddlantern.payload.Fresh;

/**
 * Random plans, run for real in 1 to 64 lanes, against a plain program of the rules. {@code
 * -DargLine=-Dstress=20} makes twenty times as many.
 */
class StressTest {

  @TempDir
  Path folder;

  @ParameterizedTest
  @CsvSource({"1, 25, 12", "1001, 5, 60", "2001, 2, 150", "3001, 1, 500"})
  void everyPlanEndsAsTheRulesSay(int firstSeed, int plans, int items) throws Exception {
    int ran = 0;
    int refused = 0;
    int all = plans * Integer.getInteger("stress", 1);
    for (int seed = firstSeed; seed < firstSeed + all; seed++) {
      List<Item> source = new RandomItems(seed).of(items);
      List<Integer> selected = selected(source, seed);
      if (selected.isEmpty()) {
        continue;
      }
      if (isRunAsTheRulesSay(source, selected, seed)) {
        ran++;
      } else {
        refused++;
      }
    }
    assertTrue(ran > all / 4, "ran " + ran + ", refused " + refused);
  }

  @Test
  void theModelTellsOneRunAsItIsByHand() {
    // make, then change, then read what the change gave, then remove; a reader comes before the
    // change
    List<Item> source = List.of(
        item(3, List.of(new Item.Take(0, ValueParameter.Use.USES_UP)), false),
        item(0, List.of(), true),
        item(1, List.of(new Item.Take(0, ValueParameter.Use.CHANGES)), true),
        item(2, List.of(new Item.Take(0, ValueParameter.Use.READS)), false));
    RuleModel model = new RuleModel(source, List.of(0, 1, 2, 3));
    model.run();
    assertEquals(List.of("run 0#1", "run 2#1", "run 1#1", "put back 1#1", "run 3#1"), model.trace);
  }

  private static Item item(int id, List<Item.Take> takes, boolean gives) {
    return new Item(id, Item.Kind.CASE, 0, gives, true, takes, "", false, null, 1, 0, "fail");
  }

  /** All cases, or a few of them. */
  private static List<Integer> selected(List<Item> source, int seed) {
    Random random = new Random(seed * 31L);
    boolean few = random.nextInt(3) == 0;
    return source.stream()
        .filter(item -> item.isCase() && (!few || random.nextInt(4) == 0))
        .map(Item::id)
        .toList();
  }

  private boolean isRunAsTheRulesSay(List<Item> source, List<Integer> selected, int seed)
      throws Exception {
    Map<Integer, Item> items = new HashMap<>();
    source.forEach(item -> items.put(item.id(), item));
    Path place = folder.resolve("plan-" + seed);
    new PlanClasses(source).write(place);
    try (URLClassLoader loader =
        new URLClassLoader(new URL[] {place.toUri().toURL()}, StressTest.class.getClassLoader())) {
      Planner planner = new Planner(loader, List.of(new Place(place)));
      Selection selection =
          new Selection(selected.stream().map(id -> name(items.get(id))).toList());
      RuleModel model = new RuleModel(source, selected);
      if (model.isRefused()) {
        assertThrows(PlanRefused.class, () -> planner.plan(selection), "seed " + seed);
        return false;
      }
      Plan plan = planner.plan(selection);
      assertPartsMakeTheWhole(planner, selection, plan);
      model.run();
      Map<String, String> labels = labels(items);
      for (int lanes : new int[] {1, 2, 7, 64}) {
        String words = "seed " + seed + ", lanes " + lanes;
        Deeds deeds = new Deeds(items, labels, lanes == 1 ? 0 : 2);
        assertEquals(model.outcomes, outcomes(plan, loader, lanes), words);
        assertEquals(List.of(), deeds.wrong(), words);
        List<String> trace =
            deeds.events().stream().filter(event -> !event.startsWith("end ")).toList();
        if (lanes == 1) {
          assertEquals(model.trace, trace, words);
        } else {
          assertEquals(
              model.trace.stream().sorted().toList(), trace.stream().sorted().toList(), words);
          assertEquals(
              List.of(), new Overlaps(items, model.before, deeds.events(), lanes).wrong(), words);
        }
      }
      return true;
    }
  }

  /** Rule 24: together complete, no case twice, and none short of a maker. */
  private static void assertPartsMakeTheWhole(Planner planner, Selection selection, Plan whole) {
    List<String> dealt = new ArrayList<>();
    for (int number = 1; number <= 3; number++) {
      planner
          .plan(selection, new RunPart(number, 3, Map.of()), schema -> {})
          .cases()
          .forEach(one -> dealt.add(one.definition().id() + " needed " + one.needed()));
    }
    assertEquals(
        whole.cases().stream()
            .map(one -> one.definition().id() + " needed " + one.needed())
            .sorted()
            .toList(),
        dealt.stream().sorted().toList());
  }

  private static String name(Item item) {
    return PlanClasses.suite(item.suite()).replace('/', '.') + "#" + item.method();
  }

  /** By rule 25 a fresh text tells who asks, at which attempt. */
  private static Map<String, String> labels(Map<Integer, Item> items) {
    Map<String, String> labels = new HashMap<>();
    for (Item asker : items.values()) {
      for (int attempt = 1; attempt <= asker.tries(); attempt++) {
        String who = name(asker) + (attempt == 1 ? "" : " try " + attempt);
        labels.put(Fresh.seeded("seed", who).text(""), asker.id() + "#" + attempt);
        for (int supply : supplies(asker, items)) {
          labels.put(
              Fresh.seeded("seed", name(items.get(supply)) + " for " + who).text(""),
              supply + " for " + asker.id() + "#" + attempt);
        }
      }
    }
    return labels;
  }

  private static Set<Integer> supplies(Item asker, Map<Integer, Item> items) {
    Set<Integer> own = new HashSet<>();
    for (Item.Take take : asker.takes()) {
      Item maker = items.get(take.from());
      if (maker.kind() == Item.Kind.OWN_SUPPLY && own.add(maker.id())) {
        own.addAll(supplies(maker, items));
      }
    }
    return own;
  }

  private static Map<Integer, String> outcomes(Plan plan, ClassLoader loader, int lanes) {
    Map<Integer, String> outcomes = new TreeMap<>();
    RunListener listener = event -> {
      if (event instanceof RunEvent.CaseFinished finished
          && finished.record().kind() == RecordKind.CASE) {
        int id = Integer.parseInt(finished.record().id().replaceAll(".*#m", ""));
        assertEquals(null, outcomes.put(id, finished.record().outcome().word()), "twice: " + id);
      }
    };
    Settings settings = SettingsFile.onClassPath(StressTest.class.getClassLoader());
    RunOrder order = new RunOrder(
        "stress", plan, settings, settings.environment(null), Map.of(), loader, "seed", lanes);
    assertEquals(
        List.of(), new Runner(order, Clock.systemUTC()).run(List.of(listener)).problems());
    return outcomes;
  }

  /** What ran side by side and must not. */
  private static final class Overlaps {
    private final Map<Integer, Item> items;
    private final Map<Integer, Set<Integer>> before;
    private final List<String> events;
    private final int lanes;
    private final Map<Integer, Integer> starts = new LinkedHashMap<>();
    private final Map<Integer, Integer> ends = new LinkedHashMap<>();

    Overlaps(
        Map<Integer, Item> items,
        Map<Integer, Set<Integer>> before,
        List<String> events,
        int lanes) {
      this.items = items;
      this.before = before;
      this.events = events;
      this.lanes = lanes;
      for (int i = 0; i < events.size(); i++) {
        String label = events.get(i).replaceAll("^(run|end|put back) ", "");
        if (!label.contains(" for ") && !events.get(i).startsWith("put back")) {
          int id = Integer.parseInt(label.replaceAll("#.*", ""));
          starts.putIfAbsent(id, i);
          ends.put(id, i);
        }
      }
    }

    List<String> wrong() {
      List<String> wrong = new ArrayList<>();
      starts.forEach((id, start) -> {
        for (int maker : before.get(id)) {
          if (ends.containsKey(maker) && ends.get(maker) > start) {
            wrong.add(id + " started before " + maker + " had ended");
          }
        }
        long running =
            starts.keySet().stream().filter(other -> overlaps(id, other)).count();
        if (items.get(id).alone() && running > 1) {
          wrong.add(id + " was not alone");
        }
        for (int other : starts.keySet()) {
          String thing = items.get(id).occupies();
          if (other != id
              && thing != null
              && thing.equals(items.get(other).occupies())
              && overlaps(id, other)) {
            wrong.add(id + " and " + other + " had " + thing + " at once");
          }
        }
      });
      int most = IntStream.range(0, events.size())
          .map(i -> (int) starts.keySet().stream()
              .filter(id -> starts.get(id) <= i && i < ends.get(id))
              .count())
          .max()
          .orElse(0);
      if (most > lanes) {
        wrong.add(most + " ran at once");
      }
      wrong.addAll(putBackTooSoon());
      return wrong;
    }

    /** A handed-on value is put back after all who take it, and before what waits for the last of them. */
    private List<String> putBackTooSoon() {
      List<String> wrong = new ArrayList<>();
      for (int i = 0; i < events.size(); i++) {
        if (!events.get(i).matches("put back \\d+#\\d+")) {
          continue;
        }
        int maker = Integer.parseInt(events.get(i).replaceAll("put back (\\d+)#.*", "$1"));
        int last = maker;
        for (int user : starts.keySet()) {
          if (isUser(user, maker, new HashSet<>()) && ends.get(user) > ends.get(last)) {
            last = user;
          }
        }
        if (ends.get(last) > i) {
          wrong.add("the value of " + maker + " was put back before " + last + " had ended");
        }
      }
      return wrong;
    }

    private boolean isUser(int user, int maker, Set<Integer> met) {
      if (!met.add(user)) {
        return false;
      }
      for (Item.Take take : items.get(user).takes()) {
        if (take.from() == maker || isUser(take.from(), maker, met)) {
          return true;
        }
      }
      return false;
    }

    private boolean overlaps(int id, int other) {
      return starts.get(id) <= ends.get(other) && starts.get(other) <= ends.get(id);
    }
  }
}
