package org.oddlantern.internal.reports.junitxml;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import javax.xml.stream.XMLOutputFactory;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamWriter;
import org.oddlantern.internal.record.AttemptRecord;
import org.oddlantern.internal.record.CaseEnding;
import org.oddlantern.internal.record.CaseHead;
import org.oddlantern.internal.record.CaseRecord;
import org.oddlantern.internal.record.CaseTiming;
import org.oddlantern.internal.record.CaseTrail;
import org.oddlantern.internal.record.Outcome;
import org.oddlantern.internal.record.ProblemRecord;
import org.oddlantern.internal.record.RecordKind;
import org.oddlantern.internal.record.RedNames;
import org.oddlantern.internal.reports.RunData;
import org.oddlantern.internal.reports.Symptom;

/**
 * Writes JUnit XML, a file for each suite: failed is a failure, errored, blocked and
 * interrupted are errors, and so is a run that was cut off.
 * Characters that XML 1.0 forbids are replaced.
 */
public final class JUnitXmlReport {

  private static final String CUT_OFF = "cut-off";
  private static final String PROBLEMS = "problems-of-the-run";

  private JUnitXmlReport() {}

  /**
   * Writes the files; those of an earlier run are removed.
   *
   * @param run the run
   * @param folder where the files go
   * @throws IOException if one cannot be written
   */
  public static void write(RunData run, Path folder) throws IOException {
    Files.createDirectories(folder);
    try (var old = Files.newDirectoryStream(folder, "TEST-*.xml")) {
      for (Path file : old) {
        Files.delete(file);
      }
    }
    Map<String, List<CaseRecord>> suites = run.bySuite();
    if (run.ended() == null) {
      suites.put(CUT_OFF, List.of(error(run, CUT_OFF, "the run comes to its end", run.verdict())));
    }
    if (!run.problems().isEmpty()) {
      suites.put(
          PROBLEMS,
          List.of(error(
              run,
              PROBLEMS,
              "the run has no problems of its own",
              String.join("\n", run.problems()))));
    }
    RedNames red = new RedNames();
    suites.values().forEach(cases -> cases.forEach(red::add));
    for (Map.Entry<String, List<CaseRecord>> suite : suites.entrySet()) {
      Path file = folder.resolve("TEST-" + suite.getKey() + ".xml");
      try (OutputStream stream = new BufferedOutputStream(Files.newOutputStream(file))) {
        suite(stream, run, suite.getKey(), suite.getValue(), red);
      } catch (XMLStreamException e) {
        throw new IOException(file + " cannot be written: " + e.getMessage(), e);
      }
    }
  }

  /** A server that sees green cases only must not take them for all. */
  private static CaseRecord error(RunData run, String id, String title, String message) {
    return new CaseRecord(
        new CaseHead(RecordKind.CASE, id, id, title, "", "", ""),
        new CaseTiming(0, 0, run.started().startedAt(), 0, List.of()),
        new CaseEnding(Outcome.ERRORED, List.of(), new ProblemRecord("", message, "", "")),
        List.of(),
        CaseTrail.NONE,
        null);
  }

  private static void suite(
      OutputStream stream, RunData run, String name, List<CaseRecord> cases, RedNames red)
      throws XMLStreamException {
    XMLStreamWriter xml = XMLOutputFactory.newDefaultFactory()
        .createXMLStreamWriter(stream, StandardCharsets.UTF_8.name());
    xml.writeStartDocument(StandardCharsets.UTF_8.name(), "1.0");
    xml.writeCharacters("\n");
    xml.writeStartElement("testsuite");
    attribute(xml, "name", name);
    attribute(xml, "tests", String.valueOf(cases.size()));
    attribute(
        xml,
        "failures",
        String.valueOf(
            cases.stream().filter(one -> one.outcome() == Outcome.FAILED).count()));
    attribute(
        xml,
        "errors",
        String.valueOf(cases.stream().filter(one -> isError(one, red)).count()));
    attribute(
        xml,
        "skipped",
        String.valueOf(cases.stream().filter(one -> isSkipped(one, red)).count()));
    attribute(
        xml, "time", seconds(cases.stream().mapToLong(CaseRecord::tookMicros).sum()));
    attribute(
        xml,
        "timestamp",
        DateTimeFormatter.ISO_LOCAL_DATE_TIME.format(
            run.started().startedAt().truncatedTo(ChronoUnit.SECONDS).atOffset(ZoneOffset.UTC)));
    properties(xml, run);
    for (CaseRecord one : cases) {
      testcase(xml, name, run.spoken(one), isSkipped(one, red), run.folder());
    }
    xml.writeCharacters("\n");
    xml.writeEndElement();
    xml.writeEndDocument();
    xml.close();
  }

  private static void properties(XMLStreamWriter xml, RunData run) throws XMLStreamException {
    xml.writeCharacters("\n  ");
    xml.writeStartElement("properties");
    Map<String, String> properties = Map.of(
        "environment",
        run.started().environment(),
        "run",
        run.started().run(),
        "seed",
        run.started().seed());
    for (String name : properties.keySet().stream().sorted().toList()) {
      xml.writeCharacters("\n    ");
      xml.writeEmptyElement("property");
      attribute(xml, "name", name);
      attribute(xml, "value", properties.getOrDefault(name, ""));
    }
    xml.writeCharacters("\n  ");
    xml.writeEndElement();
  }

