package org.oddlantern.internal.blind;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentSkipListSet;
import org.oddlantern.internal.record.OperationRecord;
import org.oddlantern.json.internal.NearestMatch;

/**
 * Places that somebody has said nobody need watch, and which of these words were about something. Thread-safe.
 */
public final class OnPurpose {

  private final Map<String, Boolean> said = new ConcurrentHashMap<>();
  private final List<String> inOrder;
  private final Set<String> places = new ConcurrentSkipListSet<>();
  private final Set<String> operations = new ConcurrentSkipListSet<>();

  /**
   * Words.
   *
   * @param places each a place, or an operation and a place of it
   */
  public OnPurpose(List<String> places) {
    inOrder = List.copyOf(places);
    inOrder.forEach(one -> said.put(one, false));
  }

  /** Whether a place is among them, itself or inside of one. */
  boolean covers(OperationRecord operation, String place) {
    if (said.isEmpty()) {
      return false;
    }
    boolean covered = false;
    String line = operation.line();
    operations.add(line);
    places.add(place);
    places.add(line + " " + place);
    for (String one : inOrder) {
      if (isInside(place, one)
          || isInside(line + " " + place, one)
          || isInside(line + " " + operation.status() + " " + place, one)) {
        said.put(one, true);
        covered = true;
      }
    }
    return covered;
  }

  private static boolean isInside(String place, String said) {
    return place.startsWith(said)
        && (place.length() == said.length() || ".[/".indexOf(place.charAt(said.length())) >= 0);
  }

  /**
   * Words that are about nothing.
   *
   * @param whole whether all operations have come that there are
   * @return each with what may have been meant, in sentences
   */
  public Map<String, String> unknown(boolean whole) {
    Map<String, String> unknown = new LinkedHashMap<>();
    for (String one : inOrder) {
      boolean asked = operations.stream().anyMatch(line -> one.startsWith(line + " "));
      if (!said.getOrDefault(one, true) && (whole || asked)) {
        unknown.put(one, NearestMatch.hint(one, List.copyOf(new TreeSet<>(places))));
      }
    }
    return unknown;
  }
}
