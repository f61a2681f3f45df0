package org.oddlantern.internal.journal;

import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.Header;
import org.oddlantern.evidence.Verdict;
import org.oddlantern.internal.record.AttemptRecord;
import org.oddlantern.internal.record.BodyRecord;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.ExchangeRecord;
import org.oddlantern.internal.record.KeptRecord;
import org.oddlantern.internal.record.Mark;
import org.oddlantern.internal.record.ProblemRecord;
import org.oddlantern.internal.record.QueryRecord;
import org.oddlantern.internal.record.RecordKind;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.internal.record.SourceRecord;
import org.oddlantern.internal.record.StepRecord;
import org.oddlantern.internal.record.TimeText;
import org.oddlantern.json.Finding;
import org.oddlantern.json.internal.WellFormed;
import tools.jackson.core.JsonGenerator;

/**
 * Writes one event as a line of the journal, member by member: much cheaper than by reflection, and the
 * journal is written while cases run. What is empty is left out.
 */
record EventLine(JsonGenerator out, TimeText times) {

  void write(RunEvent event) {
    out.writeStartObject();
    if (event instanceof RunEvent.CaseFinished finished) {
      text("event", "case-finished");
      out.writeName("case");
      write(finished.record());
    } else if (event instanceof RunEvent.Started started) {
      write(started);
    } else if (event instanceof RunEvent.UndoNoted noted) {
      text("event", "undo-noted");
      text("id", noted.id());
      text("call", noted.call());
    } else if (event instanceof RunEvent.CaseBegan began) {
      text("event", "case-began");
      text("id", began.id());
      text("suite", began.suite());
      text("title", began.title());
      out.writeNumberProperty("lane", began.lane());
    } else if (event instanceof RunEvent.PutBackBegan began) {
      text("event", "put-back-began");
      text("id", began.id());
      text("deed", began.deed());
    } else if (event instanceof RunEvent.ProblemFound found) {
      text("event", "problem-found");
      text("problem", found.problem());
    } else if (event instanceof RunEvent.PutBack putBack) {
      write(putBack);
    } else if (event instanceof RunEvent.Ended ended) {
      write(ended);
    }
    out.writeEndObject();
  }

  private void write(RunEvent.Started started) {
    text("event", "run-started");
    out.writeNumberProperty("format", started.format());
    text("run", started.run());
    text("name", started.name());
    text("environment", started.environment());
    text("seed", started.seed());
    text("startedAt", started.startedAt().toString());
    out.writeNumberProperty("cases", started.cases());
    out.writeNumberProperty("suites", started.suites());
    if (started.lanes() > 1) {
      out.writeNumberProperty("lanes", started.lanes());
    }
    if (!started.part().isEmpty()) {
      text("part", started.part());
    }
    texts("warnings", started.warnings());
  }

  private void write(RunEvent.PutBack putBack) {
    text("event", "put-back");
    text("id", putBack.id());
    text("deed", putBack.deed());
    text("problem", putBack.problem());
    exchanges("exchanges", putBack.exchanges());
  }

  private void write(RunEvent.Ended ended) {
    text("event", "run-ended");
    text("endedAt", ended.endedAt().toString());
    out.writeNumberProperty("tookMicros", ended.tookMicros());
    out.writeObjectPropertyStart("counts");
    for (Map.Entry<String, Integer> count : ended.counts().entrySet()) {
      out.writeNumberProperty(count.getKey(), count.getValue());
    }
    out.writeEndObject();
    out.writeNumberProperty("leftBehind", ended.leftBehind());
    if (ended.stopped()) {
      out.writeBooleanProperty("stopped", true);
    }
    texts("warnings", ended.warnings());
  }

  private void write(CaseRecord one) {
    out.writeStartObject();
    if (one.kind() == RecordKind.SUPPLY) {
      text("kind", OutcomeLine.SUPPLY);
    }
    text("id", one.id());
    text("suite", one.suite());
    text("title", one.title());
    text("place", one.place());
    out.writeNumberProperty("order", one.order());
    text("whose", one.whose());
    if (one.lane() > 0) {
      out.writeNumberProperty("lane", one.lane());
    }
    text("outcome", one.outcome().word());
    texts("marks", one.marks().stream().map(Mark::word).toList());
    text("startedAt", times.text(one.startedAt()));
    out.writeNumberProperty("tookMicros", one.tookMicros());
    if (!one.earlier().isEmpty()) {
      out.writeArrayPropertyStart("earlier");
      one.earlier().forEach(this::write);
      out.writeEndArray();
    }
    deeds(one.exchanges(), one.queries(), one.problem());
    text("knownFault", one.knownFault());
    text("printed", one.printed());
    if (!one.steps().isEmpty()) {
      out.writeArrayPropertyStart("steps");
      one.steps().forEach(this::write);
      out.writeEndArray();
    }
    if (!one.kept().isEmpty()) {
      out.writeArrayPropertyStart("kept");
      one.kept().forEach(this::write);
      out.writeEndArray();
    }
    texts("waitedFor", one.waitedFor());
    if (one.source() != null) {
      write(one.source());
    }
    out.writeEndObject();
  }

  private void write(StepRecord step) {
    out.writeStartObject();
    text("words", step.words());
    out.writeNumberProperty("after", step.after());
    text("startedAt", times.text(step.startedAt()));
    out.writeEndObject();
  }

  private void write(KeptRecord kept) {
    out.writeStartObject();
    text("name", kept.name());
    text("contentType", kept.contentType());
    out.writeNumberProperty("bytes", kept.bytes());
    text("file", kept.file());
    out.writeEndObject();
  }

