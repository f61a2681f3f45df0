package org.oddlantern.internal.blind;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.Verdict;
import org.oddlantern.evidence.internal.Answered;
import org.oddlantern.evidence.internal.Asked;
import org.oddlantern.evidence.internal.Look;
import org.oddlantern.http.internal.Exchange;
import org.oddlantern.http.internal.WireReply;
import org.oddlantern.internal.mask.Masker;
import org.oddlantern.internal.record.ExaminedAnswer;
import org.oddlantern.internal.record.OperationRecord;
import org.oddlantern.internal.record.WatchedPlace;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * What one case would notice: which changes of which answers there are to be tried, and what came of them. Of
 * one thread at a time.
 */
public final class Examined {

  private static final Pattern HEADER =
      Pattern.compile("(?:header|cookie)\\(\"([^\"]+)\".*", Pattern.DOTALL);

  private final List<Target> targets = new ArrayList<>();
  private final IdentityHashMap<Change, Target> targetOf = new IdentityHashMap<>();
  private final Map<OperationRecord, Set<String>> watchedBefore = new HashMap<>();
  private final List<OnPurpose> onPurpose;
  private final SpotFates spots = new SpotFates();
  private int tried;

  /**
   * A case that was done.
   *
   * @param answers what it was answered, each known by the moment in which it was asked
   * @param told what the case asked, in order
   * @param given the values that it took
   * @param onPurpose what need not be watched, by whoever said so
   * @param watched the places of an operation that another case watches by value
   */
  public Examined(
      List<? extends Answered<?>> answers,
      List<Told> told,
      List<GivenValue> given,
      List<OnPurpose> onPurpose,
      Function<OperationRecord, Set<String>> watched) {
    this.onPurpose = List.copyOf(onPurpose);
    IdentityHashMap<Instant, Integer> indexes = byMoment(answers);
    Set<String> headers = headersLookedAt(told);
    Map<OperationRecord, SeenValues> seen = new HashMap<>();
    int exchanges = 0;
    int looks = 0;
    for (Told one : told) {
      boolean exchange = one.asked instanceof Exchange;
      if (one.counts) {
        Integer index = indexes.get(moment(one.asked));
        Object answer = index == null ? null : answers.get(index).given();
        if (index != null && answer != null) {
          OperationRecord operation = Operations.of(one.asked);
          SeenValues values = seen.computeIfAbsent(operation, any -> new SeenValues());
          targets.add(new Target(
              index, one.asked, operation, exchange ? exchanges : looks, answer, values, given));
        }
      }
      exchanges += exchange ? 1 : 0;
      looks += one.asked instanceof Look ? 1 : 0;
    }
    for (Target target : targets) {
      watchedBefore.computeIfAbsent(target.operation, watched);
      target.plan(headers);
      target.changes.forEach(change -> targetOf.put(change, target));
      spots.expect(target.changes);
    }
  }

  /** Which answer is known by a moment: by that very object, since two may come at the same time. */
  private static IdentityHashMap<Instant, Integer> byMoment(List<? extends Answered<?>> answers) {
    IdentityHashMap<Instant, Integer> indexes = new IdentityHashMap<>();
    for (int i = 0; i < answers.size(); i++) {
      indexes.put(answers.get(i).at(), i);
    }
    return indexes;
  }

  private static Instant moment(Asked asked) {
    return asked instanceof Exchange exchange ? exchange.sentAt() : ((Look) asked).sentAt();
  }

  /** What checks say that they ask of headers, in words. */
  private static Set<String> headersLookedAt(List<Told> told) {
    Set<String> names = new HashSet<>();
    for (Told one : told) {
      for (Verdict verdict : one.verdicts) {
        Matcher header = HEADER.matcher(verdict.check());
        if (header.matches()) {
          names.add(header.group(1).toLowerCase(Locale.ROOT));
        }
      }
    }
    return names;
  }

  /** What can be changed. */
  public List<Target> targets() {
    return targets;
  }

  /** Whether nothing can come of a change that is not known: somebody watches, or what is around it is unseen. */
  public boolean isSettled(Change change) {
    return isLeftAlone(change) || spots.isUnseen(change.spot());
  }

  private boolean isLeftAlone(Change change) {
    Target target = targetOf.get(change);
    return target != null
        && watchedBefore
            .getOrDefault(target.operation, Set.of())
            .contains(change.spot().place());
  }

  /** A change was tried. */
  public void fate(Change change, Fate fate, String taker) {
    tried++;
    spots.tried(change, fate);
    Target target = targetOf.get(change);
    if (target != null) {
      target.tally(change.spot()).add(change.kind(), fate, taker);
    }
  }

  /** How many changes were tried. */
  public int tried() {
    return tried;
  }

  /** The places that it watches by value, of each operation. */
  public Map<OperationRecord, List<String>> byValue() {
    Map<OperationRecord, List<String>> places = new LinkedHashMap<>();
    for (Target target : targets) {
      places.computeIfAbsent(target.operation, any -> new ArrayList<>()).addAll(target.byValue());
    }
    return places;
  }

