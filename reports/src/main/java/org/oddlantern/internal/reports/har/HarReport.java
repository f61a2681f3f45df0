package org.oddlantern.internal.reports.har;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Base64;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import org.oddlantern.evidence.Header;
import org.oddlantern.internal.journal.Journal;
import org.oddlantern.internal.record.BodyRecord;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.ExchangeRecord;
import org.oddlantern.internal.reports.RunData;
import org.oddlantern.json.internal.JsonMapping;
import org.oddlantern.shaded.tools.jackson.core.JsonGenerator;
import org.oddlantern.shaded.tools.jackson.core.exc.JacksonIOException;

/**
 * Writes the exchanges of a run as an HTTP Archive, version 1.2, which browsers' developer tools open: a
 * page for each case, an entry for each exchange. Secrets were masked when they were recorded.
 */
public final class HarReport {

  private static final String VERSION = "HTTP/1.1";
  private static final int AT_HAND = 64;

  private final Journal journal;
  private final JsonGenerator out;
  private final RunData run;
  private final Map<String, List<ExchangeRecord>> atHand = new LinkedHashMap<>(16, 0.75f, true) {
    private static final long serialVersionUID = 1L;

    @Override
    protected boolean removeEldestEntry(Map.Entry<String, List<ExchangeRecord>> eldest) {
      return size() > AT_HAND;
    }
  };

  private HarReport(RunData run, Journal journal, JsonGenerator out) {
    this.run = run;
    this.journal = journal;
    this.out = out;
  }

  /**
   * Writes the archive.
   *
   * @param run the run
   * @param journal its journal, for bodies that lie beside it
   * @param file where it goes
   * @param cases whose exchanges to tell
   * @throws IOException if it cannot be written, or a body not be read
   */
  public static void write(RunData run, Journal journal, Path file, Predicate<CaseRecord> cases)
      throws IOException {
    List<CaseRecord> told = run.cases().stream().filter(cases).toList();
    try (OutputStream stream = new BufferedOutputStream(Files.newOutputStream(file));
        JsonGenerator generator = JsonMapping.standard().generator(stream)) {
      new HarReport(run, journal, generator).write(told);
    } catch (JacksonIOException e) {
      throw e.getCause();
    }
  }

  private void write(List<CaseRecord> cases) throws IOException {
    out.writeStartObject();
    out.writeObjectPropertyStart("log");
    out.writeStringProperty("version", "1.2");
    out.writeObjectPropertyStart("creator");
    out.writeStringProperty("name", "Odd Lantern");
    String version = HarReport.class.getPackage().getImplementationVersion();
    out.writeStringProperty("version", version == null ? "unknown" : version);
    out.writeEndObject();
    out.writeArrayPropertyStart("entries");
    List<CaseRecord> asked = new ArrayList<>();
    List<Entry> entries = entries(cases, asked);
    for (Entry entry : entries) {
      entry(entry.one(), exchanges(entry.one()).get(entry.number()));
    }
    out.writeEndArray();
    out.writeArrayPropertyStart("pages");
    asked.forEach(this::page);
    out.writeEndArray();
    out.writeEndObject();
    out.writeEndObject();
  }

  /** In order of time, of all cases, since they may have run side by side. */
  private List<Entry> entries(List<CaseRecord> cases, List<CaseRecord> asked) {
    List<Entry> entries = new ArrayList<>();
    for (CaseRecord one : cases) {
      List<ExchangeRecord> exchanges = exchanges(one);
      for (int number = 0; number < exchanges.size(); number++) {
        entries.add(new Entry(one, number, exchanges.get(number).sentAt()));
      }
      if (!exchanges.isEmpty()) {
        asked.add(one);
      }
    }
    entries.sort(Comparator.comparing(Entry::sentAt));
    return entries;
  }

  /** Of a case; those of the last ones asked for are at hand. */
  private List<ExchangeRecord> exchanges(CaseRecord one) {
    return atHand.computeIfAbsent(
        one.id() + "/" + one.order(), key -> run.whole(one).exchanges());
  }

  private void page(CaseRecord one) {
    out.writeStartObject();
    out.writeStringProperty("startedDateTime", one.startedAt().toString());
    out.writeStringProperty("id", one.id());
    out.writeStringProperty("title", one.suite() + ": " + one.title());
    out.writeObjectPropertyStart("pageTimings");
    out.writeNumberProperty("onLoad", one.tookMicros() / 1_000.0);
    out.writeEndObject();
    out.writeEndObject();
  }

