package org.oddlantern.internal.reports;

import java.util.List;
import org.oddlantern.internal.record.RunEvent;

/** The events of made-up runs, for tests of the rooms beside. */
public final class MadeEvents {

  private MadeEvents() {}

  /** One of each outcome, with all there is. */
  public static List<RunEvent> ofEverything() {
    return MadeRun.ofEverything().events();
  }
}
