package org.oddlantern.internal.reports.html;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.reports.Amounts;
import org.oddlantern.internal.reports.RunData;

/**
 * The run over time, lane by lane, as a drawing.
 *
 * @param height its height; it is 1,000 wide
 * @param lanes the lanes with the height of their middles
 * @param ticks the marks of time
 * @param bars what ran
 * @param links from the end of a case to the one that had waited longest for it, as paths
 * @param chain the longest chain of cases that waited for each other, in words
 * @param chainTime how long that took
 */
public record LaneDrawing(
    int height,
    List<Tick> lanes,
    List<Tick> ticks,
    List<Bar> bars,
    List<String> links,
    List<String> chain,
    String chainTime) {

  private static final int LEFT = 62;
  private static final int WIDTH = 1_000 - LEFT - 8;
  private static final int ROW = 24;
  private static final int TOP = 6;
  /** More bars than that would not be told apart. */
  private static final int MOST_BARS = 1_500;

  /**
   * A label and where it belongs.
   *
   * @param at the place along the axis
   * @param label its text
   */
  public record Tick(String at, String label) {}

  /**
   * Something that ran.
   *
   * @param x where it begins
   * @param y its upper edge
   * @param width how long it is
   * @param height how high it is; what broke is higher
   * @param kind its class for the stylesheet
   * @param words what it is
   */
  public record Bar(String x, int y, String width, int height, String kind, String words) {}

  /** Of a run; null if nothing ran. */
  static @Nullable LaneDrawing of(RunData run) {
    List<CaseRecord> ran = Stream.concat(run.cases().stream(), run.shared().stream())
        .filter(CaseRecord::hasRun)
        .toList();
    return ran.isEmpty() ? null : new Drawing(run, ran).drawn();
  }

  /** Makes a drawing. */
  private static final class Drawing {
    private final Instant start;
    private final double micros;
    private final List<CaseRecord> ran;
    private final int lanes;
    private final Map<String, CaseRecord> byId = new HashMap<>();

    Drawing(RunData run, List<CaseRecord> ran) {
      this.start = run.started().startedAt();
      this.ran = ran;
      this.lanes = ran.stream().mapToInt(CaseRecord::lane).max().orElse(1);
      this.micros = Math.max(1, ran.stream().mapToLong(this::end).max().orElse(1));
      ran.forEach(one -> byId.put(one.id(), one));
    }

    LaneDrawing drawn() {
      List<CaseRecord> chain = chain();
      List<Tick> names = new ArrayList<>();
      for (int lane = 1; lane <= lanes; lane++) {
        names.add(new Tick(String.valueOf(middle(lane) + 4), "lane " + lane));
      }
      long chained = chain.isEmpty() ? 0 : end(chain.get(chain.size() - 1)) - begin(chain.get(0));
      return new LaneDrawing(
          TOP + lanes * ROW + 22,
          names,
          ticks(),
          bars(chain),
          links(chain),
          chain.size() < 2
              ? List.of()
              : chain.stream()
                  .map(one ->
                      one.suite() + ": " + one.title() + ", " + Amounts.time(one.tookMicros()))
                  .toList(),
          Amounts.time(chained));
    }

    private long begin(CaseRecord one) {
      return Math.max(0, Duration.between(start, one.startedAt()).toNanos() / 1_000);
    }

    private long end(CaseRecord one) {
      return begin(one) + one.tookMicros();
    }

    private double x(long at) {
      return LEFT + at / micros * WIDTH;
    }

    private static String number(double value) {
      return Amounts.tenths(Math.round(value * 10), 10);
    }

    private static int middle(int lane) {
      return TOP + (lane - 1) * ROW + ROW / 2;
    }

    /** Short ones are left out where there are too many to be seen. */
    private List<Bar> bars(List<CaseRecord> chain) {
      long least = 0;
      if (ran.size() > MOST_BARS) {
        List<Long> times = ran.stream().map(CaseRecord::tookMicros).sorted().toList();
        least = times.get(ran.size() - MOST_BARS);
      }
      long shortest = least;
      Set<CaseRecord> chained = Collections.newSetFromMap(new IdentityHashMap<>());
      chained.addAll(chain);
      return ran.stream()
          .filter(one -> one.tookMicros() >= shortest || !one.outcome().isGreen())
          .limit(MOST_BARS)
          .map(one -> bar(one, chained.contains(one)))
          .toList();
    }

    private Bar bar(CaseRecord one, boolean chained) {
      boolean broken = !one.outcome().isGreen();
      int height = broken ? ROW - 4 : ROW - 12;
      String kind = (broken ? "bar broken" : one.word().equals("supplied") ? "bar supplied" : "bar")
          + (chained ? " chained" : "");
      return new Bar(
          number(x(begin(one))),
          middle(one.lane()) - height / 2,
          number(Math.max(1.5, one.tookMicros() / micros * WIDTH)),
          height,
          kind,
          one.suite() + ": " + one.title() + ", " + one.word() + ", "
              + Amounts.time(one.tookMicros()) + " from " + Amounts.time(begin(one)));
    }

    /** The cases that waited for each other and took longest together. */
    private List<CaseRecord> chain() {
      IdentityHashMap<CaseRecord, Long> together = new IdentityHashMap<>();
      IdentityHashMap<CaseRecord, CaseRecord> before = new IdentityHashMap<>();
      CaseRecord last = null;
      for (CaseRecord one :
          ran.stream().sorted(Comparator.comparingLong(this::end)).toList()) {
        long longest = 0;
        for (String id : one.waitedFor()) {
          CaseRecord maker = byId.get(id);
          long time = maker == null ? 0 : together.getOrDefault(maker, 0L);
          if (maker != null && time >= longest) {
            longest = time;
            before.put(one, maker);
          }
        }
        together.put(one, longest + one.tookMicros());
        if (before.containsKey(one)
            && (last == null || together.get(one) > together.getOrDefault(last, 0L))) {
          last = one;
        }
      }
      List<CaseRecord> chain = new ArrayList<>();
      for (CaseRecord each = last; each != null; each = before.get(each)) {
        chain.add(0, each);
      }
      return chain;
    }

    private List<String> links(List<CaseRecord> chain) {
      List<String> links = new ArrayList<>();
      for (int i = 1; i < chain.size(); i++) {
        CaseRecord before = chain.get(i - 1);
        CaseRecord after = chain.get(i);
        links.add(String.format(
            Locale.ROOT,
            "M%s %d C %s %d %s %d %s %d",
            number(x(end(before))),
            middle(before.lane()),
            number(x(end(before)) + 10),
            middle(before.lane()),
            number(x(begin(after)) - 10),
            middle(after.lane()),
            number(x(begin(after))),
            middle(after.lane())));
      }
      return links;
    }

    private List<Tick> ticks() {
      double step = step(micros / 6);
      List<Tick> ticks = new ArrayList<>();
      for (double at = 0; at <= micros; at += step) {
        ticks.add(new Tick(number(x((long) at)), Amounts.time((long) at)));
      }
      return ticks;
    }

    /** 1, 2 or 5 of a power of ten. */
    private static double step(double least) {
      double power = Math.pow(10, Math.floor(Math.log10(Math.max(1_000, least))));
      for (int times : new int[] {1, 2, 5}) {
        if (power * times >= least) {
          return power * times;
        }
      }
      return power * 10;
    }
  }
}