  /** How it watches each of its answers, as it may be told. */
  public List<ExaminedAnswer> answers(Masker masker) {
    Map<OperationRecord, MergedPlaces> merged = new LinkedHashMap<>();
    for (Target target : targets) {
      Set<String> alone = watchedBefore.getOrDefault(target.operation, Set.of());
      merged
          .computeIfAbsent(target.operation, any -> new MergedPlaces(target.number))
          .add(target.places(spots, alone, onPurpose, masker));
    }
    List<ExaminedAnswer> answers = new ArrayList<>();
    merged.forEach((operation, places) -> answers.add(new ExaminedAnswer(
        new OperationRecord(
            operation.service(),
            operation.method(),
            masker.text(operation.template()),
            operation.status()),
        places.number(),
        places.all())));
    return answers;
  }

  /**
   * Something that a case asked.
   *
   * @param asked what
   * @param counts whether the answer came to the case itself
   * @param verdicts what it asked of the answer
   */
  public record Told(Asked asked, boolean counts, List<Verdict> verdicts) {}

  /** An answer that can be changed. */
  public static final class Target {
    private final int index;
    private final OperationRecord operation;
    private final int number;
    private final Object answer;
    private final SeenValues seen;
    private final Knowledge knowledge;
    private final @Nullable JsonNode body;
    private final List<Change> changes = new ArrayList<>();
    private final Map<String, Tally> tallies = new LinkedHashMap<>();
    private final Map<String, Spot> first = new LinkedHashMap<>();

    Target(
        int index,
        Asked asked,
        OperationRecord operation,
        int number,
        Object answer,
        SeenValues seen,
        List<GivenValue> given) {
      this.index = index;
      this.operation = operation;
      this.number = number;
      this.answer = answer;
      this.seen = seen;
      this.knowledge = asked instanceof Exchange exchange
          ? Knowledge.ofCall(exchange.request(), exchange.origin().template(), given)
          : Knowledge.ofLook(given);
      this.body = answer instanceof WireReply reply
          ? ReplyBody.json(reply.headers(), reply.body())
          : (JsonNode) answer;
      if (body != null) {
        seen.add(body);
      }
    }

    /** Which of all answers it is. */
    public int index() {
      return index;
    }

    /** All changes, in the order in which they are tried if there is room. */
    public List<Change> changes() {
      return changes;
    }

    /**
     * The same answer, its JSON written as it is where something in it is changed.
     *
     * @return the answer; null if that is no other text, but for white space
     */
    public @Nullable Object rewritten() {
      return answer instanceof WireReply reply && body != null
          ? AnswerChanges.rewritten(reply, body)
          : null;
    }

    /** The case minds how the JSON is written, so nothing in it can be changed without being noticed. */
    public void leaveTree() {
      changes.removeIf(change -> change.spot().value() != null);
      listPlaces();
    }

    private void plan(Set<String> headers) {
      boolean row = !operation.isCall() && !operation.service().isEmpty();
      changes.addAll(
          answer instanceof WireReply reply
              ? AnswerChanges.ofReply(reply, seen, headers)
              : AnswerChanges.ofTree((JsonNode) answer, seen, row));
      changes.sort(Comparator.comparingInt(Change::round));
      listPlaces();
    }

    /** Each place once, with a value that stands there if there is one. */
    private void listPlaces() {
      first.clear();
      for (Change change : changes) {
        Spot spot = change.spot();
        Spot known = first.get(spot.place());
        if (known == null || known.value() == null) {
          first.put(spot.place(), spot);
        }
      }
    }

    private Tally tally(Spot spot) {
      return tallies.computeIfAbsent(spot.place(), this::expecting);
    }

    /** What is not tried, where there is too much, must not seem to have been noticed. */
    private Tally expecting(String place) {
      Tally tally = new Tally();
      changes.stream()
          .filter(change -> change.spot().place().equals(place))
          .forEach(change -> tally.expect(change.kind()));
      return tally;
    }

    private List<String> byValue() {
      return tallies.entrySet().stream()
          .filter(entry -> entry.getValue().isByValue())
          .map(Map.Entry::getKey)
          .toList();
    }

    private List<WatchedPlace> places(
        SpotFates fates, Set<String> alone, List<OnPurpose> onPurpose, Masker masker) {
      PlaceWords words = new PlaceWords(operation, knowledge, body, answer, masker);
      List<WatchedPlace> places = new ArrayList<>();
      first.forEach((place, spot) -> {
        Tally tally = tallies.getOrDefault(place, new Tally());
        if (fates.isUnseen(spot)) {
          tally.unseen();
        }
        boolean wanted = onPurpose.stream()
            .map(one -> one.covers(operation, place))
            .noneMatch(covered -> covered);
        if (!alone.contains(place) && tally.isKnown()) {
          WatchedPlace told = words.told(spot, tally);
          places.add(wanted || told.watch().isWatched() ? told : told.onPurpose());
        }
      });
      return places;
    }
  }
}
