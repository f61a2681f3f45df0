package org.oddlantern.internal.run;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.oddlantern.internal.record.KeptRecord;

/** What a case keeps with its results, up to a limit; guarded by the log that it belongs to. */
final class KeptThings {

  private static final int MOST_BYTES = 16 << 20;

  private final List<Kept> all = new ArrayList<>(0);
  private int bytes;

  void add(String name, String contentType, byte[] content) {
    if (bytes + (long) content.length > MOST_BYTES) {
      throw new IllegalArgumentException(String.format(
          Locale.ROOT,
          "'%s' has %d bytes; a case keeps %d bytes at most, and has kept %d",
          name,
          content.length,
          MOST_BYTES,
          bytes));
    }
    all.add(new Kept(name, contentType, content.clone()));
    bytes += content.length;
  }

  List<KeptRecord> records(Recording recording) {
    return all.stream()
        .map(one -> recording.record(one.name, one.contentType, one.content))
        .toList();
  }

  /**
   * Something to be kept.
   *
   * @param name a name for people
   * @param contentType its media type
   * @param content its bytes
   */
  private record Kept(String name, String contentType, byte[] content) {}
}
