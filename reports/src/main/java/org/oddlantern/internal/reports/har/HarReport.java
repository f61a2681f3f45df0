package org.oddlantern.internal.reports.har;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
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

  private final Journal journal;
  private final JsonGenerator out;
  private final RunData run;

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
    for (CaseRecord one : cases) {
      List<ExchangeRecord> exchanges = run.whole(one).exchanges();
      for (ExchangeRecord exchange : exchanges) {
        entry(one, exchange);
      }
      if (!exchanges.isEmpty()) {
        asked.add(one);
      }
    }
    out.writeEndArray();
    out.writeArrayPropertyStart("pages");
    asked.forEach(this::page);
    out.writeEndArray();
    out.writeEndObject();
    out.writeEndObject();
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
    out.writeObjectPropertyStart("content");
    out.writeNumberProperty("size", body.bytes());
    out.writeStringProperty("mimeType", type(exchange.replyHeaders()));
    if (body.isPicture()) {
      Path picture = journal.file().resolveSibling(String.valueOf(body.file()));
      out.writeStringProperty(
          "text", Base64.getEncoder().encodeToString(Files.readAllBytes(picture)));
      out.writeStringProperty("encoding", "base64");
    } else if (body.bytes() > 0) {
      out.writeStringProperty("text", journal.text(body));
    }
    out.writeEndObject();
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
}