  private void entry(CaseRecord one, ExchangeRecord exchange) throws IOException {
    out.writeStartObject();
    out.writeStringProperty("pageref", one.id());
    out.writeStringProperty("startedDateTime", exchange.sentAt().toString());
    out.writeNumberProperty("time", exchange.tookMicros() / 1_000.0);
    request(exchange);
    response(exchange);
    out.writeObjectPropertyStart("cache");
    out.writeEndObject();
    out.writeObjectPropertyStart("timings");
    out.writeNumberProperty("send", 0);
    out.writeNumberProperty("wait", exchange.tookMicros() / 1_000.0);
    out.writeNumberProperty("receive", 0);
    out.writeEndObject();
    String asker = exchange.isVisit() ? "asked by the service: " + exchange.service() : "";
    String comment = exchange.fault() != null
        ? exchange.fault()
        : exchange.name().isEmpty() ? asker : exchange.name();
    if (!comment.isEmpty()) {
      out.writeStringProperty("comment", comment);
    }
    out.writeEndObject();
  }

  private void request(ExchangeRecord exchange) throws IOException {
    BodyRecord body = exchange.requestBody();
    out.writeObjectPropertyStart("request");
    out.writeStringProperty("method", exchange.method());
    out.writeStringProperty("url", exchange.url());
    out.writeStringProperty("httpVersion", VERSION);
    pairs("cookies", List.of());
    headers(exchange.requestHeaders());
    out.writeArrayPropertyStart("queryString");
    for (QueryPart part : QueryPart.of(exchange.url())) {
      pair(part.name(), part.value());
    }
    out.writeEndArray();
    if (body.bytes() > 0) {
      out.writeObjectPropertyStart("postData");
      out.writeStringProperty("mimeType", type(exchange.requestHeaders()));
      if (body.parts().isEmpty()) {
        out.writeStringProperty("text", journal.text(body));
      } else {
        params(body);
      }
      out.writeEndObject();
    }
    out.writeNumberProperty("headersSize", -1);
    out.writeNumberProperty("bodySize", body.bytes());
    out.writeEndObject();
  }

  private void params(BodyRecord body) {
    out.writeArrayPropertyStart("params");
    for (BodyRecord.FormPart part : body.parts()) {
      out.writeStartObject();
      out.writeStringProperty("name", part.name());
      if (part.text() != null) {
        out.writeStringProperty("value", part.text());
      }
      if (!part.fileName().isEmpty()) {
        out.writeStringProperty("fileName", part.fileName());
      }
      if (!part.contentType().isEmpty()) {
        out.writeStringProperty("contentType", part.contentType());
      }
      out.writeEndObject();
    }
    out.writeEndArray();
  }

  private void response(ExchangeRecord exchange) throws IOException {
    BodyRecord body = exchange.replyBody();
    out.writeObjectPropertyStart("response");
    out.writeNumberProperty("status", exchange.status());
    out.writeStringProperty("statusText", exchange.reason());
    out.writeStringProperty("httpVersion", VERSION);
    pairs("cookies", List.of());
    headers(exchange.replyHeaders());
    content(body, type(exchange.replyHeaders()));
    out.writeStringProperty(
        "redirectURL",
        exchange.replyHeaders().stream()
            .filter(header -> header.name().equalsIgnoreCase("Location"))
            .map(Header::value)
            .findFirst()
            .orElse(""));
    out.writeNumberProperty("headersSize", -1);
    out.writeNumberProperty("bodySize", body.bytes());
    out.writeEndObject();
  }

  /** Its size is that of the text as it is here, with secrets hidden. */
  private void content(BodyRecord body, String type) throws IOException {
    out.writeObjectPropertyStart("content");
    if (body.isPicture()) {
      Path picture = journal.file().resolveSibling(String.valueOf(body.file()));
      byte[] bytes = Files.readAllBytes(picture);
      out.writeNumberProperty("size", bytes.length);
      out.writeStringProperty("mimeType", type);
      out.writeStringProperty("text", Base64.getEncoder().encodeToString(bytes));
      out.writeStringProperty("encoding", "base64");
    } else {
      String text = journal.text(body);
      boolean none = text.isEmpty() && body.bytes() > 0;
      out.writeNumberProperty(
          "size", none ? body.bytes() : text.getBytes(StandardCharsets.UTF_8).length);
      out.writeStringProperty("mimeType", type);
      if (body.bytes() > 0) {
        out.writeStringProperty("text", text);
      }
    }
    out.writeEndObject();
  }

  private void headers(List<Header> headers) {
    pairs("headers", headers);
  }

  private void pairs(String name, List<Header> pairs) {
    out.writeArrayPropertyStart(name);
    pairs.forEach(pair -> pair(pair.name(), pair.value()));
    out.writeEndArray();
  }

  private void pair(String name, String value) {
    out.writeStartObject();
    out.writeStringProperty("name", name);
    out.writeStringProperty("value", value);
    out.writeEndObject();
  }

  private static String type(List<Header> headers) {
    return headers.stream()
        .filter(header -> header.name().equalsIgnoreCase("Content-Type"))
        .map(Header::value)
        .findFirst()
        .orElse("");
  }

  /** One exchange of a case. */
  private record Entry(CaseRecord one, int number, Instant sentAt) {}
}
