package org.oddlantern.internal.record;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.AgreedReplies;

/**
 * A reply that was held against what was agreed on: secrets masked.
 *
 * @param file the file in which it is agreed on, below the suites' resources
 * @param state whether it is as agreed
 * @param open the paths at which it may differ
 * @param came where it lies as it came, relative to the journal; null until it is written, and where it is
 *     as agreed
 * @param octets what came until it is written; null in a journal, and where it is as agreed
 */
public record AgreedRecord(
    String file,
    AgreedReplies.State state,
    List<String> open,
    @Nullable String came,
    @Nullable Octets octets) {

  /** Keeps its own list. */
  public AgreedRecord {
    open = List.copyOf(open);
  }

  /**
   * This record once what came is written.
   *
   * @param where the file, relative to the journal
   * @return the record
   */
  public AgreedRecord writtenTo(String where) {
    return new AgreedRecord(file, state, open, where, null);
  }

  /**
   * This record with what came at hand.
   *
   * @param bytes what came
   * @return the record
   */
  public AgreedRecord with(Octets bytes) {
    return new AgreedRecord(file, state, open, null, bytes);
  }
}
