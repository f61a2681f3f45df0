package org.oddlantern.http.internal;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.Header;

/**
 * The cases of a run that are under way, found by what a service passes on of their calls. Thread-safe.
 */
public final class Callers {

  private final Map<CaseRecorder, Instant> begun = new ConcurrentHashMap<>();
  private final Map<String, CaseRecorder> byTrace = new ConcurrentHashMap<>();
  private final Map<String, CaseRecorder> byMarker = new ConcurrentHashMap<>();
  private final String prefix;
  private final Consumer<String> problems;
  private final Set<String> over = ConcurrentHashMap.newKeySet();

  /**
   * A run in which no case has begun.
   *
   * @param run what it is known by
   * @param problems hears of what goes wrong for no case that is under way, in sentences
   */
  public Callers(String run, Consumer<String> problems) {
    this.prefix = run + "/";
    this.problems = problems;
  }

  /** Something went wrong that nobody may overlook, though it belongs to no case that is under way. */
  public void problem(String sentence) {
    problems.accept(sentence);
  }

  /**
   * A case, or one try of it, begins.
   *
   * @param recorder hears what it does
   * @param caller whose calls its are
   */
  public void begun(CaseRecorder recorder, Caller caller) {
    byTrace.put(caller.trace(), recorder);
    byMarker.put(caller.marker(), recorder);
    begun.put(recorder, Instant.now());
  }

  /** It has ended; what comes of it now is nobody's. */
  public void ended(CaseRecorder recorder, Caller caller) {
    begun.remove(recorder);
    byMarker.remove(caller.marker(), recorder);
    byTrace.remove(caller.trace(), recorder);
    over.add(caller.trace());
  }

  /** When a case under way began; null if it is not. */
  public @Nullable Instant begunAt(CaseRecorder recorder) {
    return begun.get(recorder);
  }

  /**
   * Whose a request is that a service made.
   *
   * @param headers its headers
   * @return the case under way whose trace or whose name it carries
   */
  public Optional<CaseRecorder> whose(List<Header> headers) {
    CaseRecorder traced = byTrace.get(Caller.traceIn(headers));
    if (traced != null) {
      return Optional.of(traced);
    }
    return headers.stream()
        .map(header -> byMarker.get(header.value()))
        .filter(Objects::nonNull)
        .findFirst();
  }

  /** Whether it names a case that is over. */
  public boolean isLate(List<Header> headers) {
    return over.contains(Caller.traceIn(headers))
        || headers.stream().anyMatch(header -> header.value().startsWith(prefix));
  }

  /** The cases under way. */
  public Set<CaseRecorder> underWay() {
    return Set.copyOf(begun.keySet());
  }
}
