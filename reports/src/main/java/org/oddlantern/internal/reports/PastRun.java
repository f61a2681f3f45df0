package org.oddlantern.internal.reports;

import org.oddlantern.internal.record.RunEvent;

/**
 * An earlier run as a whole.
 *
 * @param started its beginning
 * @param cases how many cases it tells of
 * @param passed how many of them passed
 * @param broken how many of them broke the build
 * @param tookMicros how long it took; below 0 if it was cut off
 */
public record PastRun(
    RunEvent.Started started, int cases, int passed, int broken, long tookMicros) {

  /**
   * Whether it came to its end.
   *
   * @return false if it was cut off
   */
  public boolean isWhole() {
    return tookMicros >= 0;
  }
}
