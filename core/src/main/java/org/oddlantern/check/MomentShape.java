package org.oddlantern.check;

import java.time.DateTimeException;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Location;
import org.oddlantern.json.internal.Decimals;
import org.oddlantern.json.internal.EpochNumber;
import org.oddlantern.json.internal.NodeShape;
import org.oddlantern.json.internal.Words;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;

/**
 * A text that is a date or a moment between two others, both included. Dates compare with dates,
 * moments with an offset with such moments, and those without one with their like.
 */
record MomentShape(String words, OffsetDateTime low, OffsetDateTime high, Kind kind)
    implements NodeShape {

  @Override
  public List<Finding> differences(Location where, JsonNode value) {
    Optional<OffsetDateTime> moment =
        value.isString() ? kind.read(value.stringValue()) : Optional.empty();
    if (moment.isEmpty()) {
      return List.of(Finding.of(where, words, Words.withKind(value)).hint(counted(value)));
    }
    if (moment.get().isBefore(low)) {
      return List.of(far(where, value, Duration.between(moment.get(), low), "earlier"));
    }
    return moment.get().isAfter(high)
        ? List.of(far(where, value, Duration.between(high, moment.get()), "later"))
        : List.of();
  }

  private static String counted(JsonNode value) {
    return value.isNumber()
        ? EpochNumber.moment(Decimals.of(value))
            .map(moment -> "counted from 1970 on it would be " + moment)
            .orElse("")
        : "";
  }

  private Finding far(Location where, JsonNode value, Duration distance, String direction) {
    return Finding.of(where, words, Words.of(value))
        .hint(Durations.words(distance) + " " + direction + " than allowed");
  }

  /** What kinds of dates and times there are on the wire. */
  enum Kind {
    /** A date alone. */
    DATE {
      @Override
      OffsetDateTime parse(String text) {
        return LocalDate.parse(text).atStartOfDay().atOffset(ZoneOffset.UTC);
      }
    },
    /** A date and a time without an offset. */
    LOCAL {
      @Override
      OffsetDateTime parse(String text) {
        return LocalDateTime.parse(text).atOffset(ZoneOffset.UTC);
      }
    },
    /** A moment: a date and a time with an offset. */
    MOMENT {
      @Override
      OffsetDateTime parse(String text) {
        return OffsetDateTime.parse(text);
      }
    };

    abstract OffsetDateTime parse(String text);

    Optional<OffsetDateTime> read(String text) {
      try {
        return Optional.of(parse(text));
      } catch (DateTimeException e) {
        return Optional.empty();
      }
    }

    /** The kind of a Java value. */
    static Optional<Kind> of(Object value) {
      if (value instanceof LocalDate) {
        return Optional.of(DATE);
      }
      if (value instanceof LocalDateTime) {
        return Optional.of(LOCAL);
      }
      return value instanceof Instant || value instanceof OffsetDateTime
          ? Optional.of(MOMENT)
          : Optional.empty();
    }
  }
}
