package org.oddlantern.internal.reports;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import org.oddlantern.internal.record.CaseRecord;

/**
 * Cases that broke alike: the same was wrong first, in the same place of what came, whichever item of a
 * list it was in. Often one cause is behind them.
 *
 * @param symptom what was wrong
 * @param cases the cases, in the order in which they came
 */
public record Likeness(Symptom symptom, List<CaseRecord> cases) {

  /**
   * A broken case.
   *
   * @param one the case, in full or in brief
   * @param symptom what was wrong with it first
   */
  public record Broken(CaseRecord one, Symptom symptom) {

    /**
     * With what its exchanges tell.
     *
     * @param one the case
     * @return the case in full
     */
    public static Broken of(CaseRecord one) {
      return new Broken(one, Symptom.of(one));
    }

    /**
     * The same, without what was sent and came.
     *
     * @return the case in brief
     */
    public Broken brief() {
      return new Broken(one.brief(one.problem()), symptom);
    }
  }

  /**
   * Puts those together that broke alike.
   *
   * @param broken broken cases
   * @return by what was wrong, in the order in which it was met
   */
  public static List<Likeness> among(List<Broken> broken) {
    Map<Symptom, List<Broken>> groups = new LinkedHashMap<>();
    for (Broken one : broken) {
      groups.computeIfAbsent(one.symptom().general(), key -> new ArrayList<>()).add(one);
    }
    return groups.entrySet().stream()
        .map(group -> of(group.getKey(), group.getValue()))
        .toList();
  }

  private static Likeness of(Symptom general, List<Broken> members) {
    Symptom first = members.get(0).symptom();
    return new Likeness(
        new Symptom(
            isSame(members, Symptom::where) ? first.where() : general.where(),
            isSame(members, Symptom::wanted) ? first.wanted() : "",
            first.got()),
        members.stream().map(Broken::one).toList());
  }

  private static boolean isSame(List<Broken> members, Function<Symptom, String> piece) {
    return members.stream().map(Broken::symptom).map(piece).distinct().limit(2).count() == 1;
  }
}
