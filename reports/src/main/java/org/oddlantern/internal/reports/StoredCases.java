package org.oddlantern.internal.reports;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.util.IdentityHashMap;
import org.oddlantern.internal.journal.Journal;
import org.oddlantern.internal.record.CaseRecord;

/**
 * The cases of a long journal, of which no more is kept than lists need. What was sent and came is read
 * again when it is asked for. Filled by one thread, then thread-safe.
 */
final class StoredCases {

  /** In octets; what is shorter is kept whole. */
  private static final long LONG = 48L << 20;

  private final Journal journal;
  private final boolean listed;
  private final IdentityHashMap<CaseRecord, Long> places = new IdentityHashMap<>();
  private final IdentityHashMap<CaseRecord, Long> shares = new IdentityHashMap<>();

  private StoredCases(Journal journal, boolean listed) {
    this.journal = journal;
    this.listed = listed;
  }

  /** Of a journal in a file. */
  static StoredCases of(Journal journal) throws IOException {
    return new StoredCases(journal, Files.size(journal.file()) > LONG);
  }

  /** Of what is in memory already. */
  static StoredCases whole(Journal journal) {
    return new StoredCases(journal, false);
  }

  CaseRecord keep(CaseRecord one, long place) {
    if (!listed) {
      return one;
    }
    CaseRecord kept = one.listed();
    places.put(kept, place);
    shares.put(kept, PageShare.of(one));
    return kept;
  }

  /** About how many octets of a page it takes. */
  long share(CaseRecord kept) {
    Long share = shares.get(kept);
    return share == null ? PageShare.of(kept) : share;
  }

  CaseRecord whole(CaseRecord kept) {
    Long place = places.get(kept);
    try {
      return place == null ? kept : journal.caseAt(place);
    } catch (IOException e) {
      throw new UncheckedIOException(e.getMessage(), e);
    }
  }
}
