package org.oddlantern.internal.journal;

import java.util.List;
import org.oddlantern.internal.promise.Promise;
import org.oddlantern.internal.promise.PromiseDocument;
import org.oddlantern.internal.promise.SampleTable;
import org.oddlantern.internal.promise.TitledCase;
import org.oddlantern.internal.record.RunEvent;
import org.oddlantern.json.internal.WellFormed;
import org.oddlantern.shaded.tools.jackson.core.JsonGenerator;

/** Writes and reads what documents promise, as members of a line. */
record PromisedLine(JsonGenerator out) {

  void write(RunEvent.Promised promised) {
    text(Member.EVENT, EventName.PROMISED);
    out.writeArrayPropertyStart(Member.DOCUMENTS);
    promised.documents().forEach(this::write);
    out.writeEndArray();
    out.writeArrayPropertyStart(Member.UNPROMISED);
    for (TitledCase one : promised.unpromised()) {
      out.writeStartObject();
      text(Member.ID, one.id());
      text(Member.SUITE, one.suite());
      text(Member.TITLE, one.title());
      out.writeEndObject();
    }
    out.writeEndArray();
  }

  private void write(PromiseDocument document) {
    out.writeStartObject();
    text(Member.FILE, document.file());
    text(Member.TEXT, document.text());
    out.writeArrayPropertyStart(Member.PROMISES);
    document.promises().forEach(this::write);
    out.writeEndArray();
    out.writeEndObject();
  }

  private void write(Promise promise) {
    out.writeStartObject();
    out.writeNumberProperty(Member.LINE, promise.line());
    if (promise.above() > 0) {
      out.writeNumberProperty(Member.ABOVE, promise.above());
    }
    text(Member.WORDS, promise.words());
    texts(Member.CASES, promise.cases());
    text(Member.HINT, promise.hint());
    SampleTable samples = promise.samples();
    if (samples != null) {
      write(samples);
    }
    out.writeEndObject();
  }

  private void write(SampleTable samples) {
    out.writeObjectPropertyStart(Member.SAMPLES);
    text(Member.FILE, samples.file());
    texts(Member.COLUMNS, samples.columns());
    out.writeArrayPropertyStart(Member.ROWS);
    for (SampleTable.Row row : samples.rows()) {
      out.writeStartObject();
      text(Member.CASE, row.caseId());
      texts(Member.CELLS, row.cells());
      out.writeEndObject();
    }
    out.writeEndArray();
    out.writeEndObject();
  }

  private void text(String name, String text) {
    if (!text.isEmpty()) {
      out.writeStringProperty(name, WellFormed.of(text));
    }
  }

  private void texts(String name, List<String> texts) {
    out.writeArrayPropertyStart(name);
    texts.forEach(text -> out.writeString(WellFormed.of(text)));
    out.writeEndArray();
  }

  static RunEvent.Promised read(Members line) {
    return new RunEvent.Promised(
        line.list(Member.DOCUMENTS, PromisedLine::document),
        line.list(
            Member.UNPROMISED,
            one -> new TitledCase(
                one.text(Member.ID),
                one.text(Member.SUITE),
                one.text(Member.TITLE),
                List.of(),
                List.of())));
  }

  private static PromiseDocument document(Members document) {
    return new PromiseDocument(
        document.text(Member.FILE),
        document.text(Member.TEXT),
        document.list(
            Member.PROMISES,
            one -> new Promise(
                one.count(Member.LINE),
                one.count(Member.ABOVE),
                one.text(Member.WORDS),
                one.texts(Member.CASES),
                one.text(Member.HINT),
                one.part(Member.SAMPLES, PromisedLine::table))));
  }

  private static SampleTable table(Members table) {
    return new SampleTable(
        table.text(Member.FILE),
        table.texts(Member.COLUMNS),
        table.list(
            Member.ROWS,
            row -> new SampleTable.Row(row.text(Member.CASE), row.texts(Member.CELLS))));
  }
}
