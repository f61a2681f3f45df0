package org.oddlantern.internal.reports.html;

import java.util.ArrayList;
import java.util.List;

/** Puts lines into each other, by those that open and those that close. */
final class Folding {

  /** What is longer is folded away, unless something in it does not hold. */
  private static final int SHORT = 30;

  private final List<BodyView.Line> lines;
  private int next;

  Folding(List<BodyView.Line> lines) {
    this.lines = lines;
  }

  List<BodyView.Piece> pieces() {
    List<BodyView.Piece> pieces = new ArrayList<>();
    while (next < lines.size()) {
      pieces.add(piece(0));
    }
    return pieces;
  }

  private BodyView.Piece piece(int depth) {
    BodyView.Line line = lines.get(next++);
    if (!line.opens()) {
      return new BodyView.Piece(line, List.of(), null, true);
    }
    int first = next;
    List<BodyView.Piece> inside = new ArrayList<>();
    while (next < lines.size() && !lines.get(next).closes()) {
      inside.add(piece(depth + 1));
    }
    if (next >= lines.size()) {
      return new BodyView.Piece(line, inside, BodyView.Line.of(""), true);
    }
    boolean differs =
        lines.subList(first, next).stream().anyMatch(one -> !one.differences().isEmpty());
    boolean open = depth == 0 || differs || next - first <= SHORT;
    return new BodyView.Piece(line, inside, lines.get(next++), open);
  }
}
