package org.oddlantern.internal.journal;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.record.AgreedRecord;
import org.oddlantern.internal.record.AttemptRecord;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.ExchangeRecord;
import org.oddlantern.internal.record.KeptRecord;
import org.oddlantern.internal.record.LookRecord;
import org.oddlantern.internal.record.Mark;
import org.oddlantern.internal.record.ProblemRecord;
import org.oddlantern.internal.record.RecipeRecord;
import org.oddlantern.internal.record.RecordKind;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.internal.record.SourceRecord;
import org.oddlantern.internal.record.StepRecord;
import org.oddlantern.internal.record.TimeText;
import org.oddlantern.shaded.tools.jackson.core.JsonGenerator;

/**
 * Writes one event as a line of the journal, member by member: much cheaper than by reflection, and the
 * journal is written while cases run. What is empty is left out.
 */
record EventLine(JsonGenerator out, TimeText times, AskedLine asked) {

  EventLine(JsonGenerator out, TimeText times) {
    this(out, times, new AskedLine(out, times));
  }

  void write(RunEvent event) {
    out.writeStartObject();
    if (event instanceof RunEvent.CaseFinished finished) {
      text(Member.EVENT, EventName.CASE_FINISHED);
      out.writeName(Member.CASE);
      write(finished.record());
    } else if (event instanceof RunEvent.Started started) {
      write(started);
    } else if (event instanceof RunEvent.Promised promised) {
      new PromisedLine(out).write(promised);
    } else if (event instanceof RunEvent.CaseExamined examined) {
      new ExaminedLine(out).write(examined.record());
    } else if (event instanceof RunEvent.Described described) {
      new DescribedLine(out).write(described.record());
    } else if (event instanceof RunEvent.UndoNoted noted) {
      text(Member.EVENT, EventName.UNDO_NOTED);
      text(Member.ID, noted.id());
      text(Member.CALL, noted.call());
    } else if (event instanceof RunEvent.CaseBegan began) {
      text(Member.EVENT, EventName.CASE_BEGAN);
      text(Member.ID, began.id());
      text(Member.SUITE, began.suite());
      text(Member.TITLE, began.title());
      out.writeNumberProperty(Member.LANE, began.lane());
    } else if (event instanceof RunEvent.PutBackBegan began) {
      text(Member.EVENT, EventName.PUT_BACK_BEGAN);
      text(Member.ID, began.id());
      text(Member.DEED, began.deed());
    } else if (event instanceof RunEvent.ProblemFound found) {
      text(Member.EVENT, EventName.PROBLEM_FOUND);
      text(Member.PROBLEM, found.problem());
    } else if (event instanceof RunEvent.PutBack putBack) {
      write(putBack);
    } else if (event instanceof RunEvent.Ended ended) {
      write(ended);
    }
    out.writeEndObject();
  }

  private void write(RunEvent.Started started) {
    text(Member.EVENT, EventName.RUN_STARTED);
    out.writeNumberProperty(Member.FORMAT, started.format());
    text(Member.RUN, started.run());
    text(Member.NAME, started.name());
    text(Member.ENVIRONMENT, started.environment());
    text(Member.SEED, started.seed());
    text(Member.STARTED_AT, started.startedAt().toString());
    out.writeNumberProperty(Member.CASES, started.cases());
    out.writeNumberProperty(Member.SUITES, started.suites());
    if (started.lanes() > 1) {
      out.writeNumberProperty(Member.LANES, started.lanes());
    }
    if (!started.part().isEmpty()) {
      text(Member.PART, started.part());
    }
    if (started.size().shuffled()) {
      out.writeBooleanProperty(Member.SHUFFLED, true);
    }
    texts(Member.WARNINGS, started.warnings());
  }

  private void write(RunEvent.PutBack putBack) {
    text(Member.EVENT, EventName.PUT_BACK);
    text(Member.ID, putBack.id());
    text(Member.DEED, putBack.deed());
    text(Member.PROBLEM, putBack.problem());
    exchanges(Member.EXCHANGES, putBack.exchanges());
  }

  private void write(RunEvent.Ended ended) {
    text(Member.EVENT, EventName.RUN_ENDED);
    text(Member.ENDED_AT, ended.endedAt().toString());
    out.writeNumberProperty(Member.TOOK_MICROS, ended.tookMicros());
    out.writeObjectPropertyStart(Member.COUNTS);
    for (Map.Entry<String, Integer> count : ended.counts().entrySet()) {
      out.writeNumberProperty(count.getKey(), count.getValue());
    }
    out.writeEndObject();
    out.writeNumberProperty(Member.LEFT_BEHIND, ended.leftBehind());
    if (ended.stopped()) {
      out.writeBooleanProperty(Member.STOPPED, true);
    }
    texts(Member.WARNINGS, ended.warnings());
  }

