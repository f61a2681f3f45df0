package org.oddlantern.schema.internal;

import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;

/** Finds the form of a choice that a value comes closest to. */
final class Nearest {

  private Nearest() {}

  /** The index of the branch that comes closest; below 0 if there is none to choose from. */
  static int of(Violation choice) {
    return of(choice.inside().stream().map(Violation::inside).toList(), depth(choice.spot()));
  }

  /**
   * The index of the list of violations that tells least; below 0 if there is none.
   *
   * @param depth how deep the value lies that they are about
   */
  static int of(List<List<Violation>> forms, int depth) {
    return IntStream.range(0, forms.size())
        .boxed()
        .min(Comparator.comparing((Integer i) -> distance(forms.get(i), depth)))
        .orElse(-1);
  }

  static int depth(Spot spot) {
    return spot.inside().count();
  }

  private static int distance(List<Violation> violations, int top) {
    int distance = 0;
    for (Violation violation : violations) {
      distance += weight(violation, top);
    }
    return distance;
  }

  /** Of another type is far; another value in a field that tells forms apart is less so. */
  private static int weight(Violation violation, int top) {
    List<Violation> inside = violation.inside();
    if (!inside.isEmpty() && violation.keyword() instanceof Choices.Branches) {
      return inside.stream()
          .mapToInt(branch -> distance(branch.inside(), top))
          .min()
          .orElse(1);
    }
    if (!inside.isEmpty()) {
      return distance(inside, top);
    }
    int below = depth(violation.spot()) - top;
    return switch (violation.keyword().name()) {
      case "" -> 100;
      case "type" -> below == 0 ? 100 : 6;
      case "const", "enum" -> below <= 1 ? 25 : 6;
      default -> 5;
    };
  }
}
