package org.oddlantern.http;

import java.net.URI;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.oddlantern.evidence.Check;
import org.oddlantern.evidence.CheckFailed;
import org.oddlantern.evidence.Cookie;
import org.oddlantern.evidence.Evidence;
import org.oddlantern.evidence.Headers;
import org.oddlantern.evidence.Verdict;
import org.oddlantern.evidence.internal.BodyText;
import org.oddlantern.http.internal.CaseRecorder;
import org.oddlantern.http.internal.Described;
import org.oddlantern.http.internal.Exchange;
import org.oddlantern.http.internal.UnseenStatus;
import org.oddlantern.http.internal.WireReply;
import org.oddlantern.internal.CsvTable;
import org.oddlantern.internal.Needed;
import org.oddlantern.internal.described.Deviation;
import org.oddlantern.internal.described.KnownDescriptions;
import org.oddlantern.json.Finding;
import org.oddlantern.json.Json;
import org.oddlantern.json.NotJson;
import org.oddlantern.json.Secret;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.json.internal.Words;
import org.oddlantern.json.internal.path.TreePath;
import org.oddlantern.shaded.tools.jackson.databind.JsonNode;
import org.oddlantern.xml.Xml;

/**
 * What came back. A reply with an error status (4xx, 5xx) that no status check and no call of {@link
 * #status()} looked at fails its case. Thread-safe.
 *
 * <pre>{@code
 * HiveId id = beeyard.send(Call.post("/hives").json(hive))
 *         .must(status(201), at("$.id", wholeNumber()))
 *         .valueAt("$.id", HiveId.class);
 * }</pre>
 */
public final class Reply implements Evidence {

  private final Exchange exchange;
  private final WireReply wire;
  private final JsonMapping mapping;
  private final CaseRecorder recorder;
  private final Attention attention;
  private final ReplyJudging judging;
  private volatile @Nullable JsonNode tree;

  /**
   * A reply.
   *
   * @param dueAtOnce whether what is due at the end of a case is due with the first checks, since there
   *     is no case whose end could come
   */
  Reply(
      Exchange exchange,
      WireReply wire,
      JsonMapping mapping,
      Attention attention,
      CaseRecorder recorder,
      boolean dueAtOnce) {
    this.exchange = exchange;
    this.wire = wire;
    this.mapping = mapping;
    this.attention = attention;
    this.recorder = recorder;
    this.judging = new ReplyJudging(this, attention, dueAtOnce);
  }

  /** A reply that no case asked for, such as one that brings a token. */
  static Reply unasked(
      Exchange exchange, WireReply wire, JsonMapping mapping, CaseRecorder recorder) {
    Attention none = new Attention(exchange, wire, mapping, List.of(), false);
    return new Reply(exchange, wire, mapping, none, recorder, false);
  }

  @Override
  public String title() {
    return exchange.line() + ", answered " + wire.statusLine();
  }

  @Override
  public String summary() {
    String type =
        headers().first("Content-Type").map(value -> value + ", ").orElse("no content type, ");
    return wire.statusLine() + ", " + type
        + (wire.body().length == 0 ? "an empty body" : told(decoded()));
  }

  private static String told(BodyText body) {
    return "a body that begins: " + Words.cut(body.text())
        + (body.problem().isEmpty() ? "" : " (" + body.problem() + ")");
  }

  /**
   * The status code. Who reads it has looked at it: an error status then is no failure by itself.
   *
   * @return the status code
   */
  public int status() {
    attention.statusSeen();
    return wire.status();
  }

  @Override
  public Headers headers() {
    return wire.headers();
  }

  /**
   * What the call and this reply do otherwise than the description of the service says; for checks.
   *
   * @return the findings; one that says so if the service has no description
   */
  public List<Finding> notAsDescribed() {
    Described described = exchange.origin().described();
    if (described == null) {
      return List.of(
          Finding.of("the service", "one that has a description", "none is known")
              .hint(
                  "say 'description: openapi.yaml' of the service in the settings, or describedBy(...)"));
    }
    return described.deviations(exchange, KnownDescriptions.current()).stream()
        .map(Deviation::finding)
        .toList();
  }

  /**
   * The first value of a header.
   *
   * @param name the name, in any case
   * @return the value; empty if there is no such header
   */
  public Optional<String> header(String name) {
    Optional<String> value = headers().first(name);
    if (value.isEmpty()) {
      List<String> names = headers().names();
      recorder.missed(title() + ", has no header '" + name + "'; "
          + (names.isEmpty() ? "there are none at all" : "there are " + Words.names(names)));
    }
    return value;
  }

  /**
   * The first value of a header, read as a type.
   *
   * <pre>{@code
   * int total = reply.headerAt("X-Total-Count", int.class);
   * }</pre>
   *
   * @param <T> the type wanted
   * @param name the name, in any case
   * @param type the type wanted
   * @return the value; never null
   * @throws CheckFailed if there is no such header, with those there are, or it does not fit the type
   */
  public <T> T headerAt(String name, Class<T> type) {
    Needed.of(name, "headerAt(name, type): name");
    Needed.of(type, "headerAt(name, type): type");
    return new HeaderReading(this, name).value(type);
  }

  /**
   * Where a header leads, seen from the address of this reply (RFC 3986, section 5; RFC 9110, section
   * 10.2.2).
   *
   * <pre>{@code
   * beeyard.send(Call.get(created.addressIn("Location"))).must(status(200));
   * }</pre>
   *
   * @param name the name of the header, {@code Location} mostly
   * @return the absolute address
   * @throws CheckFailed if there is no such header, or it is no address
   */
  public URI addressIn(String name) {
    Needed.of(name, "addressIn(name): name");
    return new HeaderReading(this, name).address();
  }

