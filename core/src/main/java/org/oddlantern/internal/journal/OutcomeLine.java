package org.oddlantern.internal.journal;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.record.CaseOutcome;
import org.oddlantern.internal.record.Mark;
import org.oddlantern.internal.record.Outcome;
import org.oddlantern.internal.record.RecordKind;
import org.oddlantern.shaded.tools.jackson.core.JsonParser;
import org.oddlantern.shaded.tools.jackson.core.JsonToken;

/** Reads from a line of the journal how a case went, and passes over everything else. For one line. */
final class OutcomeLine {

  static final String SUPPLY = "supply";

  private final JsonParser parser;
  private RecordKind kind = RecordKind.CASE;
  private String id = "";
  private String suite = "";
  private String title = "";
  private @Nullable Outcome outcome;
  private boolean hasRun;
  private final List<Mark> marks = new ArrayList<>(0);
  private long tookMicros;

  OutcomeLine(JsonParser parser) {
    this.parser = parser;
  }

  /** How the case went; null if the line tells of something else. */
  @Nullable
  CaseOutcome read() {
    parser.nextToken();
    while (parser.nextToken() == JsonToken.PROPERTY_NAME) {
      boolean ofCase = parser.currentName().equals(Member.CASE);
      if (parser.nextToken() == JsonToken.START_OBJECT && ofCase) {
        members();
      } else {
        parser.skipChildren();
      }
    }
    parser.nextToken(); // fails if something stands after the line's object
    return outcome == null
        ? null
        : new CaseOutcome(kind, id, suite, title, hasRun, outcome, List.copyOf(marks), tookMicros);
  }

  private void members() {
    while (parser.nextToken() == JsonToken.PROPERTY_NAME) {
      String name = parser.currentName();
      JsonToken value = parser.nextToken();
      switch (name) {
        case Member.KIND ->
          kind = parser.getString().equals(SUPPLY) ? RecordKind.SUPPLY : RecordKind.CASE;
        case Member.ID -> id = parser.getString();
        case Member.SUITE -> suite = parser.getString();
        case Member.TITLE -> title = parser.getString();
        case Member.LANE -> hasRun = parser.getIntValue() > 0;
        case Member.OUTCOME -> outcome = RecordReading.outcome(parser.getString());
        case Member.TOOK_MICROS -> tookMicros = parser.getLongValue();
        case Member.MARKS -> marks(value);
        default -> parser.skipChildren();
      }
    }
  }

  private void marks(JsonToken value) {
    if (value == JsonToken.START_ARRAY) {
      while (parser.nextToken() == JsonToken.VALUE_STRING) {
        marks.add(RecordReading.mark(parser.getString()));
      }
    }
  }
}
