package org.oddlantern.json.internal.path;

import java.util.Arrays;
import java.util.Optional;

/**
 * An I-Regexp (RFC 9485). It is followed on all its ways at once, so that the time grows with the length
 * of the text times that of the expression, and no expression can be made to hang.
 */
public final class RegularExpression {

  private final Program program;

  private RegularExpression(Program program) {
    this.program = program;
  }

  /** The expression; empty if the text is none by RFC 9485. */
  public static Optional<RegularExpression> of(String text) {
    return new ExpressionParser(text).parse().map(RegularExpression::new);
  }

  /** Whether a text matches: as a whole, or somewhere in it. */
  public boolean matches(String text, boolean whole, Runnable effort) {
    return new Walk(effort, text).matches(whole);
  }

  /** The places in the program where one match stands at the same time. */
  private final class Walk {
    private final Runnable effort;
    private final int[] stack = new int[program.size() + 1];
    private int[] now = new int[program.size()];
    private int[] next = new int[program.size()];
    private final int[] seen = new int[program.size()];
    private final String text;
    private int at;
    private int count;
    private int round;
    private boolean matched;

    Walk(Runnable effort, String text) {
      this.effort = effort;
      this.text = text;
    }

    boolean matches(boolean whole) {
      Arrays.fill(seen, -1);
      count = add(0, now, 0);
      while (at < text.length()) {
        if (matched && !whole) {
          return true;
        }
        int point = text.codePointAt(at);
        at += Character.charCount(point);
        step(point, whole);
        if (count == 0 && whole) {
          return matched && at == text.length();
        }
      }
      return matched;
    }

    private void step(int point, boolean whole) {
      round++;
      matched = false;
      int reached = 0;
      for (int i = 0; i < count; i++) {
        effort.run();
        if (program.takes(now[i], point)) {
          reached = add(now[i] + 1, next, reached);
        }
      }
      if (!whole) {
        reached = add(0, next, reached);
      }
      int[] spare = now;
      now = next;
      next = spare;
      count = reached;
    }

    /** Follows everything that takes no character. */
    private int add(int start, int[] places, int used) {
      int reached = used;
      int open = push(start, 0);
      while (open > 0) {
        int place = stack[--open];
        if (program.isEnd(place)) {
          matched = true;
        } else if (program.isEdge(place)) {
          if (at == (program.isStart(place) ? 0 : text.length())) {
            open = push(place + 1, open);
          }
        } else if (program.isSplit(place)) {
          open = push(program.first(place), open);
          open = push(program.second(place), open);
        } else {
          places[reached++] = place;
        }
      }
      return reached;
    }

    private int push(int place, int open) {
      if (seen[place] == round) {
        return open;
      }
      seen[place] = round;
      stack[open] = place;
      return open + 1;
    }
  }
}
