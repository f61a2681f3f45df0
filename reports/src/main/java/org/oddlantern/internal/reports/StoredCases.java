package org.oddlantern.internal.reports;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.Set;
import org.oddlantern.internal.journal.Journal;
import org.oddlantern.internal.journal.PlacedCases;
import org.oddlantern.internal.record.CaseRecord;

/**
 * The cases of a long journal, of which no more is kept than lists need. What was sent and came is read
 * again when it is asked for. Filled by one thread, then thread-safe.
 */
final class StoredCases {

  /** In octets; what is shorter is kept whole. */
  private static final long LONG = 48L << 20;

  private final Journal journal;
  private final PlacedCases cases;
  private final boolean listed;
  private final IdentityHashMap<CaseRecord, Long> places = new IdentityHashMap<>();
  private final IdentityHashMap<CaseRecord, Long> shares = new IdentityHashMap<>();
  private final Set<CaseRecord> silent = Collections.newSetFromMap(new IdentityHashMap<>());

  private StoredCases(Journal journal, boolean listed) {
    this.journal = journal;
    this.cases = journal.cases();
    this.listed = listed;
  }

  /** Of a journal in a file. */
  static StoredCases of(Journal journal) throws IOException {
    return new StoredCases(journal, Files.size(journal.file()) > LONG);
  }

  /** Of a journal that is long, whatever its file says now. */
  static StoredCases listed(Journal journal) {
    return new StoredCases(journal, true);
  }

  CaseRecord keep(CaseRecord one, long place) {
    if (!listed) {
      return one;
    }
    CaseRecord kept = one.listed();
    places.put(kept, place);
    shares.put(kept, PageShare.of(one));
    if (one.problem() == null && one.printed().isEmpty() && one.earlier().isEmpty()) {
      silent.add(kept);
    }
    return kept;
  }

  /** Where the journal lies. */
  Path folder() {
    return journal.folder();
  }

  /** About how many octets of a page it takes. */
  long share(CaseRecord kept) {
    Long share = shares.get(kept);
    return share == null ? PageShare.of(kept) : share;
  }

  /** With its problem, what it printed, and its earlier tries; not read again where there are none. */
  CaseRecord spoken(CaseRecord kept) {
    return silent.contains(kept) ? kept : whole(kept);
  }

  CaseRecord whole(CaseRecord kept) {
    Long place = places.get(kept);
    try {
      return place == null ? kept : cases.at(place);
    } catch (IOException e) {
      throw new UncheckedIOException(e.getMessage(), e);
    }
  }
}