  private void write(CaseRecord one) {
    out.writeStartObject();
    if (one.kind() == RecordKind.SUPPLY) {
      text(Member.KIND, OutcomeLine.SUPPLY);
    }
    text(Member.ID, one.id());
    text(Member.SUITE, one.suite());
    text(Member.TITLE, one.title());
    text(Member.PLACE, one.place());
    out.writeNumberProperty(Member.ORDER, one.order());
    text(Member.WHOSE, one.whose());
    if (one.lane() > 0) {
      out.writeNumberProperty(Member.LANE, one.lane());
    }
    text(Member.OUTCOME, one.outcome().word());
    texts(Member.MARKS, one.marks().stream().map(Mark::word).toList());
    text(Member.STARTED_AT, times.text(one.startedAt()));
    out.writeNumberProperty(Member.TOOK_MICROS, one.tookMicros());
    if (!one.earlier().isEmpty()) {
      out.writeArrayPropertyStart(Member.EARLIER);
      one.earlier().forEach(this::write);
      out.writeEndArray();
    }
    asked(one.exchanges(), one.queries(), one.problem());
    text(Member.KNOWN_FAULT, one.knownFault());
    RecipeRecord recipe = one.head().recipe();
    if (recipe != null) {
      out.writeObjectPropertyStart(Member.RECIPE);
      text(Member.WHAT, recipe.what());
      out.writeBooleanProperty(Member.BREAKS, recipe.breaks());
      out.writeEndObject();
    }
    text(Member.PRINTED, one.printed());
    stepsAndFiles(one);
    texts(Member.WAITED_FOR, one.waitedFor());
    if (one.source() != null) {
      write(one.source());
    }
    out.writeEndObject();
  }

  private void stepsAndFiles(CaseRecord one) {
    if (!one.steps().isEmpty()) {
      out.writeArrayPropertyStart(Member.STEPS);
      one.steps().forEach(this::write);
      out.writeEndArray();
    }
    if (!one.kept().isEmpty()) {
      out.writeArrayPropertyStart(Member.KEPT);
      one.kept().forEach(this::write);
      out.writeEndArray();
    }
    if (!one.agreed().isEmpty()) {
      out.writeArrayPropertyStart(Member.AGREED);
      one.agreed().forEach(this::write);
      out.writeEndArray();
    }
  }

  private void write(AgreedRecord agreed) {
    out.writeStartObject();
    text(Member.FILE, agreed.file());
    text(Member.STATE, agreed.state().name().toLowerCase(Locale.ROOT));
    texts(Member.OPEN, agreed.open());
    text(Member.CAME, agreed.came());
    out.writeEndObject();
  }

  private void write(StepRecord step) {
    out.writeStartObject();
    text(Member.WORDS, step.words());
    out.writeNumberProperty(Member.AFTER, step.after());
    text(Member.STARTED_AT, times.text(step.startedAt()));
    out.writeEndObject();
  }

  private void write(KeptRecord kept) {
    out.writeStartObject();
    text(Member.NAME, kept.name());
    text(Member.CONTENT_TYPE, kept.contentType());
    out.writeNumberProperty(Member.BYTES, kept.bytes());
    text(Member.FILE, kept.file());
    out.writeEndObject();
  }

  private void write(AttemptRecord one) {
    out.writeStartObject();
    text(Member.OUTCOME, one.outcome().word());
    text(Member.STARTED_AT, times.text(one.startedAt()));
    out.writeNumberProperty(Member.TOOK_MICROS, one.tookMicros());
    asked(one.exchanges(), one.queries(), one.problem());
    text(Member.PRINTED, one.printed());
    out.writeEndObject();
  }

  private void asked(
      List<ExchangeRecord> exchanges, List<LookRecord> queries, @Nullable ProblemRecord problem) {
    exchanges(Member.EXCHANGES, exchanges);
    if (!queries.isEmpty()) {
      out.writeArrayPropertyStart(Member.QUERIES);
      queries.forEach(asked::write);
      out.writeEndArray();
    }
    if (problem != null) {
      write(problem);
    }
  }

  private void exchanges(String name, List<ExchangeRecord> exchanges) {
    if (!exchanges.isEmpty()) {
      out.writeArrayPropertyStart(name);
      exchanges.forEach(asked::write);
      out.writeEndArray();
    }
  }

  private void write(ProblemRecord problem) {
    out.writeObjectPropertyStart(Member.PROBLEM);
    text(Member.TYPE, problem.type());
    text(Member.MESSAGE, problem.message());
    text(Member.AT, problem.at());
    text(Member.STACK, problem.stack());
    if (problem.source() != null) {
      write(problem.source());
    }
    out.writeEndObject();
  }

  private void write(SourceRecord source) {
    out.writeObjectPropertyStart(Member.SOURCE);
    text(Member.FILE, source.file());
    out.writeNumberProperty(Member.FIRST, source.first());
    if (source.marked() > 0) {
      out.writeNumberProperty(Member.MARKED, source.marked());
    }
    texts(Member.LINES, source.lines());
    out.writeEndObject();
  }

  private void texts(String name, List<String> texts) {
    asked.texts(name, texts);
  }

  private void text(String name, @Nullable String text) {
    asked.text(name, text);
  }
}
