package org.oddlantern.internal.journal;

import org.jspecify.annotations.Nullable;
import org.oddlantern.internal.record.DescribedRecord;
import org.oddlantern.json.internal.WellFormed;
import org.oddlantern.shaded.tools.jackson.core.JsonGenerator;

/** Writes and reads how a service is described, as members of a line. */
record DescribedLine(JsonGenerator out) {

  void write(DescribedRecord described) {
    text(Member.EVENT, EventName.DESCRIBED);
    text(Member.SERVICE, described.service());
    text(Member.ADDRESS, described.address());
    text(Member.FROM, described.from());
    out.writeArrayPropertyStart(Member.DOCUMENTS);
    for (DescribedRecord.Copy one : described.documents()) {
      out.writeStartObject();
      text(Member.NAME, one.name());
      text(Member.URI, one.uri());
      text(Member.TEXT, one.text());
      text(Member.FILE, one.file());
      out.writeEndObject();
    }
    out.writeEndArray();
  }

  private void text(String name, @Nullable String text) {
    if (text != null && !text.isEmpty()) {
      out.writeStringProperty(name, WellFormed.of(text));
    }
  }

  static DescribedRecord read(Members line) {
    return new DescribedRecord(
        line.text(Member.SERVICE),
        line.text(Member.ADDRESS),
        line.text(Member.FROM),
        line.list(
            Member.DOCUMENTS,
            one -> new DescribedRecord.Copy(
                one.text(Member.NAME),
                one.text(Member.URI),
                one.textOrNull(Member.TEXT),
                one.textOrNull(Member.FILE))));
  }
}
