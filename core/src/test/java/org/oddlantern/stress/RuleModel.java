package org.oddlantern.stress;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.oddlantern.internal.plan.ValueParameter;

/**
 * The rules for values as a plain program: one thing after the other, sets computed anew whenever they
 * are needed. Written from the rules alone, so that it makes no mistake of the runner's.
 */
final class RuleModel {

  /** Everything that happens in one lane, in order. */
  final List<String> trace = new ArrayList<>();

  /** The outcome of each case by number. */
  final Map<Integer, String> outcomes = new TreeMap<>();

  /** What must have ended before each planned item starts. */
  final Map<Integer, Set<Integer>> before = new LinkedHashMap<>();

  private final Map<Integer, Item> items = new HashMap<>();
  private final List<Integer> planned = new ArrayList<>();
  private final Map<Integer, Set<Integer>> lineages = new HashMap<>();
  private final List<String> created = new ArrayList<>();
  private final Map<Integer, String> all = new HashMap<>();
  private final Set<String> usedUp = new HashSet<>();
  private final Map<Integer, List<String>> alive = new HashMap<>();
  private boolean refused;

  RuleModel(List<Item> source, Collection<Integer> selected) {
    source.forEach(item -> items.put(item.id(), item));
    Set<Integer> needed = new HashSet<>();
    selected.forEach(id -> need(id, needed));
    for (Item item : source) {
      if (item.isCase() && needed.contains(item.id())) {
        place(item.id());
      }
    }
    planned.forEach(id -> before.put(id, new LinkedHashSet<>(makers(id))));
    planned.forEach(this::orderChanges);
    refused |= hasCircle();
  }

  boolean isRefused() {
    return refused;
  }

  // ---- the plan

  private boolean runs(int id) {
    String mark = items.get(id).mark();
    return !mark.equals("skipped") && !mark.equals("pending");
  }

  /** Rule 9: a skipped or pending case needs nothing. */
  private void need(int id, Set<Integer> needed) {
    if (needed.add(id)) {
      makers(id).forEach(maker -> need(maker, needed));
    }
  }

  /** A shared supply stands before the first case that needs it. */
  private void place(int id) {
    if (!planned.contains(id)) {
      makers(id).stream().filter(maker -> !items.get(maker).isCase()).forEach(this::place);
      planned.add(id);
    }
  }

  /** The cases and shared supplies whose values an item takes, by its own supplies too (rule 7). */
  private Set<Integer> makers(int id) {
    Set<Integer> makers = new LinkedHashSet<>();
    if (runs(id)) {
      for (Item.Take take : items.get(id).takes()) {
        if (items.get(take.from()).kind() == Item.Kind.OWN_SUPPLY) {
          makers.addAll(makers(take.from()));
        } else {
          makers.add(take.from());
        }
      }
    }
    return makers;
  }

  private boolean dependsOn(int id, int other) {
    return lineage(id).contains(other);
  }

  /** All it depends on; kept, since it is asked for often. */
  private Set<Integer> lineage(int id) {
    Set<Integer> known = lineages.get(id);
    if (known == null) {
      known = new HashSet<>(makers(id));
      for (int maker : makers(id)) {
        known.addAll(lineage(maker));
      }
      lineages.put(id, known);
    }
    return known;
  }

  /** Who takes it, or takes anything made by one of its users. */
  private List<Integer> users(int value) {
    return planned.stream().filter(id -> dependsOn(id, value)).toList();
  }

  private List<Integer> takers(int value, ValueParameter.Use use) {
    return planned.stream()
        .filter(id -> runs(id) && items.get(id).takes().contains(new Item.Take(value, use)))
        .toList();
  }

  /** Rules 10 and 11. */
  private void orderChanges(int value) {
    List<Integer> open = new ArrayList<>(takers(value, ValueParameter.Use.CHANGES));
    List<Integer> removers = takers(value, ValueParameter.Use.USES_UP);
    List<Integer> changers = new ArrayList<>();
    while (!open.isEmpty()) {
      int next = open.stream()
          .filter(one -> open.stream().noneMatch(other -> dependsOn(one, other)))
          .findFirst()
          .orElseThrow();
      changers.add(next);
      open.remove((Integer) next);
    }
    refused |= removers.size() > 1;
    refused |= changers.stream()
        .anyMatch(changer -> removers.stream().anyMatch(remover -> dependsOn(changer, remover)));
    changers.addAll(removers);
    for (int user : users(value)) {
      int stage = 0;
      for (int k = 1; k <= changers.size(); k++) {
        int changer = changers.get(k - 1);
        if (changer == user || dependsOn(user, changer)) {
          stage = k;
        }
      }
      for (int k = stage + 1; k <= changers.size(); k++) {
        before.get(changers.get(k - 1)).add(user);
      }
    }
  }

