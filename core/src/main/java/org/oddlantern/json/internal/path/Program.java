package org.oddlantern.json.internal.path;

import java.util.ArrayList;
import java.util.List;
import java.util.function.IntPredicate;
import org.jspecify.annotations.Nullable;

/** A regular expression as steps: take a character and go on, go two ways, or end. */
final class Program {

  private static final Step END = new Step(null, -1, -1);
  private static final Step START_OF_TEXT = new Step(null, -1, 0);
  private static final Step END_OF_TEXT = new Step(null, -1, 1);

  private final List<Step> steps;

  private Program(List<Step> steps) {
    this.steps = steps;
  }

  int size() {
    return steps.size();
  }

  boolean isEnd(int place) {
    return steps.get(place).equals(END);
  }

  /** Whether a way may go on from here only at the beginning or the end of the text. */
  boolean isEdge(int place) {
    return steps.get(place).equals(START_OF_TEXT) || steps.get(place).equals(END_OF_TEXT);
  }

  boolean isStart(int place) {
    return steps.get(place).equals(START_OF_TEXT);
  }

  boolean isSplit(int place) {
    return steps.get(place).first >= 0;
  }

  boolean takes(int place, int point) {
    IntPredicate takes = steps.get(place).takes;
    return takes != null && takes.test(point);
  }

  int first(int place) {
    return steps.get(place).first;
  }

  int second(int place) {
    return steps.get(place).second;
  }

  /** Takes a character if there is a predicate, goes two ways if there are places, else ends. */
  private record Step(@Nullable IntPredicate takes, int first, int second) {}

  /** Writes the steps of an expression one after the other. */
  static final class Writer {

    /** Steps of one expression; repeated counts multiply quickly. */
    private static final int MOST = 50_000;

    private final List<Step> steps = new ArrayList<>();

    void write(Expression expression) {
      if (expression instanceof Expression.One one) {
        add(new Step(one.character(), -1, -1));
      } else if (expression instanceof Expression.Edge edge) {
        add(edge.start() ? START_OF_TEXT : END_OF_TEXT);
      } else if (expression instanceof Expression.Sequence sequence) {
        sequence.parts().forEach(this::write);
      } else if (expression instanceof Expression.Choice choice) {
        choice(choice.branches());
      } else if (expression instanceof Expression.Repeated repeated) {
        repeat(repeated);
      }
    }

    Program end() {
      add(END);
      return new Program(List.copyOf(steps));
    }

    private void choice(List<Expression> branches) {
      List<Integer> jumps = new ArrayList<>();
      for (int i = 0; i < branches.size() - 1; i++) {
        int split = placeholder();
        write(branches.get(i));
        jumps.add(placeholder());
        steps.set(split, new Step(null, split + 1, steps.size()));
      }
      write(branches.get(branches.size() - 1));
      jumps.forEach(jump -> steps.set(jump, new Step(null, steps.size(), steps.size())));
    }

    private void repeat(Expression.Repeated repeated) {
      for (int i = 0; i < repeated.least(); i++) {
        write(repeated.part());
      }
      if (repeated.most() < 0) {
        int split = placeholder();
        write(repeated.part());
        add(new Step(null, split, split));
        steps.set(split, new Step(null, split + 1, steps.size()));
        return;
      }
      List<Integer> splits = new ArrayList<>();
      for (int i = repeated.least(); i < repeated.most(); i++) {
        splits.add(placeholder());
        write(repeated.part());
      }
      splits.forEach(split -> steps.set(split, new Step(null, split + 1, steps.size())));
    }

    private int placeholder() {
      add(new Step(null, 0, 0));
      return steps.size() - 1;
    }

    private void add(Step step) {
      if (steps.size() >= MOST) {
        throw new IllegalArgumentException(
            "a regular expression in a path grows beyond " + MOST + " steps; repeat less in it");
      }
      steps.add(step);
    }
  }
}
