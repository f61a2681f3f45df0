package org.oddlantern.cli;

import java.io.PrintStream;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.oddlantern.internal.promise.Promise;
import org.oddlantern.internal.promise.PromiseDocument;
import org.oddlantern.internal.promise.Promises;
import org.oddlantern.internal.promise.TitledCase;
import org.oddlantern.internal.reports.Amounts;

/** Prints the promises of documents with the cases that keep them, and the cases that no document names. */
record ListPromises(PrintStream out, Promises promises) {

  private static final String FIRST =
      "no document below promises/ says what is promised; 'odd-lantern list --as markdown'"
          + " writes a first one: put it into src/test/resources/promises/";

  /** The exit status: 2 if something is wrong with a document. */
  int print() {
    promises.documents().forEach(this::print);
    if (!promises.unpromised().isEmpty() && !promises.documents().isEmpty()) {
      out.println("without a promise");
      for (TitledCase one : promises.unpromised()) {
        out.println("  " + brief(one.id()) + "  " + one.title());
      }
      out.println();
    }
    promises.notes().forEach(note -> out.println("warning   " + note));
    promises.problems().forEach(problem -> out.println("problem   " + problem));
    out.println(promises.documents().isEmpty() ? FIRST : sentence());
    return promises.problems().isEmpty() ? 0 : 2;
  }

  private void print(PromiseDocument document) {
    out.println(document.file());
    Set<Promise> counted = new HashSet<>(document.counted());
    for (Promise one : document.promises()) {
      out.println(String.format(
          Locale.ROOT, "  %4d  %s%s", one.line(), one.above() > 0 ? "- " : "", one.words()));
      one.cases().stream().map(ListPromises::origin).distinct().forEach(this::detail);
      if (!counted.contains(one)) {
        detail("is kept when those below it are");
      } else if (one.cases().isEmpty()) {
        detail("pending: no case has this title"
            + (one.hint().isEmpty() ? "" : "; did you mean '" + one.hint() + "'?"));
      }
      if (one.samples() != null) {
        detail("over " + Amounts.of(one.samples().rows().size(), "sample") + " of "
            + one.samples().file());
      }
    }
    out.println();
  }

  private void detail(String text) {
    out.println(" ".repeat(10) + text);
  }

  private String sentence() {
    List<Promise> all = promises.documents().stream()
        .flatMap(document -> document.counted().stream())
        .toList();
    long pending = all.stream().filter(one -> one.cases().isEmpty()).count();
    return Amounts.of(all.size(), "promise") + " in "
        + Amounts.of(promises.documents().size(), "document") + ", " + pending
        + " without a case; " + Amounts.of(promises.unpromised().size(), "case")
        + " without a promise";
  }

  /** The case as its class defines it, over whichever sample. */
  private static String origin(String id) {
    return brief(id.replaceAll("\\[.*", ""));
  }

  private static String brief(String id) {
    return id.substring(id.lastIndexOf('.', id.indexOf('#')) + 1);
  }
}