  private static void testcase(
      XMLStreamWriter xml, String suite, CaseRecord one, boolean skipped, Path folder)
      throws XMLStreamException {
    xml.writeCharacters("\n  ");
    xml.writeStartElement("testcase");
    attribute(xml, "classname", suite);
    attribute(xml, "name", one.title());
    attribute(xml, "time", seconds(one.tookMicros()));
    // the order is that of the schema of Maven's own reports
    boolean failed = one.outcome() == Outcome.FAILED;
    if (failed) {
      problem(xml, "failure", one, folder);
    }
    earlier(xml, one, true);
    if (skipped) {
      xml.writeEmptyElement("skipped");
      attribute(xml, "message", reason(one));
    } else if (!failed) {
      problem(xml, "error", one, folder);
    }
    earlier(xml, one, false);
    if (!one.printed().isEmpty()) {
      xml.writeStartElement("system-out");
      xml.writeCharacters(allowed(one.printed()));
      xml.writeEndElement();
    }
    xml.writeEndElement();
  }

  private static void problem(XMLStreamWriter xml, String kind, CaseRecord one, Path folder)
      throws XMLStreamException {
    ProblemRecord problem = one.problem();
    if (problem == null) {
      return;
    }
    xml.writeStartElement(kind);
    attribute(xml, "message", message(one, problem));
    attribute(xml, "type", problem.type().isEmpty() ? one.outcome().word() : problem.type());
    xml.writeCharacters(allowed(text(one, problem, folder)));
    xml.writeEndElement();
  }

  /** What was wrong first, since lists of a build server show that line only. */
  private static String message(CaseRecord one, ProblemRecord problem) {
    String finding = Symptom.finding(one);
    return finding.isEmpty()
        ? problem.message().lines().findFirst().orElse(problem.type())
        : finding;
  }

  /** The tries before the last that failed, or that broke, in the words of the build's reports. */
  private static void earlier(XMLStreamWriter xml, CaseRecord one, boolean failed)
      throws XMLStreamException {
    for (AttemptRecord earlier : one.earlier()) {
      if ((earlier.outcome() == Outcome.FAILED) == failed) {
        earlier(xml, one, earlier);
      }
    }
  }

  private static void earlier(XMLStreamWriter xml, CaseRecord one, AttemptRecord earlier)
      throws XMLStreamException {
    ProblemRecord problem = earlier.problem();
    String kind = earlier.outcome() == Outcome.FAILED ? "Failure" : "Error";
    String message = problem == null ? earlier.outcome().word() : problem.message();
    xml.writeStartElement((one.outcome() == Outcome.PASSED ? "flaky" : "rerun") + kind);
    attribute(xml, "message", message.lines().findFirst().orElse(""));
    attribute(
        xml,
        "type",
        problem == null || problem.type().isEmpty() ? earlier.outcome().word() : problem.type());
    xml.writeStartElement("stackTrace");
    xml.writeCharacters(allowed(message + (problem == null ? "" : "\nat " + problem.at())));
    xml.writeEndElement();
    xml.writeEndElement();
  }

  private static boolean isError(CaseRecord one, RedNames red) {
    return !one.outcome().isGreen() && one.outcome() != Outcome.FAILED && !red.blocked(one);
  }

  /**
   * What other formats call so: it did not run, failed as it is known to, or checked nothing; it was blocked
   * by what is red itself.
   */
  private static boolean isSkipped(CaseRecord one, RedNames red) {
    return one.outcome().isGreen() ? !one.outcome().hasPassed(one.marks()) : red.blocked(one);
  }

  private static String reason(CaseRecord one) {
    String message =
        one.problem() == null ? "" : one.problem().message().lines().findFirst().orElse("");
    if (one.outcome() == Outcome.PASSED) {
      return "unproven: it passed and checked nothing";
    }
    return one.outcome() == Outcome.KNOWN_FAULT
        ? "known fault " + one.knownFault() + (message.isEmpty() ? "" : ": " + message)
        : one.outcome() == Outcome.PENDING || one.outcome() == Outcome.BLOCKED
            ? one.outcome().word() + ": " + message
            : message;
  }

  private static String text(CaseRecord one, ProblemRecord problem, Path folder) {
    StringBuilder text = new StringBuilder(problem.message());
    if (!problem.at().isEmpty()) {
      text.append("\nat ").append(problem.at());
    }
    one.exchanges().stream()
        .filter(exchange -> exchange.isTroubled() && !exchange.isVisit())
        .forEach(exchange -> text.append("\nrepeat  ").append(exchange.curl(folder)));
    return text.append(problem.stack().isEmpty() ? "" : "\n" + problem.stack()).toString();
  }

  private static void attribute(XMLStreamWriter xml, String name, String value)
      throws XMLStreamException {
    xml.writeAttribute(name, allowed(value));
  }

  /** The text with every character that XML 1.0 (section 2.2) forbids replaced. */
  private static String allowed(String text) {
    if (isPlain(text)) {
      return text;
    }
    StringBuilder allowed = new StringBuilder(text.length());
    text.codePoints().forEach(point -> allowed.appendCodePoint(isAllowed(point) ? point : 0xfffd));
    return allowed.toString();
  }

  private static boolean isPlain(String text) {
    for (int i = 0; i < text.length(); i++) {
      char letter = text.charAt(i);
      if ((letter < 0x20 || letter > 0xd7ff) && letter != '\n') {
        return false;
      }
    }
    return true;
  }

  private static boolean isAllowed(int point) {
    return point == 0x9
        || point == 0xa
        || point == 0xd
        || point >= 0x20 && point <= 0xd7ff
        || point >= 0xe000 && point <= 0xfffd
        || point >= 0x10000;
  }

  private static String seconds(long micros) {
    long millis = (micros + 500) / 1_000;
    return millis / 1_000 + "." + String.valueOf(1_000 + millis % 1_000).substring(1);
  }
}
