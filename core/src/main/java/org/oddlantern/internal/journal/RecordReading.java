package org.oddlantern.internal.journal;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.Header;
import org.oddlantern.evidence.Verdict;
import org.oddlantern.internal.AgreedReplies;
import org.oddlantern.internal.record.AgreedRecord;
import org.oddlantern.internal.record.AttemptRecord;
import org.oddlantern.internal.record.BodyRecord;
import org.oddlantern.internal.record.CaseEnding;
import org.oddlantern.internal.record.CaseHead;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.CaseTiming;
import org.oddlantern.internal.record.CaseTrail;
import org.oddlantern.internal.record.ExchangeRecord;
import org.oddlantern.internal.record.KeptRecord;
import org.oddlantern.internal.record.LogRecord;
import org.oddlantern.internal.record.LookRecord;
import org.oddlantern.internal.record.Mark;
import org.oddlantern.internal.record.Outcome;
import org.oddlantern.internal.record.ProblemRecord;
import org.oddlantern.internal.record.RecipeRecord;
import org.oddlantern.internal.record.RecordKind;
import org.oddlantern.internal.record.SentFile;
import org.oddlantern.internal.record.SourceRecord;
import org.oddlantern.internal.record.StepRecord;
import org.oddlantern.json.Finding;

/** Reads the records that {@link EventLine} writes. */
final class RecordReading {

  private static final Map<String, Outcome> OUTCOMES = byWord(Outcome.values(), Outcome::word);
  private static final Map<String, AgreedReplies.State> AGREED_STATES =
      byWord(AgreedReplies.State.values(), state -> state.name().toLowerCase(Locale.ROOT));
  private static final Map<String, Mark> MARKS = byWord(Mark.values(), Mark::word);

  private RecordReading() {}

  /** The outcome of a word; null if there is none. */
  static @Nullable Outcome outcome(String word) {
    return OUTCOMES.get(word);
  }

  static CaseRecord caseRecord(Members one) {
    return new CaseRecord(
        head(one),
        new CaseTiming(
            one.count(Member.ORDER),
            one.count(Member.LANE),
            one.time(Member.STARTED_AT),
            one.number(Member.TOOK_MICROS),
            one.texts(Member.WAITED_FOR)),
        new CaseEnding(
            one.word(Member.OUTCOME, OUTCOMES::get),
            marks(one),
            one.part(Member.PROBLEM, RecordReading::problem)),
        one.list(Member.EARLIER, RecordReading::attempt),
        new CaseTrail(
            one.list(Member.EXCHANGES, RecordReading::exchange),
            one.list(Member.QUERIES, RecordReading::query),
            one.text(Member.PRINTED),
            one.list(Member.STEPS, RecordReading::step),
            one.list(Member.KEPT, RecordReading::kept),
            one.list(Member.AGREED, RecordReading::agreed)),
        one.part(Member.SOURCE, RecordReading::source));
  }

  static ExchangeRecord exchange(Members one) {
    return new ExchangeRecord(
        new ExchangeRecord.Origin(
            one.text(Member.NAME),
            one.text(Member.SERVICE),
            one.text(Member.TEMPLATE),
            one.truth(Member.VISIT),
            one.text(Member.TRACES)),
        new ExchangeRecord.Request(
            one.text(Member.METHOD),
            one.text(Member.URL),
            headers(one, Member.REQUEST_HEADERS),
            body(one, Member.REQUEST_BODY),
            one.texts(Member.VARIABLES),
            sentFile(one.textOrNull(Member.SENT_FILE))),
        new ExchangeRecord.Reply(
            one.count(Member.STATUS),
            one.text(Member.REASON),
            headers(one, Member.REPLY_HEADERS),
            body(one, Member.REPLY_BODY)),
        one.time(Member.SENT_AT),
        one.number(Member.TOOK_MICROS),
        one.textOrNull(Member.FAULT),
        one.list(Member.VERDICTS, RecordReading::verdict),
        one.part(
            Member.LOG, log -> new LogRecord(log.truth(Member.NAMED), log.texts(Member.LINES))));
  }

  private static CaseHead head(Members one) {
    boolean supply = one.text(Member.KIND).equals(OutcomeLine.SUPPLY);
    return new CaseHead(
        supply ? RecordKind.SUPPLY : RecordKind.CASE,
        one.text(Member.ID),
        one.text(Member.SUITE),
        one.text(Member.TITLE),
        one.text(Member.PLACE),
        one.text(Member.WHOSE),
        one.text(Member.KNOWN_FAULT),
        one.part(
            Member.RECIPE,
            recipe -> new RecipeRecord(recipe.text(Member.WHAT), recipe.truth(Member.BREAKS))));
  }

