package org.oddlantern.internal.run;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ThreadFactory;
import java.util.function.BiConsumer;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.plan.Planned;

/** Several lanes that work off one schedule, each in a thread of its own. */
final class Lanes implements AutoCloseable {

  private final List<Lane> lanes = new ArrayList<>();
  private final TurnWatch watch = new TurnWatch(lanes);
  private final ThreadFactory threads;
  private volatile @Nullable Throwable broken;

  Lanes(int count) {
    threads = LaneThreads.of(count, "odd-lantern lane");
    for (int number = 1; number <= count; number++) {
      lanes.add(new Lane(number, threads));
    }
  }

  Lane first() {
    return lanes.get(0);
  }

  /**
   * Works off the schedule; ends when nothing more is to start and everything has finished.
   *
   * @return what broke the runner itself; null if nothing did
   */
  @Nullable
  Throwable workOff(Schedule schedule, BiConsumer<Planned, Lane> work) {
    CountDownLatch ended = new CountDownLatch(lanes.size());
    for (Lane lane : lanes) {
      Loop loop = new Loop(schedule, work, lane, ended);
      lane.watchedBy(watch, loop::goOn);
      threads.newThread(loop::run).start();
    }
    awaited(ended);
    return broken;
  }

  /** Gives up what runs now. */
  void stop() {
    lanes.forEach(Lane::stop);
  }

  @Override
  public void close() {
    watch.close();
    lanes.forEach(Lane::close);
  }

  private static void awaited(CountDownLatch ended) {
    boolean interrupted = false;
    while (ended.getCount() > 0) {
      try {
        ended.await();
      } catch (InterruptedException e) {
        interrupted = true;
      }
    }
    if (interrupted) {
      Thread.currentThread().interrupt();
    }
  }

  /** One lane on its way through the schedule; in another thread from where a case kept the last one. */
  private final class Loop {
    private final Schedule schedule;
    private final BiConsumer<Planned, Lane> work;
    private final Lane lane;
    private final CountDownLatch ended;
    private @Nullable Planned current;

    Loop(Schedule schedule, BiConsumer<Planned, Lane> work, Lane lane, CountDownLatch ended) {
      this.schedule = schedule;
      this.work = work;
      this.lane = lane;
      this.ended = ended;
    }

    void run() {
      try {
        for (Planned next = schedule.next(); next != null; next = schedule.next()) {
          current = next;
          work.accept(next, lane);
          schedule.finished(next);
        }
      } catch (Turn.Left e) {
        return; // another thread has gone on
      } catch (RuntimeException | Error e) {
        broke(e);
      }
      ended.countDown();
    }

    /** Ends what runs now, and goes on with the next. */
    void goOn(Runnable rest) {
      Planned left = current;
      try {
        rest.run();
        if (left != null) {
          schedule.finished(left);
        }
      } catch (RuntimeException | Error e) {
        broke(e);
      }
      run();
    }

    private void broke(Throwable e) {
      broken = e;
      schedule.stop();
    }
  }
}
