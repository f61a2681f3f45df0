package org.oddlantern.http;

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
  private volatile boolean statusSeen;
  private volatile @Nullable JsonNode tree;

  Reply(Exchange exchange, WireReply wire, JsonMapping mapping, CaseRecorder recorder) {
    this.exchange = exchange;
    this.wire = wire;
    this.mapping = mapping;
    this.recorder = recorder;
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
    if (!statusSeen) {
      statusSeen = true;
      recorder.statusSeen(exchange);
    }
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
    List<Verdict> failed =
        judge(false, first, more).stream().filter(verdict -> !verdict.holds()).toList();
    if (!failed.isEmpty()) {
      throw new NotAsPromised(title(), withStatusFirst(failed));
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
    return new Reading(this, "valueAt(\"" + path + "\", " + type.getSimpleName() + ")")
        .value(parsed, type);
  }

  @Override
  public <T> T bodyAs(Class<T> type) {
    return new Reading(this, "bodyAs(" + type.getSimpleName() + ")").value(JsonPath.of("$"), type);
  }

  @Override
  public String toString() {
    return title();
  }

  JsonMapping mapping() {
    return mapping;
  }

  CaseRecorder recorder() {
    return recorder;
  }

  /** A reading that found nothing it could give. */
  NotAsPromised failed(Verdict reading) {
    recorder.judged(exchange, List.of(reading));
    return new NotAsPromised(title(), withStatusFirst(List.of(reading)));
  }

  private List<Verdict> judge(boolean warning, Check first, Check... more) {
    List<Check> checks = new ArrayList<>();
    checks.add(first);
    checks.addAll(List.of(more));
    List<Verdict> verdicts =
        checks.stream().map(check -> verdict(check, warning)).toList();
    recorder.judged(exchange, verdicts);
    return verdicts;
  }

  /** A check that throws must not keep the others from being made. */
  private Verdict verdict(Check check, boolean warning) {
    try {
      return new Verdict(check.words(), warning, check.examine(this));
    } catch (RuntimeException | AssertionError e) {
      Finding thrown = Finding.of("the check itself", "an answer", "it threw " + e);
      return new Verdict(check.words(), warning, List.of(thrown));
    }
  }

  private List<Verdict> withStatusFirst(List<Verdict> failed) {
    if (statusSeen || wire.status() < 400) {
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