  private static List<Mark> marks(Members one) {
    return one.texts(Member.MARKS).stream().map(RecordReading::mark).toList();
  }

  /** The mark of a word. */
  static Mark mark(String word) {
    Mark mark = MARKS.get(word);
    if (mark == null) {
      throw new Members.Misread("the mark '" + word + "' is unknown");
    }
    return mark;
  }

  private static AttemptRecord attempt(Members one) {
    return new AttemptRecord(
        one.word(Member.OUTCOME, OUTCOMES::get),
        one.time(Member.STARTED_AT),
        one.number(Member.TOOK_MICROS),
        one.list(Member.EXCHANGES, RecordReading::exchange),
        one.list(Member.QUERIES, RecordReading::query),
        one.part(Member.PROBLEM, RecordReading::problem),
        one.text(Member.PRINTED));
  }

  private static LookRecord query(Members one) {
    return new LookRecord(
        new LookRecord.Asked(
            one.text(Member.DATABASE), one.text(Member.SQL), one.texts(Member.PARAMETERS)),
        one.text(Member.ANSWER),
        one.count(Member.AFTER),
        one.time(Member.SENT_AT),
        one.number(Member.TOOK_MICROS),
        one.textOrNull(Member.FAULT),
        one.list(Member.VERDICTS, RecordReading::verdict));
  }

  private static ProblemRecord problem(Members one) {
    return new ProblemRecord(
        one.text(Member.TYPE),
        one.text(Member.MESSAGE),
        one.text(Member.AT),
        one.text(Member.STACK),
        one.part(Member.SOURCE, RecordReading::source));
  }

  private static SourceRecord source(Members one) {
    return new SourceRecord(
        one.text(Member.FILE),
        one.count(Member.FIRST),
        one.count(Member.MARKED),
        one.texts(Member.LINES));
  }

  private static StepRecord step(Members one) {
    return new StepRecord(
        one.text(Member.WORDS), one.count(Member.AFTER), one.time(Member.STARTED_AT));
  }

  private static KeptRecord kept(Members one) {
    return new KeptRecord(
        one.text(Member.NAME),
        one.text(Member.CONTENT_TYPE),
        one.number(Member.BYTES),
        one.textOrNull(Member.FILE),
        null);
  }

  private static AgreedRecord agreed(Members one) {
    return new AgreedRecord(
        one.text(Member.FILE),
        one.word(Member.STATE, AGREED_STATES::get),
        one.texts(Member.OPEN),
        one.textOrNull(Member.CAME),
        null);
  }

  private static Verdict verdict(Members one) {
    return new Verdict(
        one.text(Member.CHECK),
        one.truth(Member.WARNING),
        one.truth(Member.SENT),
        one.list(Member.FINDINGS, RecordReading::finding));
  }

  private static Finding finding(Members one) {
    return new Finding(
        one.text(Member.WHERE),
        one.text(Member.ITEM),
        one.text(Member.WANTED),
        one.text(Member.GOT),
        one.texts(Member.HINTS),
        one.texts(Member.PLACES),
        one.truth(Member.ABSENT));
  }

  private static List<Header> headers(Members one, String name) {
    return one.pairs(name, Header::new);
  }

  private static @Nullable SentFile sentFile(@Nullable String name) {
    return name == null ? null : new SentFile(name, null);
  }

  private static BodyRecord body(Members one, String name) {
    BodyRecord body = one.part(name, RecordReading::body);
    return body == null ? BodyRecord.NONE : body;
  }

  private static BodyRecord body(Members one) {
    return new BodyRecord(
        one.number(Member.BYTES),
        one.textOrNull(Member.TEXT),
        one.textOrNull(Member.FILE),
        one.list(Member.PARTS, RecordReading::part));
  }

  private static BodyRecord.FormPart part(Members one) {
    return new BodyRecord.FormPart(
        one.text(Member.NAME),
        one.text(Member.FILE_NAME),
        one.text(Member.CONTENT_TYPE),
        one.number(Member.BYTES),
        one.textOrNull(Member.TEXT));
  }

  private static <T> Map<String, T> byWord(T[] values, Function<T, String> word) {
    return Arrays.stream(values).collect(Collectors.toMap(word, Function.identity()));
  }
}
