package org.oddlantern.internal.blind;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.oddlantern.internal.record.Watch;

/** What became of all changes at one place, in all its items. */
final class Tally {

  private final Map<ChangeKind, List<Fate>> fates = new EnumMap<>(ChangeKind.class);
  private final Set<Aspect> expected = EnumSet.noneOf(Aspect.class);
  private boolean unseen;
  private String carriedTo = "";

  void add(ChangeKind kind, Fate fate, String taker) {
    fates.computeIfAbsent(kind, any -> new ArrayList<>()).add(fate);
    if (fate == Fate.CARRIED_ON && carriedTo.isEmpty()) {
      carriedTo = taker;
    }
  }

  /** A change of that kind can be made, whether it is tried or not. */
  void expect(ChangeKind kind) {
    expected.add(kind.aspect());
  }

  /** What it lies in may change without being noticed, so it needed not be tried. */
  void unseen() {
    unseen = true;
  }

  boolean isKnown() {
    return unseen || !fates.isEmpty();
  }

  /** The case that would have taken another value; empty if none would. */
  String carriedTo() {
    return carriedTo;
  }

  boolean isByValue() {
    return isKnown() && watch() == Watch.BY_VALUE;
  }

  Watch watch() {
    if (unseen || counted().noneMatch(entry -> hasNoticed(entry.getValue()))) {
      return Watch.NOT_AT_ALL;
    }
    boolean value =
        expected.contains(Aspect.VALUE) ? has(Aspect.VALUE) && all(Aspect.VALUE) : sized();
    if (value && all(Aspect.ABSENCE)) {
      return Watch.BY_VALUE;
    }
    return has(Aspect.KIND) && all(Aspect.KIND) && all(Aspect.NULL) && all(Aspect.ABSENCE)
        ? Watch.BY_KIND
        : Watch.IN_PART;
  }

  /** Lists and objects have a kind and a size, and no value of their own; nor has null. */
  private boolean sized() {
    boolean tried = !expected.contains(Aspect.SIZE) || has(Aspect.SIZE);
    return tried && all(Aspect.KIND) && all(Aspect.NULL) && all(Aspect.SIZE) && !isOpenEnded();
  }

  /** An object that is there and one is all that can be told of it. */
  private boolean isOpenEnded() {
    return !expected.contains(Aspect.SIZE) && expected.contains(Aspect.NULL);
  }

  /** What nobody would notice, in words. */
  List<String> unnoticed() {
    List<String> words = new ArrayList<>();
    boolean any = isAnyValueUnnoticed();
    if (any) {
      words.add("another value");
    }
    fates.forEach((kind, all) -> {
      if (any && kind.aspect() == Aspect.VALUE) {
        return;
      }
      long missed = all.stream().filter(fate -> fate == Fate.UNNOTICED).count();
      if (missed > 0) {
        String where = missed == all.size() ? "" : missed == 1 ? " in one item" : " in some items";
        words.add(kind.words() + where);
      }
    });
    return words;
  }

  /** Then it need not be told of each in how many ways it may be another. */
  private boolean isAnyValueUnnoticed() {
    List<List<Fate>> values = fates.entrySet().stream()
        .filter(entry -> entry.getKey().aspect() == Aspect.VALUE)
        .map(Map.Entry::getValue)
        .toList();
    return values.size() > 1
        && values.stream().flatMap(List::stream).allMatch(fate -> fate == Fate.UNNOTICED);
  }

  private Stream<Map.Entry<ChangeKind, List<Fate>>> counted() {
    return fates.entrySet().stream().filter(entry -> entry.getKey().aspect() != Aspect.ORDER);
  }

  private static boolean hasNoticed(List<Fate> fates) {
    return fates.stream().anyMatch(fate -> fate != Fate.UNNOTICED);
  }

  private boolean has(Aspect aspect) {
    return fates.keySet().stream().anyMatch(kind -> kind.aspect() == aspect);
  }

  private boolean all(Aspect aspect) {
    return fates.entrySet().stream()
        .filter(entry -> entry.getKey().aspect() == aspect)
        .allMatch(entry -> entry.getValue().stream().noneMatch(fate -> fate == Fate.UNNOTICED));
  }
}
