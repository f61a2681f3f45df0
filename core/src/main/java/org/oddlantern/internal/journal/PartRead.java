package org.oddlantern.internal.journal;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.record.AgreedRecord;
import org.oddlantern.internal.record.AttemptRecord;
import org.oddlantern.internal.record.BodyRecord;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.DescribedRecord;
import org.oddlantern.internal.record.ExchangeRecord;
import org.oddlantern.internal.record.KeptRecord;
import org.oddlantern.internal.record.Octets;
import org.oddlantern.internal.record.RecordKind;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.internal.record.SentFile;

/** The journal of one part, read; what was sent and came is left there until it is asked for. */
final class PartRead {

  final RunEvent.Started started;
  final List<Placed> records = new ArrayList<>();
  final List<RunEvent> others = new ArrayList<>();
  final RunEvent.@Nullable Ended ended;
  private final Journal journal;
  private final PlacedCases cases;

  PartRead(Journal journal) throws IOException {
    this.journal = journal;
    this.cases = journal.cases();
    List<RunEvent> events = new ArrayList<>();
    journal.readPlaced((event, place) -> {
      if (!events.isEmpty() && event instanceof RunEvent.CaseFinished finished) {
        records.add(new Placed(finished.record().listed(), place));
      } else {
        events.add(event);
      }
    });
    if (events.isEmpty() || !(events.get(0) instanceof RunEvent.Started first)) {
      throw new IOException(
          journal.file() + " does not begin like a journal: its first line must be run-started");
    }
    RunEvent.Ended last = null;
    for (RunEvent event : events.subList(1, events.size())) {
      if (event instanceof RunEvent.Ended end) {
        last = end;
      } else {
        others.add(event);
      }
    }
    started = first;
    ended = last;
  }

  /** How many cases have a record. */
  int cases() {
    return (int)
        records.stream().filter(one -> one.listed.kind() == RecordKind.CASE).count();
  }

  RunEvent.Ended end() {
    if (ended == null) {
      throw new IllegalStateException(journal.file() + " has no end");
    }
    return ended;
  }

  /** A record with all its bodies, in another lane and at another place in the order. */
  CaseRecord whole(Placed placed, int lane, int order) throws IOException {
    CaseRecord record = cases.at(placed.place);
    try {
      List<AttemptRecord> earlier = record.earlier().stream()
          .map(one -> one.withExchanges(whole(one.exchanges())))
          .toList();
      return record
          .withExchanges(whole(record.exchanges()), earlier)
          .withFiles(
              record.kept().stream().map(this::whole).toList(),
              record.agreed().stream().map(this::whole).toList())
          .inLane(lane)
          .inOrder(order);
    } catch (UncheckedIOException e) {
      throw e.getCause();
    }
  }

  RunEvent whole(RunEvent event) throws IOException {
    try {
      if (event instanceof RunEvent.Described described) {
        return new RunEvent.Described(described
            .record()
            .with(described.record().documents().stream().map(this::whole).toList()));
      }
      return event instanceof RunEvent.PutBack back
          ? new RunEvent.PutBack(back.id(), back.deed(), back.problem(), whole(back.exchanges()))
          : event;
    } catch (UncheckedIOException e) {
      throw e.getCause();
    }
  }

  private List<ExchangeRecord> whole(List<ExchangeRecord> exchanges) {
    return exchanges.stream()
        .map(one -> withSentFile(one.withBodies(whole(one.requestBody()), whole(one.replyBody()))))
        .toList();
  }

  private ExchangeRecord withSentFile(ExchangeRecord one) {
    SentFile sent = one.sentFile();
    if (sent == null) {
      return one;
    }
    try {
      return one.withSentFile(new SentFile(sent.name(), octets(sent.name())));
    } catch (IOException e) {
      throw new UncheckedIOException(
          journal.file() + " names a body that cannot be read, " + sent.name() + ": " + e, e);
    }
  }

  private BodyRecord whole(BodyRecord body) {
    if (body.file() == null) {
      return body;
    }
    try {
      if (body.isPicture()) {
        return new BodyRecord(body.bytes(), null, null, List.of(), octets(body.file()));
      }
      return new BodyRecord(body.bytes(), journal.text(body), null, body.parts());
    } catch (IOException e) {
      throw new UncheckedIOException(
          journal.file() + " names a body that cannot be read, " + body.file() + ": " + e, e);
    }
  }

  private DescribedRecord.Copy whole(DescribedRecord.Copy copy) {
    try {
      return new DescribedRecord.Copy(copy.name(), copy.uri(), journal.text(copy), null);
    } catch (IOException e) {
      throw new UncheckedIOException(
          journal.file() + " names a file that cannot be read, " + copy.file() + ": " + e, e);
    }
  }

  private KeptRecord whole(KeptRecord kept) {
    try {
      return kept.file() == null
          ? kept
          : new KeptRecord(
              kept.name(), kept.contentType(), kept.bytes(), null, octets(kept.file()));
    } catch (IOException e) {
      throw new UncheckedIOException(
          journal.file() + " names a file that cannot be read, " + kept.file() + ": " + e, e);
    }
  }

  private AgreedRecord whole(AgreedRecord agreed) {
    try {
      return agreed.came() == null ? agreed : agreed.with(octets(agreed.came()));
    } catch (IOException e) {
      throw new UncheckedIOException(
          journal.file() + " names a file that cannot be read, " + agreed.came() + ": " + e, e);
    }
  }

  private Octets octets(String file) throws IOException {
    return Octets.of(Files.readAllBytes(journal.file().resolveSibling(file)));
  }

  /**
   * A record, and where it stands in full.
   *
   * @param listed the record, in brief
   * @param place its place in the journal
   */
  record Placed(CaseRecord listed, long place) {}
}
