package org.oddlantern.internal.run;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import org.oddlantern.evidence.internal.Asked;

/** The last of what was asked in tries that do not count: what it brought may be echoed later. */
final class Forgotten {

  private static final int MOST = 50;

  private final List<Asked> last = new ArrayList<>();

  void add(List<LogEntry> entries) {
    entries.stream().limit(MOST).forEach(entry -> last.add(entry.asked));
    while (last.size() > MOST) {
      last.remove(0);
    }
  }

  void forEach(Consumer<Asked> each) {
    last.forEach(each);
  }
}
