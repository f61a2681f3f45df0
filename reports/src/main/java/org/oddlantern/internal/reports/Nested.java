package org.oddlantern.internal.reports;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import org.oddlantern.internal.record.AskedRecord;
import org.oddlantern.internal.record.ExchangeRecord;

/**
 * Something a case asked, with what its service asked stand-ins meanwhile. What a service asked at another
 * time stands by itself.
 *
 * @param asked what was asked
 * @param visits what the service asked before it answered, in order
 */
public record Nested(AskedRecord asked, List<ExchangeRecord> visits) {

  /** Keeps its own list. */
  public Nested {
    visits = List.copyOf(visits);
  }

  /**
   * Puts what services asked where it belongs.
   *
   * @param all everything asked, in the order in which it ended
   * @return everything asked that stands by itself
   */
  public static List<Nested> of(List<AskedRecord> all) {
    List<Nested> nested = new ArrayList<>();
    List<ExchangeRecord> open = new ArrayList<>();
    for (AskedRecord one : all) {
      if (one instanceof ExchangeRecord exchange && exchange.isVisit()) {
        open.add(exchange);
        continue;
      }
      if (open.isEmpty()) {
        nested.add(new Nested(one, List.of()));
        continue;
      }
      List<ExchangeRecord> meanwhile = new ArrayList<>();
      if (one instanceof ExchangeRecord call) {
        take(open, call, meanwhile);
      }
      open.forEach(before -> nested.add(new Nested(before, List.of())));
      open.clear();
      nested.add(new Nested(one, meanwhile));
    }
    open.forEach(after -> nested.add(new Nested(after, List.of())));
    return nested;
  }

  private static void take(
      List<ExchangeRecord> open, ExchangeRecord call, List<ExchangeRecord> meanwhile) {
    Instant end = call.sentAt().plus(call.tookMicros(), ChronoUnit.MICROS);
    for (Iterator<ExchangeRecord> each = open.iterator(); each.hasNext(); ) {
      ExchangeRecord visit = each.next();
      if (!visit.sentAt().isBefore(call.sentAt()) && !visit.sentAt().isAfter(end)) {
        meanwhile.add(visit);
        each.remove();
      }
    }
  }
}