  /**
   * The body as CSV (RFC 4180) with a line of names, as evidence: a list of objects. Texts that read as
   * numbers meet the shapes of numbers too. A line that has more or fewer cells than names is refused; empty
   * lines do not count, but where there is one name only, they are empty cells unless they end the text.
   *
   * <pre>{@code
   * reply.csv().must(body(size(12)), atEach("$", keysIncluding("hive", "kilograms")));
   * }</pre>
   *
   * @return the rows
   * @throws CheckFailed if it cannot be read
   */
  public Evidence csv() {
    return csv(',');
  }

  /**
   * The same with another separator.
   *
   * @param separator what is between two cells, like {@code ';'}
   * @return the rows
   * @throws CheckFailed if it cannot be read
   */
  public Evidence csv(char separator) {
    try {
      return new DerivedEvidence(this, "the rows", CsvRows.of(CsvTable.of(text(), separator)));
    } catch (IllegalArgumentException e) {
      throw misread(new Verdict(
          "csv()",
          false,
          List.of(Finding.of("body", "CSV", summary()).hint(String.valueOf(e.getMessage())))));
    }
  }

  /**
   * The events of a stream, as evidence: a list. A server-sent event (HTML Living Standard, section 9.2) is an
   * object with {@code event} ({@code message} if it has no type), {@code id} if it has one, and {@code
   * data}, JSON as its value; of JSON lines and JSON text sequences (RFC 7464) it is each document.
   *
   * <pre>{@code
   * beeyard.send(Call.get("/hives/events").readingEvents(2, Duration.ofSeconds(5)))
   *     .events().must(at("$[*].data.hive", items(4, 7)));
   * }</pre>
   *
   * @return the events that are complete
   * @throws CheckFailed if a document is not JSON
   */
  public Evidence events() {
    try {
      String type = headers().first("Content-Type").orElse("");
      return new DerivedEvidence(this, "the events", EventList.of(type, wire.body(), mapping));
    } catch (NotJson e) {
      throw misread(new Verdict(
          "events()",
          false,
          List.of(Finding.of("body", "events, or a JSON document in each line", summary())
              .hint(String.valueOf(e.getMessage())))));
    }
  }

  /**
   * The first cookie of a name that this reply sets.
   *
   * @param name the name
   * @return the cookie; empty if the reply sets none of that name
   */
  public Optional<Cookie> cookie(String name) {
    return cookies().stream().filter(cookie -> cookie.name().equals(name)).findFirst();
  }

  /**
   * Where the reply is from: the address of the call, or where the last redirect led.
   *
   * @return the address
   */
  public URI address() {
    return exchange.request().uri();
  }

  /**
   * The time from sending until the last byte of the reply.
   *
   * @return the time taken
   */
  public Duration took() {
    return exchange.took();
  }

  /**
   * The request that this is the reply to, as it was sent: its body and headers may be checked and read
   * like a reply's. After redirects it is the last one.
   *
   * <pre>{@code
   * reply.sent().must(body(schema("beeyard.yaml#/components/schemas/NewHive")));
   * }</pre>
   *
   * @return the request
   */
  public Evidence sent() {
    return new SentEvidence(exchange, mapping, recorder);
  }

  @Override
  public byte[] bytes() {
    return wire.body().clone();
  }

  @Override
  public String text() {
    return decoded().text();
  }

  @Override
  public Json json() {
    JsonNode parsed = tree;
    if (parsed == null) {
      parsed = mapping.parse(wire.body());
      tree = parsed;
    }
    return Json.of(parsed);
  }

  @Override
  public Xml xml() {
    return judging.xml();
  }

  @Override
  public Reply must(Check first, Check... more) {
    judging.must(first, more);
    return this;
  }

  @Override
  public Reply warnUnless(Check first, Check... more) {
    judging.warnUnless(first, more);
    return this;
  }

  @Override
  public <T> T valueAt(String path, Class<T> type) {
    return judging.valueAt(path, type);
  }

  @Override
  public <T> List<T> valuesAt(String path, Class<T> type) {
    return judging.valuesAt(path, type);
  }

  @Override
  public <T> T bodyAs(Class<T> type) {
    return judging.bodyAs(type);
  }

  @Override
  public <T> List<T> bodyAsListOf(Class<T> type) {
    return judging.bodyAsListOf(type);
  }

  @Override
  public void lookedAt(String path) {
    if (TreePath.of(path).beginsWith("errors")) {
      attention.errorsSeen();
    }
  }

  @Override
  public String toString() {
    return title();
  }

  /** The same reply, with looks of which it is not yet known whether they count. */
  ReplyJudging aside(Attention looks) {
    Reply aside = new Reply(exchange, wire, mapping, looks, recorder, false);
    aside.tree = tree;
    return aside.judging;
  }

  CheckFailed misread(Verdict reading) {
    return judging.failed(reading);
  }

  /** The verdict on an error status that nobody looked at. */
  Verdict unseenStatus() {
    return UnseenStatus.verdict(wire);
  }

  /** Whether it refuses; asking counts as no look. */
  boolean isError() {
    return wire.status() >= 400;
  }

  /** Whether its case is done again. */
  boolean isAgain() {
    return recorder.answering().isAgain();
  }

  JsonMapping hearingMapping() {
    return mapping.hearing(secret -> recorder.secret(Secret.of(secret)));
  }

  void judged(List<Verdict> verdicts) {
    recorder.judged(exchange, verdicts);
  }

  /** The verdict of a check that the service makes on every reply. */
  Verdict standing(Check check) {
    return judging.verdict(check, false);
  }

  private BodyText decoded() {
    return BodyText.of(headers().first("Content-Type").orElse(""), wire.body());
  }
}
