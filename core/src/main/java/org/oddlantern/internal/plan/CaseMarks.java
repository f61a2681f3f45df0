package org.oddlantern.internal.plan;

import java.time.Duration;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What the marks on a case and on its class say.
 *
 * @param tags its tags, sorted
 * @param skipped why it is not to run now; empty if it is
 * @param until the last day on which it is not to run; null for no end
 * @param pending whether it is still to be written
 * @param knownFault where the fault is noted that it is known to have; empty if none
 * @param timeLimit how long it may take
 * @param tries how often it is tried at most; 1 or more
 * @param alone whether it runs only while no other does
 * @param occupies what it takes for itself while it runs, sorted
 * @param notAgain why it must not be done again; empty if it may
 * @param unwatched places of what it is answered that nobody need watch
 */
public record CaseMarks(
    List<String> tags,
    String skipped,
    @Nullable LocalDate until,
    boolean pending,
    String knownFault,
    Duration timeLimit,
    int tries,
    boolean alone,
    List<String> occupies,
    String notAgain,
    List<String> unwatched) {

  /** For a case of which nothing else is said. */
  static final Duration STANDARD_LIMIT = Duration.ofSeconds(60);

  /** Nothing is marked. */
  public static final CaseMarks NONE = new CaseMarks(
      List.of(), "", null, false, "", STANDARD_LIMIT, 1, false, List.of(), "", List.of());

  /** Keeps its own lists. */
  public CaseMarks {
    tags = List.copyOf(tags);
    occupies = List.copyOf(occupies);
    unwatched = List.copyOf(unwatched);
  }

  /**
   * Whether the case runs; one that does not needs nothing either.
   *
   * @return false if it is skipped or pending
   */
  public boolean runs() {
    return skipped.isEmpty() && !pending;
  }
}
