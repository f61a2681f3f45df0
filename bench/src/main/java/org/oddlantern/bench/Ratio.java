package org.oddlantern.bench;

import java.util.List;
import java.util.Locale;
import java.util.function.ToLongFunction;

/** Medians of two sides, and how many times as much the first is. */
final class Ratio {

  private Ratio() {}

  /** Of wall time, processor time and memory. */
  static String all(List<Measured> ours, List<Measured> theirs) {
    return "wall " + of(ours, theirs, Measured::wall, 1e9, "s") + ", processor "
        + of(ours, theirs, Measured::processor, 1e9, "s") + ", memory "
        + of(ours, theirs, Measured::memory, 1e6, "MB");
  }

  private static String of(
      List<Measured> ours,
      List<Measured> theirs,
      ToLongFunction<Measured> what,
      double unit,
      String word) {
    double a = median(ours, what) / unit;
    double b = median(theirs, what) / unit;
    return String.format(Locale.ROOT, "%.2f times (%.2f against %.2f %s)", a / b, a, b, word);
  }

  static double median(List<Measured> all, ToLongFunction<Measured> what) {
    long[] sorted = all.stream().mapToLong(what).sorted().toArray();
    return (sorted[(sorted.length - 1) / 2] + sorted[sorted.length / 2]) / 2.0;
  }
}