  private void write(AttemptRecord one) {
    out.writeStartObject();
    text("outcome", one.outcome().word());
    text("startedAt", times.text(one.startedAt()));
    out.writeNumberProperty("tookMicros", one.tookMicros());
    deeds(one.exchanges(), one.queries(), one.problem());
    text("printed", one.printed());
    out.writeEndObject();
  }

  private void deeds(
      List<ExchangeRecord> exchanges, List<QueryRecord> queries, @Nullable ProblemRecord problem) {
    exchanges("exchanges", exchanges);
    if (!queries.isEmpty()) {
      out.writeArrayPropertyStart("queries");
      queries.forEach(this::write);
      out.writeEndArray();
    }
    if (problem != null) {
      write(problem);
    }
  }

  private void exchanges(String name, List<ExchangeRecord> exchanges) {
    if (!exchanges.isEmpty()) {
      out.writeArrayPropertyStart(name);
      exchanges.forEach(this::write);
      out.writeEndArray();
    }
  }

  private void write(ProblemRecord problem) {
    out.writeObjectPropertyStart("problem");
    text("type", problem.type());
    text("message", problem.message());
    text("at", problem.at());
    text("stack", problem.stack());
    if (problem.source() != null) {
      write(problem.source());
    }
    out.writeEndObject();
  }

  private void write(SourceRecord source) {
    out.writeObjectPropertyStart("source");
    text("file", source.file());
    out.writeNumberProperty("first", source.first());
    if (source.marked() > 0) {
      out.writeNumberProperty("marked", source.marked());
    }
    texts("lines", source.lines());
    out.writeEndObject();
  }

  private void write(ExchangeRecord exchange) {
    out.writeStartObject();
    text("name", exchange.name());
    text("service", exchange.service());
    text("template", exchange.template());
    text("method", exchange.method());
    text("url", exchange.url());
    headers("requestHeaders", exchange.requestHeaders());
    body("requestBody", exchange.requestBody());
    out.writeNumberProperty("status", exchange.status());
    text("reason", exchange.reason());
    headers("replyHeaders", exchange.replyHeaders());
    body("replyBody", exchange.replyBody());
    text("sentAt", times.text(exchange.sentAt()));
    out.writeNumberProperty("tookMicros", exchange.tookMicros());
    text("fault", exchange.fault());
    verdicts(exchange.verdicts());
    texts("variables", exchange.variables());
    out.writeEndObject();
  }

  private void write(QueryRecord query) {
    out.writeStartObject();
    text("database", query.database());
    text("sql", query.sql());
    texts("parameters", query.parameters());
    text("answer", query.answer());
    out.writeNumberProperty("after", query.after());
    text("sentAt", times.text(query.sentAt()));
    out.writeNumberProperty("tookMicros", query.tookMicros());
    text("fault", query.fault());
    verdicts(query.verdicts());
    out.writeEndObject();
  }

  private void verdicts(List<Verdict> verdicts) {
    if (!verdicts.isEmpty()) {
      out.writeArrayPropertyStart("verdicts");
      verdicts.forEach(this::write);
      out.writeEndArray();
    }
  }

  private void write(Verdict verdict) {
    out.writeStartObject();
    text("check", verdict.check());
    if (verdict.warning()) {
      out.writeBooleanProperty("warning", true);
    }
    if (verdict.sent()) {
      out.writeBooleanProperty("sent", true);
    }
    if (!verdict.holds()) {
      out.writeArrayPropertyStart("findings");
      verdict.findings().forEach(this::write);
      out.writeEndArray();
    }
    out.writeEndObject();
  }

  private void write(Finding finding) {
    out.writeStartObject();
    text("where", finding.where());
    text("item", finding.item());
    text("wanted", finding.wanted());
    text("got", finding.got());
    texts("hints", finding.hints());
    texts("places", finding.places());
    out.writeEndObject();
  }

  private void headers(String name, List<Header> headers) {
    if (headers.isEmpty()) {
      return;
    }
    out.writeArrayPropertyStart(name);
    for (Header header : headers) {
      out.writeStartArray();
      out.writeString(WellFormed.of(header.name()));
      out.writeString(WellFormed.of(header.value()));
      out.writeEndArray();
    }
    out.writeEndArray();
  }

  private void body(String name, BodyRecord body) {
    if (body.bytes() == 0) {
      return;
    }
    out.writeObjectPropertyStart(name);
    out.writeNumberProperty("bytes", body.bytes());
    text("text", body.text());
    text("file", body.file());
    if (!body.parts().isEmpty()) {
      out.writeArrayPropertyStart("parts");
      body.parts().forEach(this::write);
      out.writeEndArray();
    }
    out.writeEndObject();
  }

  private void write(BodyRecord.Part part) {
    out.writeStartObject();
    text("name", part.name());
    text("fileName", part.fileName());
    text("contentType", part.contentType());
    out.writeNumberProperty("bytes", part.bytes());
    text("text", part.text());
    out.writeEndObject();
  }

  private void texts(String name, List<String> texts) {
    if (texts.isEmpty()) {
      return;
    }
    out.writeArrayPropertyStart(name);
    texts.forEach(text -> out.writeString(WellFormed.of(text)));
    out.writeEndArray();
  }

  private void text(String name, @Nullable String text) {
    if (text != null && !text.isEmpty()) {
      out.writeStringProperty(name, WellFormed.of(text));
    }
  }
}
