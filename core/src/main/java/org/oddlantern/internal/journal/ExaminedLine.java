package org.oddlantern.internal.journal;

import java.util.ArrayList;
import java.util.List;
import org.oddlantern.internal.record.ExaminedAnswer;
import org.oddlantern.internal.record.ExaminedRecord;
import org.oddlantern.internal.record.OperationRecord;
import org.oddlantern.internal.record.Watch;
import org.oddlantern.internal.record.WatchedPlace;
import org.oddlantern.json.internal.WellFormed;
import org.oddlantern.shaded.tools.jackson.core.JsonGenerator;

/**
 * Writes and reads what a case would notice, as members of a line. Places that are watched by value, which
 * are many and have nothing else to say, are a list of their names.
 */
record ExaminedLine(JsonGenerator out) {

  void write(ExaminedRecord examined) {
    text(Member.EVENT, EventName.CASE_EXAMINED);
    text(Member.ID, examined.id());
    text(Member.REASON, examined.reason());
    out.writeNumberProperty(Member.TOOK_MICROS, examined.tookMicros());
    out.writeNumberProperty(Member.AGAIN_MICROS, examined.againMicros());
    out.writeNumberProperty(Member.TRIED, examined.tried());
    if (examined.untried() > 0) {
      out.writeNumberProperty(Member.UNTRIED, examined.untried());
    }
    if (!examined.answers().isEmpty()) {
      out.writeArrayPropertyStart(Member.ANSWERS);
      examined.answers().forEach(this::write);
      out.writeEndArray();
    }
  }

  private void write(ExaminedAnswer answer) {
    OperationRecord operation = answer.operation();
    out.writeStartObject();
    text(Member.SERVICE, operation.service());
    text(Member.METHOD, operation.method());
    text(Member.TEMPLATE, operation.template());
    out.writeNumberProperty(Member.STATUS, operation.status());
    out.writeNumberProperty(Member.NUMBER, answer.number());
    texts(
        Member.BY_VALUE,
        answer.places().stream()
            .filter(ExaminedLine::isPlain)
            .map(WatchedPlace::place)
            .toList());
    out.writeArrayPropertyStart(Member.PLACES);
    answer.places().stream().filter(place -> !isPlain(place)).forEach(this::write);
    out.writeEndArray();
    out.writeEndObject();
  }

  private static boolean isPlain(WatchedPlace place) {
    return place.watch() == Watch.BY_VALUE
        && place.carried().isEmpty()
        && place.unnoticed().isEmpty();
  }

  private void write(WatchedPlace place) {
    out.writeStartObject();
    text(Member.PLACE, place.place());
    text(Member.WATCH, place.watch().word());
    texts(Member.UNNOTICED, place.unnoticed());
    text(Member.CARRIED, place.carried());
    text(Member.KNOWN, place.known());
    text(Member.CODE, place.line());
    out.writeEndObject();
  }

  private void text(String name, String text) {
    if (!text.isEmpty()) {
      out.writeStringProperty(name, WellFormed.of(text));
    }
  }

  private void texts(String name, List<String> texts) {
    if (!texts.isEmpty()) {
      out.writeArrayPropertyStart(name);
      texts.forEach(text -> out.writeString(WellFormed.of(text)));
      out.writeEndArray();
    }
  }

  static ExaminedRecord read(Members line) {
    return new ExaminedRecord(
        line.text(Member.ID),
        line.text(Member.REASON),
        line.number(Member.TOOK_MICROS),
        line.number(Member.AGAIN_MICROS),
        line.count(Member.TRIED),
        line.count(Member.UNTRIED),
        line.list(Member.ANSWERS, ExaminedLine::answer));
  }

  private static ExaminedAnswer answer(Members answer) {
    List<WatchedPlace> places = new ArrayList<>();
    for (String place : answer.texts(Member.BY_VALUE)) {
      places.add(new WatchedPlace(place, Watch.BY_VALUE, List.of(), "", "", ""));
    }
    places.addAll(answer.list(Member.PLACES, ExaminedLine::place));
    return new ExaminedAnswer(
        new OperationRecord(
            answer.text(Member.SERVICE),
            answer.text(Member.METHOD),
            answer.text(Member.TEMPLATE),
            answer.count(Member.STATUS)),
        answer.count(Member.NUMBER),
        places);
  }

  private static WatchedPlace place(Members place) {
    return new WatchedPlace(
        place.text(Member.PLACE),
        place.word(Member.WATCH, Watch::of),
        place.texts(Member.UNNOTICED),
        place.text(Member.CARRIED),
        place.text(Member.KNOWN),
        place.text(Member.CODE));
  }
}
