package org.oddlantern.http;

import java.net.URI;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.oddlantern.http.internal.CaseRecorder;
import org.oddlantern.json.Finding;
import org.oddlantern.json.JsonMapping;
import org.oddlantern.json.JsonPath;
import org.oddlantern.json.NotJson;
import org.oddlantern.json.Secret;
import org.oddlantern.json.Words;
import tools.jackson.databind.JsonNode;

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

  private static final Pattern CHARSET =
      Pattern.compile("charset\\s*=\\s*\"?([^\\s;\"]+)", Pattern.CASE_INSENSITIVE);

  private final Exchange exchange;
  private final WireReply wire;
  private final JsonMapping mapping;
  private final CaseRecorder recorder;
  private final Attention attention;
  private volatile boolean dueAtOnce;
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
    this.dueAtOnce = dueAtOnce;
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
        + (wire.body().length == 0 ? "an empty body" : "a body that begins: " + Words.cut(text()));
  }

  @Override
  public int status() {
    attention.statusSeen();
    return wire.status();
  }

  @Override
  public Headers headers() {
    return wire.headers();
  }

  /**
   * The first value of a header.
   *
   * @param name the name, in any case
   * @return the value; empty if there is no such header
   */
  public Optional<String> header(String name) {
    return headers().first(name);
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
   * Where the reply came from: the address of the call, or where the last redirect led.
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

  @Override
  public byte[] bytes() {
    return wire.body().clone();
  }

  @Override
  public String text() {
    return new String(wire.body(), charset());
  }

  @Override
  public JsonNode json() {
    JsonNode parsed = tree;
    if (parsed == null) {
      parsed = mapping.parse(wire.body());
      tree = parsed;
    }
    return parsed;
  }

  @Override
  public Reply must(Check first, Check... more) {
    List<Verdict> verdicts = judge(false, first, more);
    for (Verdict verdict : verdicts) {
      if (!verdict.holds()) {
        throw new NotAsPromised(
            title(),
            withStatusFirst(verdicts.stream().filter(one -> !one.holds()).toList()));
      }
    }
    return this;
  }

  @Override
  public Reply warnUnless(Check first, Check... more) {
    judge(true, first, more);
    return this;
  }

  @Override
  public <T> T valueAt(String path, Class<T> type) {
    JsonPath parsed = JsonPath.of(path);
    parsed.steps();
    lookedAt(parsed);
    return new Reading(this, "valueAt(\"" + path + "\", " + type.getSimpleName() + ")")
        .value(parsed, type);
  }

  /**
   * Every value a path leads to, read as a type.
   *
   * @param <T> the type wanted
   * @param path a path (RFC 9535)
   * @param type the type wanted
   * @return the values in order; empty if there are none
   * @throws NotAsPromised if the body is not JSON or a value is null or of another type
   */
  public <T> List<T> valuesAt(String path, Class<T> type) {
    JsonPath parsed = JsonPath.of(path);
    lookedAt(parsed);
    return new Reading(this, "valuesAt(\"" + path + "\", " + type.getSimpleName() + ")")
        .values(parsed, type);
  }

  @Override
  public void lookedAt(JsonPath path) {
    if (path.beginsWith("errors")) {
      attention.errorsSeen();
    }
  }

  @Override
  public <T> T bodyAs(Class<T> type) {
    return new Reading(this, "bodyAs(" + type.getSimpleName() + ")").value(JsonPath.of("$"), type);
  }

  @Override
  public String toString() {
    return title();
  }

  /** Whether it refuses; asking counts as no look. */
  boolean isError() {
    return wire.status() >= 400;
  }

  /** The mapping, telling the case of the secrets it reads. */
  JsonMapping hearingMapping() {
    return mapping.hearing(secret -> recorder.secret(Secret.of(secret)));
  }

  /** A reading that found nothing it could give. */
  NotAsPromised failed(Verdict reading) {
    recorder.judged(exchange, List.of(reading));
    return new NotAsPromised(title(), withStatusFirst(List.of(reading)));
  }

  private List<Verdict> judge(boolean warning, Check first, Check... more) {
    List<Verdict> verdicts = new ArrayList<>(1 + more.length);
    verdicts.add(made(first, warning));
    for (Check check : more) {
      verdicts.add(made(check, warning));
    }
    if (dueAtOnce && attention.hasStanding() && !warning) {
      dueAtOnce = false;
      verdicts.addAll(attention.get());
    }
    recorder.judged(exchange, verdicts);
    return verdicts;
  }

  private Verdict made(Check check, boolean warning) {
    attention.checked(check);
    return verdict(check, warning);
  }

  /** A check that throws must not keep the others from being made. */
  Verdict verdict(Check check, boolean warning) {
    try {
      return new Verdict(check.words(), warning, check.examine(this));
    } catch (RuntimeException | AssertionError e) {
      Finding thrown = Finding.of("the check itself", "an answer", "it threw " + e);
      return new Verdict(check.words(), warning, List.of(thrown));
    }
  }

  private List<Verdict> withStatusFirst(List<Verdict> failed) {
    if (!attention.isUnseenError()) {
      return failed;
    }
    List<Verdict> all = new ArrayList<>();
    all.add(UnseenStatus.verdict(wire));
    all.addAll(failed);
    return all;
  }

  private Charset charset() {
    Matcher matcher = CHARSET.matcher(headers().first("Content-Type").orElse(""));
    try {
      return matcher.find() ? Charset.forName(matcher.group(1)) : StandardCharsets.UTF_8;
    } catch (IllegalArgumentException e) {
      return StandardCharsets.UTF_8; // a name nobody knows must not hide the body
    }
  }

  /** Why the body is not the JSON it should be, with what it is instead. */
  String notJson(NotJson e) {
    String place = e.line() == 0 ? "" : "line " + e.line() + ", column " + e.column() + ": ";
    return summary() + (wire.body().length == 0 ? "" : " (" + place + e.getMessage() + ")");
  }
}
