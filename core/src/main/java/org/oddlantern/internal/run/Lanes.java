package org.oddlantern.internal.run;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ThreadFactory;
import java.util.function.BiConsumer;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.plan.Planned;

/** Several lanes that work off one schedule; the first of them in the thread that asks. */
final class Lanes implements AutoCloseable {

  private final List<Lane> lanes = new ArrayList<>();
  private final ThreadFactory threads;
  private volatile @Nullable Throwable broken;

  Lanes(int count) {
    ThreadFactory workers = LaneThreads.of(count, "odd-lantern lane");
    threads = LaneThreads.of(count, "odd-lantern lanes");
    for (int number = 1; number <= count; number++) {
      lanes.add(new Lane(number, workers));
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
    List<Thread> others = new ArrayList<>();
    for (Lane lane : lanes.subList(1, lanes.size())) {
      Thread other = threads.newThread(() -> workOff(schedule, work, lane));
      others.add(other);
      other.start();
    }
    workOff(schedule, work, first());
    others.forEach(Lanes::joined);
    return broken;
  }

  /** Gives up what runs now. */
  void stop() {
    lanes.forEach(Lane::stop);
  }

  @Override
  public void close() {
    lanes.forEach(Lane::close);
  }

  private void workOff(Schedule schedule, BiConsumer<Planned, Lane> work, Lane lane) {
    try {
      for (Planned next = schedule.next(); next != null; next = schedule.next()) {
        work.accept(next, lane);
        schedule.finished(next);
      }
    } catch (RuntimeException | Error e) {
      broken = e;
      schedule.stop();
    }
  }

  private static void joined(Thread thread) {
    boolean interrupted = false;
    while (thread.isAlive()) {
      try {
        thread.join();
      } catch (InterruptedException e) {
        interrupted = true;
      }
    }
    if (interrupted) {
      Thread.currentThread().interrupt();
    }
  }
}
