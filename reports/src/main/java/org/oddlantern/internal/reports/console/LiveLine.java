package org.oddlantern.internal.reports.console;

import java.io.PrintStream;
import java.util.LinkedHashMap;
import java.util.Map;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.Counts;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.internal.reports.Amounts;

/**
 * The line below everything else that says how far a run is. Whoever prints erases it before and draws it
 * after; a timer draws it in between. Guarded by the stream.
 */
final class LiveLine {

  private static final String ERASE = "\r\u001b[2K";
  private static final int LEAST_WIDTH = 20;

  private final PrintStream out;
  private final Style style;
  private final Map<String, Long> earlier;
  private final Map<String, String> running = new LinkedHashMap<>();
  private final long start = System.nanoTime();
  private int cases;
  private int done;
  private int broken;
  private int lanes = 1;
  private long known;
  private long passedBy;
  private boolean drawn;
  private boolean over;

  /** With the times of cases in an earlier run, by their full names, in microseconds. */
  LiveLine(PrintStream out, Style style, Map<String, Long> earlier) {
    this.out = out;
    this.style = style;
    this.earlier = earlier;
    this.known = earlier.values().stream().mapToLong(Long::longValue).sum();
  }

  void hear(RunEvent event) {
    if (event instanceof RunEvent.Started started) {
      cases = started.cases();
      lanes = started.lanes();
    } else if (event instanceof RunEvent.CaseBegan began) {
      running.put(began.id(), began.suite() + ": " + began.title());
    } else if (event instanceof RunEvent.CaseFinished finished
        && finished.record().counts()) {
      count(finished.record());
    } else if (event instanceof RunEvent.Ended) {
      over = true;
    }
  }

  private void count(CaseRecord one) {
    running.remove(one.id());
    done++;
    broken += one.outcome().isGreen() ? 0 : 1;
    passedBy += earlier.getOrDefault(one.id(), 0L);
  }

  void erase() {
    if (drawn) {
      out.print(ERASE);
      drawn = false;
    }
  }

  void draw() {
    if (over || cases == 0) {
      return;
    }
    String text = text();
    int width = Math.max(LEAST_WIDTH, style.columns() - 1);
    String cut = text.length() <= width ? text : text.substring(0, width - 3) + "...";
    out.print(ERASE + style.quiet(cut));
    out.flush();
    drawn = true;
  }

  private String text() {
    StringBuilder text = new StringBuilder();
    text.append(Counts.grouped(done))
        .append(" of ")
        .append(Counts.grouped(cases))
        .append(" done");
    if (broken > 0) {
      text.append(", ").append(broken).append(" broken");
    }
    text.append(", ").append(Amounts.time((System.nanoTime() - start) / 1_000));
    long left = (known - passedBy) / Math.max(1, lanes);
    if (known > 0 && left > 1_000_000) {
      text.append(", about ").append(Amounts.time(left)).append(" left");
    }
    if (!running.isEmpty()) {
      text.append("; running ").append(running.values().iterator().next());
      if (running.size() > 1) {
        text.append(" and ").append(running.size() - 1).append(" more");
      }
    }
    return Plain.line(text.toString());
  }
}
