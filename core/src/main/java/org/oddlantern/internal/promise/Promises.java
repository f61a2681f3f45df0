package org.oddlantern.internal.promise;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import java.util.stream.Collectors;

/**
 * What the documents of a project promise, and which of its cases they leave out. Immutable.
 *
 * @param documents the documents that promise something
 * @param unpromised the cases that no document names
 * @param problems what is wrong with documents, in sentences with file and line
 * @param notes what deserves a look in them, likewise
 */
public record Promises(
    List<PromiseDocument> documents,
    List<TitledCase> unpromised,
    List<String> problems,
    List<String> notes) {

  /** There are no documents. */
  public static final Promises NONE = new Promises(List.of(), List.of(), List.of(), List.of());

  private static final int MOST = 5;

  /** Keeps its own lists. */
  public Promises {
    documents = List.copyOf(documents);
    unpromised = List.copyOf(unpromised);
    problems = List.copyOf(problems);
    notes = List.copyOf(notes);
  }

  /**
   * What is missing where every promise wants a case, and every case a promise.
   *
   * @return a sentence each, or nothing
   */
  public List<String> gaps() {
    List<String> gaps = new ArrayList<>();
    List<String> open = new ArrayList<>();
    for (PromiseDocument document : documents) {
      document.counted().stream()
          .filter(one -> one.cases().isEmpty())
          .forEach(one -> open.add(document.file() + ":" + one.line() + " '" + one.words() + "'"));
    }
    if (!open.isEmpty()) {
      gaps.add((open.size() == 1 ? "1 promise has" : open.size() + " promises have") + " no case: "
          + some(open, one -> one));
    }
    if (!unpromised.isEmpty() && !documents.isEmpty()) {
      gaps.add((unpromised.size() == 1 ? "1 case has" : unpromised.size() + " cases have")
          + " no promise: " + some(unpromised, one -> one.suite() + ": " + one.title()));
    }
    return gaps;
  }

  private static <T> String some(List<T> all, Function<T, String> words) {
    String some = all.stream().limit(MOST).map(words).collect(Collectors.joining("; "));
    return all.size() <= MOST
        ? some
        : some + "; and " + (all.size() - MOST) + " more, see odd-lantern list --promises";
  }
}