  private boolean hasCircle() {
    Set<Integer> done = new HashSet<>();
    boolean more = true;
    while (more) {
      more = planned.stream()
          .filter(id -> !done.contains(id) && done.containsAll(before.get(id)))
          .toList()
          .stream()
          .anyMatch(done::add);
    }
    return done.size() < planned.size();
  }

  // ---- the run, in one lane

  void run() {
    Set<Integer> done = new HashSet<>();
    while (done.size() < planned.size()) {
      List<Integer> ready = planned.stream()
          .filter(id -> !done.contains(id) && done.containsAll(before.get(id)))
          .toList();
      int next = ready.stream()
          .filter(id -> !items.get(id).alone())
          .findFirst()
          .orElseGet(() -> ready.get(0));
      all.put(next, outcome(items.get(next)));
      if (items.get(next).isCase()) {
        outcomes.put(next, all.get(next));
      }
      done.add(next);
      end(next, done);
    }
  }

  private String outcome(Item item) {
    alive.put(item.id(), new ArrayList<>());
    if (item.mark().equals("skipped") || item.mark().equals("pending")) {
      return item.mark();
    }
    List<String> made = makers(item.id()).stream().map(all::get).toList();
    if (made.stream().anyMatch(List.of("failed", "errored", "blocked")::contains)) {
      return "blocked";
    }
    if (made.stream().anyMatch(List.of("skipped", "pending", "known fault")::contains)) {
      return "skipped";
    }
    for (int attempt = 1; ; attempt++) {
      String outcome = attempt(item, attempt);
      boolean again = outcome.equals("failed") || outcome.equals("errored");
      if (!again || attempt >= item.tries()) {
        return outcome.equals("failed") && item.mark().equals("fault") ? "known fault" : outcome;
      }
      putBack(alive.get(item.id()));
      alive.put(item.id(), new ArrayList<>());
    }
  }

  private String attempt(Item item, int attempt) {
    String asker = item.id() + "#" + attempt;
    if (!supplied(item, asker, item.id(), new HashSet<>())) {
      return "blocked";
    }
    trace.add("run " + asker);
    if (attempt <= item.failures()) {
      return item.how().equals("fail") ? "failed" : "errored";
    }
    if (item.gives()) {
      make(item.id(), asker);
    }
    for (Item.Take take : item.takes()) {
      if (take.use() == ValueParameter.Use.USES_UP) {
        usedUp.add(
            items.get(take.from()).kind() == Item.Kind.OWN_SUPPLY
                ? take.from() + " for " + asker
                : String.valueOf(take.from()));
      }
    }
    return "passed";
  }

  /** Rule 6: one of each for the asker. False if one fails. */
  private boolean supplied(Item item, String asker, int owner, Set<Integer> met) {
    for (Item.Take take : item.takes()) {
      Item supply = items.get(take.from());
      if (supply.kind() != Item.Kind.OWN_SUPPLY || !met.add(supply.id())) {
        continue;
      }
      if (!supplied(supply, asker, owner, met)) {
        return false;
      }
      trace.add("run " + supply.id() + " for " + asker);
      if (supply.failures() > 0) {
        return false;
      }
      make(owner, supply.id() + " for " + asker);
    }
    return true;
  }

  /** Rule 19: what has no user left ends. */
  private void end(int last, Set<Integer> done) {
    List<String> ending = new ArrayList<>();
    for (int id : List.copyOf(alive.keySet())) {
      boolean handsOn = items.get(id).gives() && all.get(id).equals("passed");
      if (handsOn ? done.containsAll(users(id)) : id == last) {
        ending.addAll(alive.remove(id));
      }
    }
    putBack(ending);
  }

  /** Newest first, and not what a case has used up that passed. */
  private void putBack(List<String> made) {
    List<String> newestFirst = new ArrayList<>(made);
    newestFirst.sort((a, b) -> created.indexOf(b) - created.indexOf(a));
    for (String label : newestFirst) {
      if (!usedUp.contains(label.replaceAll("^(\\d+)#.*", "$1"))) {
        trace.add("put back " + label);
      }
    }
  }

  private void make(int owner, String label) {
    created.add(label);
    alive.get(owner).add(label);
  }
}
