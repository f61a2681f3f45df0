package org.oddlantern.internal.journal;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.Header;
import org.oddlantern.evidence.Verdict;
import org.oddlantern.internal.record.BodyRecord;
import org.oddlantern.internal.record.ExchangeRecord;
import org.oddlantern.internal.record.LogRecord;
import org.oddlantern.internal.record.LookRecord;
import org.oddlantern.internal.record.TimeText;
import org.oddlantern.json.Finding;
import org.oddlantern.json.internal.WellFormed;
import org.oddlantern.shaded.tools.jackson.core.JsonGenerator;

/** Writes what a case asked, and what it found of the answers, as members of a line. */
record AskedLine(JsonGenerator out, TimeText times) {

  void write(ExchangeRecord exchange) {
    out.writeStartObject();
    text(Member.NAME, exchange.name());
    text(Member.SERVICE, exchange.service());
    text(Member.TEMPLATE, exchange.template());
    if (exchange.isVisit()) {
      out.writeBooleanProperty(Member.VISIT, true);
    }
    text(Member.TRACES, exchange.origin().traces());
    text(Member.METHOD, exchange.method());
    text(Member.URL, exchange.url());
    headers(Member.REQUEST_HEADERS, exchange.requestHeaders());
    body(Member.REQUEST_BODY, exchange.requestBody());
    text(
        Member.SENT_FILE,
        exchange.sentFile() == null ? null : exchange.sentFile().name());
    out.writeNumberProperty(Member.STATUS, exchange.status());
    text(Member.REASON, exchange.reason());
    headers(Member.REPLY_HEADERS, exchange.replyHeaders());
    body(Member.REPLY_BODY, exchange.replyBody());
    text(Member.SENT_AT, times.text(exchange.sentAt()));
    out.writeNumberProperty(Member.TOOK_MICROS, exchange.tookMicros());
    text(Member.FAULT, exchange.fault());
    verdicts(exchange.verdicts());
    texts(Member.VARIABLES, exchange.variables());
    LogRecord log = exchange.log();
    if (log != null) {
      out.writeObjectPropertyStart(Member.LOG);
      out.writeBooleanProperty(Member.NAMED, log.named());
      texts(Member.LINES, log.lines());
      out.writeEndObject();
    }
    out.writeEndObject();
  }

  void write(LookRecord query) {
    out.writeStartObject();
    text(Member.DATABASE, query.at());
    text(Member.SQL, query.sql());
    texts(Member.PARAMETERS, query.parameters());
    text(Member.ANSWER, query.answer());
    out.writeNumberProperty(Member.AFTER, query.after());
    text(Member.SENT_AT, times.text(query.sentAt()));
    out.writeNumberProperty(Member.TOOK_MICROS, query.tookMicros());
    text(Member.FAULT, query.fault());
    verdicts(query.verdicts());
    out.writeEndObject();
  }

  private void verdicts(List<Verdict> verdicts) {
    if (!verdicts.isEmpty()) {
      out.writeArrayPropertyStart(Member.VERDICTS);
      verdicts.forEach(this::write);
      out.writeEndArray();
    }
  }

  private void write(Verdict verdict) {
    out.writeStartObject();
    text(Member.CHECK, verdict.check());
    if (verdict.warning()) {
      out.writeBooleanProperty(Member.WARNING, true);
    }
    if (verdict.sent()) {
      out.writeBooleanProperty(Member.SENT, true);
    }
    if (!verdict.holds()) {
      out.writeArrayPropertyStart(Member.FINDINGS);
      verdict.findings().forEach(this::write);
      out.writeEndArray();
    }
    out.writeEndObject();
  }

  private void write(Finding finding) {
    out.writeStartObject();
    text(Member.WHERE, finding.where());
    text(Member.ITEM, finding.item());
    text(Member.WANTED, finding.wanted());
    text(Member.GOT, finding.got());
    texts(Member.HINTS, finding.hints());
    texts(Member.PLACES, finding.places());
    if (finding.absent()) {
      out.writeBooleanProperty(Member.ABSENT, true);
    }
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
    out.writeNumberProperty(Member.BYTES, body.bytes());
    text(Member.TEXT, body.text());
    text(Member.FILE, body.file());
    if (!body.parts().isEmpty()) {
      out.writeArrayPropertyStart(Member.PARTS);
      body.parts().forEach(this::write);
      out.writeEndArray();
    }
    out.writeEndObject();
  }

  private void write(BodyRecord.FormPart part) {
    out.writeStartObject();
    text(Member.NAME, part.name());
    text(Member.FILE_NAME, part.fileName());
    text(Member.CONTENT_TYPE, part.contentType());
    out.writeNumberProperty(Member.BYTES, part.bytes());
    text(Member.TEXT, part.text());
    out.writeEndObject();
  }

  void texts(String name, List<String> texts) {
    if (texts.isEmpty()) {
      return;
    }
    out.writeArrayPropertyStart(name);
    texts.forEach(text -> out.writeString(WellFormed.of(text)));
    out.writeEndArray();
  }

  void text(String name, @Nullable String text) {
    if (text != null && !text.isEmpty()) {
      out.writeStringProperty(name, WellFormed.of(text));
    }
  }
}
